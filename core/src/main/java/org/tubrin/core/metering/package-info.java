/**
 * From what the needle says to what is known: meter classes, ranges, corrections, typed numbers.
 *
 * <p>In: text as typed, with the meter's channel and range. Out: {@link org.tubrin.core.metering.Reading} (raw, kept for
 * ever) and, from it, a {@link org.tubrin.core.quantity.Quantity}. May import: quantity.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.metering;
