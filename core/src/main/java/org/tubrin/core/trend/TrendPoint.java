package org.tubrin.core.trend;

import java.time.Instant;

/**
 * A figure of one run.
 *
 * @param at when
 * @param value in the figure's unit
 * @param resolution what the reading itself leaves open from run to run, as a standard deviation in the same unit
 */
public record TrendPoint(Instant at, double value, double resolution) {}
