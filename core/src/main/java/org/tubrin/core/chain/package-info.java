/**
 * A chain from a generator to its load in dBm, the pads in it, and how it is driven up from a great attenuation.
 *
 * <p>All of it in 50 Ω.
 */
@NullMarked
package org.tubrin.core.chain;

import org.jspecify.annotations.NullMarked;
