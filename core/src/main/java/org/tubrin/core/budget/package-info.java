/**
 * Where the watts go: plate input, efficiency, heat per tube, gain, sag, and the room left to each limit.
 *
 * <p>In: quantities read at one step, and the amplifier's record. Out: {@link org.tubrin.core.budget.Budget} and {@link
 * org.tubrin.core.budget.Room}. Powers in watts; efficiency and sag as plain ratios. May import: quantity, metering,
 * station.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.budget;
