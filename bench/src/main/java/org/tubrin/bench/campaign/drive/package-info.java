/** The campaign of drive tables: a person who only does what the next move says, against plain procedures. */
@NullMarked
package org.tubrin.bench.campaign.drive;

import org.jspecify.annotations.NullMarked;
