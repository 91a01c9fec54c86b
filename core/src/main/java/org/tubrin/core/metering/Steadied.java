package org.tubrin.core.metering;

import java.util.Arrays;

/**
 * What a restless meter shows: the middle of its readings over a short time, and how much they scatter.
 *
 * <p>Method: the median; the median of absolute departures from it times 1.4826, which for normal scatter is the standard
 * deviation and does not mind a few wild readings. Source: P. J. Rousseeuw, C. Croux, "Alternatives to the median absolute
 * deviation", J. Am. Stat. Assoc. 88 (1993) 1273–1283.
 *
 * @param median in the unit of the readings
 * @param spread standard uncertainty of one reading through restlessness, in the same unit
 */
public record Steadied(double median, double spread) {
    private static final double NORMAL = 1.4826;

    /** Returns what readings come to; at least one. */
    public static Steadied of(double[] readings) {
        double middle = median(readings.clone());
        double[] departures = new double[readings.length];
        for (int i = 0; i < readings.length; i++) {
            departures[i] = Math.abs(readings[i] - middle);
        }
        return new Steadied(middle, NORMAL * median(departures));
    }

    private static double median(double[] values) {
        Arrays.sort(values);
        int half = values.length / 2;
        return values.length % 2 == 1 ? values[half] : (values[half - 1] + values[half]) / 2;
    }
}
