package org.tubrin.core.scope;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;

/** Traces of two equal tones through what a test names. */
public final class Traces {
    private static final int COLUMNS = 200;
    private static final double PEAK_V = 100;

    private Traces() {}

    /**
     * Returns 2.3 beats.
     *
     * @param exciter its amplitude for that of the tones, 0 to 1
     * @param amplifier output for the exciter's
     * @param noise of each column, as a share of the peak
     */
    public static Trace beats(DoubleUnaryOperator exciter, DoubleUnaryOperator amplifier, double noise, long seed) {
        Random random = new Random(seed);
        double phase = random.nextDouble() * Math.PI;
        List<Double> low = new ArrayList<>();
        List<Double> high = new ArrayList<>();
        List<Double> drive = new ArrayList<>();
        for (int i = 0; i < COLUMNS; i++) {
            double tones = Math.abs(Math.cos(phase + 2.3 * Math.PI * i / COLUMNS));
            double sent = exciter.applyAsDouble(tones);
            double volts = PEAK_V * amplifier.applyAsDouble(sent) + noise * PEAK_V * random.nextGaussian();
            high.add(volts);
            low.add(-volts);
            drive.add(10 * sent);
        }
        return new Trace(2e-3, low, high, drive);
    }

    /** Returns a carrier that breathes by so much from its lowest to its highest, over 50 ms. */
    public static Trace carrier(double share, double hertz) {
        List<Double> low = new ArrayList<>();
        List<Double> high = new ArrayList<>();
        for (int i = 0; i < COLUMNS; i++) {
            double volts = PEAK_V * (1 + share / 2 * Math.sin(2 * Math.PI * hertz * 0.05 * i / COLUMNS));
            high.add(volts);
            low.add(-volts);
        }
        return new Trace(0.05, low, high, List.of());
    }
}
