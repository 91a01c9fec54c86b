/** The campaign of idle currents: a person who only does what the next move says, against a plain procedure. */
@NullMarked
package org.tubrin.bench.campaign.bias;

import org.jspecify.annotations.NullMarked;
