/**
 * Decline beyond its uncertainty: what of an amplifier and its meters has changed over its runs, and since when.
 *
 * <p>In: the states of runs, each boiled down to its {@link
 * org.tubrin.core.trend.RunFigures}. Out: {@link org.tubrin.core.trend.Series} of one figure with its {@link
 * org.tubrin.core.trend.Change}s. May import: quantity, metering, station, budget, run.
 */
@org.jspecify.annotations.NullMarked
package org.tubrin.core.trend;
