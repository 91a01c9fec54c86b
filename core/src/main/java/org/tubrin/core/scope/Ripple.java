package org.tubrin.core.scope;

import java.util.Optional;

/**
 * How an unmodulated carrier breathes, on a slow time base.
 *
 * @param share lowest to highest, as a share of the mean
 * @param hertz 100 or 120 where most of it goes with twice the mains; empty else
 */
public record Ripple(double share, Optional<Integer> hertz) {
    /** From here on it is heard. */
    public static final double HEARD_SHARE = 0.05;
    /** So much of it at twice the mains is hum. */
    private static final double HUM_SHARE = 0.5;

    private static final double LEAST_PERIODS = 2;
    /** Columns on each side over which noise is evened out. */
    private static final int SMOOTH = 2;

    /** Returns whether it is heard on the signal. */
    public boolean isHeard() {
        return share > HEARD_SHARE;
    }

    /** Returns it; empty where nothing is on the trace. */
    public static Optional<Ripple> of(Trace trace) {
        double[] envelope = smooth(trace.envelopeV());
        double mean = mean(envelope);
        if (mean <= 0) {
            return Optional.empty();
        }
        double low = Double.MAX_VALUE;
        double high = 0;
        for (double volt : envelope) {
            low = Math.min(low, volt);
            high = Math.max(high, volt);
        }
        double at100 = swing(envelope, mean, trace.spanS(), 100);
        double at120 = swing(envelope, mean, trace.spanS(), 120);
        int hertz = at100 >= at120 ? 100 : 120;
        // A sine of amplitude a is 2a from its lowest to its highest.
        boolean isHum = 2 * Math.max(at100, at120) > HUM_SHARE * (high - low);
        return Optional.of(new Ripple((high - low) / mean, isHum ? Optional.of(hertz) : Optional.empty()));
    }

    /** Returns the amplitude at a frequency, in volts; 0 where the trace holds too few of its periods. */
    private static double swing(double[] envelope, double mean, double spanS, double hertz) {
        int periods = (int) Math.floor(spanS * hertz);
        if (periods < LEAST_PERIODS) {
            return 0;
        }
        int taken = (int) Math.round(periods / (spanS * hertz) * envelope.length);
        double cos = 0;
        double sin = 0;
        for (int i = 0; i < taken; i++) {
            double angle = 2 * Math.PI * periods * i / taken;
            cos += (envelope[i] - mean) * Math.cos(angle);
            sin += (envelope[i] - mean) * Math.sin(angle);
        }
        return 2 * Math.hypot(cos, sin) / taken;
    }

    private static double[] smooth(double[] values) {
        double[] smoothed = new double[values.length];
        for (int i = 0; i < values.length; i++) {
            int from = Math.max(0, i - SMOOTH);
            int to = Math.min(values.length - 1, i + SMOOTH);
            double sum = 0;
            for (int k = from; k <= to; k++) {
                sum += values[k];
            }
            smoothed[i] = sum / (to - from + 1);
        }
        return smoothed;
    }

    private static double mean(double[] values) {
        double sum = 0;
        for (double value : values) {
            sum += value;
        }
        return sum / values.length;
    }
}
