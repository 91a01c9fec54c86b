package org.tubrin.core.twin;

import org.hipparchus.distribution.continuous.GammaDistribution;

/**
 * Averages over a mode's envelope.
 *
 * @param outputW mean power into the load
 * @param plateCurrentA mean, all tubes
 * @param gridCurrentA mean, all tubes
 * @param plateHeatPerTubeW mean plate dissipation of one tube
 */
public record ModeAverage(double outputW, double plateCurrentA, double gridCurrentA, double plateHeatPerTubeW) {
    private static final int SAMPLES = 32;

    /** Ways to modulate, with the envelope that each is reckoned by. */
    public enum Envelope {
        /** Speech with 10 dB from average to peak. */
        SPEECH,
        /** Processed speech with 6 dB. */
        PROCESSED,
        /** CW text, down 45 % of the time. */
        CW_TEXT,
        /** Data in one slot of two. */
        SLOTTED
    }

    /** Returns the averages of an envelope, at a setting whose drive is the peak envelope power. */
    public static Outcome<ModeAverage> of(TubeTwin twin, Setting setting, Envelope envelope) {
        return switch (envelope) {
            case SPEECH -> speech(twin, setting, 10, 0.5);
            case PROCESSED -> speech(twin, setting, 6, 1.2);
            case CW_TEXT -> keyed(twin, setting, 0.45);
            case SLOTTED -> keyed(twin, setting, 0.5);
        };
    }

    /**
     * Returns the averages of speech, at a setting whose drive is the peak envelope power.
     *
     * <p>Method: the drive's power relative to PEP is gamma-distributed and clipped at PEP; the curve of the stage is
     * summed over it. Source: the gamma distribution is customary for the short-time power of speech; its shapes here are
     * our choice.
     *
     * @param peakToAverageDb of the drive before clipping, 1 to 20 dB
     * @param shape of the distribution: 0.5 plain, 1.2 processed
     */
    private static Outcome<ModeAverage> speech(TubeTwin twin, Setting setting, double peakToAverageDb, double shape) {
        GammaDistribution power = new GammaDistribution(shape, Math.pow(10, -peakToAverageDb / 10) / shape);
        double[] drives = new double[SAMPLES + 1];
        double[] weights = new double[SAMPLES + 1];
        double below = 0;
        for (int k = 0; k < SAMPLES; k++) {
            double middle = (k + 0.5) / SAMPLES;
            double upper = (k + 1.0) / SAMPLES;
            double upTo = power.cumulativeProbability(upper * upper);
            drives[k] = setting.driveW() * middle * middle;
            weights[k] = upTo - below;
            below = upTo;
        }
        drives[SAMPLES] = setting.driveW();
        weights[SAMPLES] = 1 - below;
        return over(twin, setting, drives, weights);
    }

    /** Returns the averages of a carrier that is on for a share of the time, 0 to 1: CW text, slotted data. */
    private static Outcome<ModeAverage> keyed(TubeTwin twin, Setting setting, double share) {
        return over(twin, setting, new double[] {0, setting.driveW()}, new double[] {1 - share, share});
    }

    private static Outcome<ModeAverage> over(TubeTwin twin, Setting setting, double[] drives, double[] weights) {
        Probe probe = twin.probe(setting).orElse(null);
        if (probe == null) {
            return new Outcome.Unsettled<>(Outcome.Why.BAND_UNKNOWN, 0, 0);
        }
        Linearity.Sweep sweep = new Linearity.Sweep(probe, setting, drives, weights);
        return sweep.settle() ? new Outcome.Settled<>(sweep.average()) : probe.unsettled();
    }
}
