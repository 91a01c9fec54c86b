/**
 * A matcher in or behind an amplifier: the interlocked order in which it is tuned with the power amplifier off, and what a match at an
 * input is worth.
 */
@NullMarked
package org.tubrin.core.matcher;

import org.jspecify.annotations.NullMarked;
