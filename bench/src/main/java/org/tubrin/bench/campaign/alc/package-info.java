/** The campaign of levels: a person who only does what the next move says, against a plain procedure. */
@NullMarked
package org.tubrin.bench.campaign.alc;

import org.jspecify.annotations.NullMarked;
