package org.tubrin.core.resonance;

import org.hipparchus.distribution.continuous.TDistribution;

/**
 * What wind does to one reading.
 *
 * @param deviation its standard deviation, in the measure of the reading
 * @param free how many readings it is known by, less the places at which they were taken
 * @param coverage deviations to either side that hold 95 %: few readings tell little (Student's t)
 */
public record Scatter(double deviation, int free, double coverage) {
    private static final double UPPER = 0.975;
    /** The middle of normal scatter is known less well than its mean by √(π/2). */
    private static final double MEDIAN = 1.2533;

    static Scatter of(double deviation, int free) {
        return new Scatter(deviation, free, student(free));
    }

    /** Returns what it leaves open of the middle of some readings, to either side. */
    double halfWidth95(int count) {
        double middle = count > 2 ? MEDIAN : 1;
        return coverage * middle * deviation / Math.sqrt(count);
    }

    /** Returns the standard uncertainties to either side that hold 95 % where so many readings are free. */
    static double student(int free) {
        return new TDistribution(free).inverseCumulativeProbability(UPPER);
    }
}
