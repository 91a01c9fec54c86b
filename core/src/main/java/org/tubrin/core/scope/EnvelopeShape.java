package org.tubrin.core.scope;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.twin.Linearity;

/**
 * What the envelope of two equal tones says of all that they went through.
 *
 * @param peakToPeakV at the peak of the envelope, in volts
 * @param thirdDb third-order products below one tone, in decibels, by the amplitude alone; −40 for that or less
 * @param fifthDb fifth-order ones
 * @param compressionDb gain at the peak below the greatest
 * @param found what is wrong with it, the gravest first; empty where it is clean
 */
public record EnvelopeShape(
        double peakToPeakV, double thirdDb, double fifthDb, double compressionDb, List<Waveform> found) {
    /** What a trace tells no products below, in decibels. */
    public static final double FLOOR_DB = Beat.FLOOR_DB;

    /** Gain lost at the peak that the eye sees as a flat top, where products are high as well. */
    private static final double FLAT_DB = 1;

    /** Gain lost at the crossing beyond what a stage in class AB expands by. */
    private static final double CROSSOVER_DB = 2.5;

    private static final double HAIR_SHARE = 0.02;
    private static final double LOPSIDED_SHARE = 0.05;
    /** The envelope has gone down once it is below the one share of its peak, and up once it is above the other. */
    private static final double DOWN_SHARE = 0.4;

    private static final double UP_SHARE = 0.6;

    public EnvelopeShape {
        found = List.copyOf(found);
    }

    /** Returns what it says; empty where the trace shows no whole beat. */
    public static Optional<EnvelopeShape> of(Trace trace) {
        double[] whole = wholeBeats(trace.envelopeV());
        if (whole.length == 0) {
            return Optional.empty();
        }
        Arrays.sort(whole);
        double[] drive = new double[whole.length];
        for (int k = 0; k < drive.length; k++) {
            drive[k] = Beat.drive(k, drive.length);
        }
        GainAlong gain = GainAlong.of(drive, whole);
        double thirdDb = Beat.productsDb(whole, 3);
        List<Waveform> found = new ArrayList<>();
        if (gain.compressionDb() >= FLAT_DB && Linearity.Grade.of(thirdDb) == Linearity.Grade.ROUGH) {
            found.add(Waveform.FLAT_TOP);
        }
        if (gain.tipDb() >= CROSSOVER_DB) {
            found.add(Waveform.CROSSOVER);
        }
        if (Math.abs(trace.lopsidedShare()) > LOPSIDED_SHARE) {
            found.add(Waveform.ASYMMETRIC);
        }
        if (trace.hairShare() > HAIR_SHARE) {
            found.add(Waveform.HAIR);
        }
        return Optional.of(new EnvelopeShape(
                trace.peakToPeakV(), thirdDb, Beat.productsDb(whole, 5), gain.compressionDb(), found));
    }

    /** Returns the part between the first and the last time that the envelope goes down; empty where it does so less than twice. */
    private static double[] wholeBeats(double[] envelope) {
        double peak = Trace.peak(envelope);
        int first = -1;
        int last = -1;
        boolean up = false;
        for (int i = 0; i < envelope.length; i++) {
            if (envelope[i] > UP_SHARE * peak) {
                up = true;
            } else if (up && envelope[i] < DOWN_SHARE * peak) {
                up = false;
                last = i;
                first = first < 0 ? i : first;
            }
        }
        return last > first ? Arrays.copyOfRange(envelope, first, last) : new double[0];
    }
}
