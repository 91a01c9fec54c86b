package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.List;

/**
 * How faithfully the output follows the drive over the envelope.
 *
 * <p>Method: quasi-static. The drive is swept with the plate voltage held at what the mean current of the envelope in
 * question leaves of it, since a supply's capacitors ride out the envelope; output amplitude and angle against the drive's
 * amplitude (AM/AM, AM/PM) then carry any envelope. Products of two equal tones are the odd harmonics of the output over a
 * beat, taken at the midpoints where a discrete cosine sum is exact for a smooth curve. Source: A. A. M. Saleh,
 * "Frequency-independent and frequency-dependent nonlinear models of TWT amplifiers", IEEE Trans. Commun. 29 (1981)
 * 1715–1720, for the quasi-static envelope.
 *
 * <p>Valid: memory other than the supply's is not in it, nor any voltage-dependent capacitance, so AM/PM comes out small.
 *
 * @param plateVoltageDcV held during the envelope
 * @param curve amplitudes, drive rising
 * @param thirdDb third-order products below one of two tones, in decibels; negative; 6 dB more below PEP
 * @param fifthDb fifth-order products below one of two tones
 * @param means averages over the two-tone beat
 */
public record Linearity(double plateVoltageDcV, List<Sample> curve, double thirdDb, double fifthDb, ModeAverage means) {
    private static final int SAMPLES = 24;
    private static final double CLEAN_DB = -30;
    private static final double FAIR_DB = -25;

    /** What products below one of two equal tones lie further below PEP, in decibels: its amplitude is twice a tone's. */
    public static final double TONE_BELOW_PEP_DB = 20 * Math.log10(2);

    public Linearity {
        curve = List.copyOf(curve);
    }

    /**
     * The output at one amplitude of drive.
     *
     * @param driveAmplitude relative to PEP, 0 to 1
     * @param outputPeakV peak voltage across the load
     * @param angleRad against the angle at the smallest amplitude
     */
    public record Sample(double driveAmplitude, double outputPeakV, double angleRad) {}

    /** How clean two tones come out. */
    public enum Grade {
        /** Third-order products below −30 dB: as a well loaded stage has them. */
        CLEAN,
        /** Below −25 dB. */
        FAIR,
        /** Above that: flat-topped. */
        ROUGH;

        /** Returns it for third-order products below one tone, in decibels. */
        public static Grade of(double thirdDb) {
            return thirdDb < CLEAN_DB ? CLEAN : thirdDb < FAIR_DB ? FAIR : ROUGH;
        }
    }

    /** Returns how clean it is, by the third-order products. */
    public Grade judgement() {
        return Grade.of(thirdDb);
    }

    /** Returns by how much the gain at the peak lies below the greatest along the envelope, in decibels, 0 or more. */
    public double compressionDb() {
        Sample last = curve.get(curve.size() - 1);
        double most = curve.stream()
                .mapToDouble(sample -> sample.outputPeakV() / sample.driveAmplitude())
                .max()
                .orElseThrow();
        return 20 * Math.log10(most * last.driveAmplitude() / last.outputPeakV());
    }

    /** Returns the linearity at a setting, whose drive is the peak envelope power. */
    public static Outcome<Linearity> of(TubeTwin twin, Setting setting) {
        return twin.probe(setting)
                .map(probe -> of(probe, setting))
                .orElseGet(() -> new Outcome.Unsettled<>(Outcome.Why.BAND_UNKNOWN, 0, 0));
    }

    private static Outcome<Linearity> of(Probe probe, Setting setting) {
        double[] drives = new double[SAMPLES];
        double[] weights = new double[SAMPLES];
        for (int k = 0; k < SAMPLES; k++) {
            double amplitude = Math.cos((SAMPLES - 1 - k + 0.5) * Math.PI / (2 * SAMPLES));
            drives[k] = setting.driveW() * amplitude * amplitude;
            weights[k] = 1.0 / SAMPLES;
        }
        EnvelopeSweep sweep = new EnvelopeSweep(probe, setting, drives, weights);
        if (!sweep.settle()) {
            return probe.unsettled();
        }
        double[] third = new double[2];
        double[] fifth = new double[2];
        double[] tone = new double[2];
        double outputPerVolt = Math.sqrt(2 * setting.loadOhm());
        List<Sample> curve = new ArrayList<>();
        for (int k = 0; k < SAMPLES; k++) {
            double beat = (SAMPLES - 1 - k + 0.5) * Math.PI / (2 * SAMPLES);
            double size = Math.sqrt(sweep.outputW[k]);
            double angle = sweep.angleRad[k] - sweep.angleRad[0];
            add(tone, size, angle, Math.cos(beat));
            add(third, size, angle, Math.cos(3 * beat));
            add(fifth, size, angle, Math.cos(5 * beat));
            curve.add(new Sample(Math.cos(beat), size * outputPerVolt, angle));
        }
        double reference = Math.hypot(tone[0], tone[1]);
        return new Outcome.Settled<>(new Linearity(
                sweep.heldV,
                curve,
                20 * Math.log10(Math.max(1e-9, Math.hypot(third[0], third[1]) / reference)),
                20 * Math.log10(Math.max(1e-9, Math.hypot(fifth[0], fifth[1]) / reference)),
                ModeAverage.of(sweep)));
    }

    private static void add(double[] sum, double size, double angleRad, double weight) {
        sum[0] += size * Math.cos(angleRad) * weight;
        sum[1] += size * Math.sin(angleRad) * weight;
    }
}
