package org.tubrin.core.station;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.distribution.continuous.GammaDistribution;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/** What a transmission's power does while it lasts: each level of it, of peak envelope power, with its share of the time. */
public sealed interface Envelope {

    /**
     * A level of power.
     *
     * @param powerShare of peak envelope power, 0 to 1
     * @param timeShare of the transmission, 0 to 1
     */
    record Level(double powerShare, double timeShare) {}

    /** Returns its levels in rising order; their shares of the time add up to 1. */
    List<Level> levels();

    /** Returns the mean power over a transmission, as a share of peak envelope power, 0 to 1. */
    default double meanPowerShare() {
        return levels().stream()
                .mapToDouble(level -> level.powerShare() * level.timeShare())
                .sum();
    }

    /** A carrier that stands: FM, RTTY, key-down. */
    record Constant() implements Envelope {
        @Override
        public List<Level> levels() {
            return List.of(new Level(1, 1));
        }
    }

    /**
     * A carrier that is on and off: CW text, slotted data.
     *
     * @param onShare of the time, 0.01 to 1
     * @param slotS how long one stretch of on or off lasts, 0.01 to 3600 s: a dot of CW, a slot of data
     */
    record Keyed(double onShare, double slotS) implements Envelope {
        /** The least share of the time that is reckoned with. */
        public static final double LEAST_SHARE = 0.01;

        public Keyed {
            new Checks()
                    .range("onShare", onShare, LEAST_SHARE, 1, Unit.ONE)
                    .range("slotS", slotS, 0.01, 3600, Unit.SECOND)
                    .done();
        }

        @Override
        public List<Level> levels() {
            return List.of(new Level(0, 1 - onShare), new Level(1, onShare));
        }
    }

    /**
     * Speech in single sideband.
     *
     * <p>Method: the power relative to peak envelope power is gamma-distributed and clipped there. Source: the gamma
     * distribution is customary for the short-time power of speech; its shapes here are our choice.
     *
     * @param peakToAverageDb before clipping, 1 to 20 dB: about 10 plain, 6 processed
     * @param shape of the distribution, 0.2 to 10: about 0.5 plain, 1.2 processed
     */
    record Speech(double peakToAverageDb, double shape) implements Envelope {
        private static final int SAMPLES = 32;

        public Speech {
            new Checks()
                    .range("peakToAverageDb", peakToAverageDb, 1, 20, Unit.DECIBEL)
                    .range("shape", shape, 0.2, 10, Unit.ONE)
                    .done();
        }

        @Override
        public List<Level> levels() {
            GammaDistribution power = new GammaDistribution(shape, Math.pow(10, -peakToAverageDb / 10) / shape);
            List<Level> levels = new ArrayList<>();
            double below = 0;
            for (int k = 0; k < SAMPLES; k++) {
                double middle = (k + 0.5) / SAMPLES;
                double upper = (k + 1.0) / SAMPLES;
                double upTo = power.cumulativeProbability(upper * upper);
                levels.add(new Level(middle * middle, upTo - below));
                below = upTo;
            }
            levels.add(new Level(1, 1 - below));
            return List.copyOf(levels);
        }
    }

    /**
     * A carrier with its amplitude modulated by a tone.
     *
     * @param depth of modulation, 0 to 1; peak envelope power is {@code (1 + depth)²} times the carrier's
     */
    record Amplitude(double depth) implements Envelope {
        private static final int SAMPLES = 32;

        public Amplitude {
            new Checks().range("depth", depth, 0, 1, Unit.ONE).done();
        }

        @Override
        public List<Level> levels() {
            List<Level> levels = new ArrayList<>();
            for (int k = 0; k < SAMPLES; k++) {
                // Equal steps of the tone's phase from its trough to its crest.
                double amplitude = (1 - depth * Math.cos(Math.PI * (k + 0.5) / SAMPLES)) / (1 + depth);
                levels.add(new Level(amplitude * amplitude, 1.0 / SAMPLES));
            }
            return List.copyOf(levels);
        }
    }

    /** Returns speech without processing. */
    static Envelope speech() {
        return new Speech(10, 0.5);
    }

    /** Returns processed speech. */
    static Envelope processed() {
        return new Speech(6, 1.2);
    }

    /** Returns CW text: dots of 60 ms, down 45 % of the time. */
    static Envelope cwText() {
        return new Keyed(0.45, 0.06);
    }

    /** Returns data in one slot of two, each of 15 s. */
    static Envelope slotted() {
        return new Keyed(0.5, 15);
    }
}
