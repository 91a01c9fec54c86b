package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Decibels;
import org.tubrin.core.quantity.Unit;

/**
 * Two-tone products as an analyser shows them, in decibels relative to one of two equal tones.
 *
 * @param thirdDb third order, −120 to −3 dB
 * @param fifthDb fifth order, −120 to −3 dB; absent where not read
 */
public record Products(double thirdDb, Optional<Double> fifthDb) {
    /** How far below a tone products are believed to lie, in decibels: from this. */
    public static final double LEAST_BELOW_DB = 3;

    /** To this. */
    public static final double MOST_BELOW_DB = 120;

    private static final int SAMPLES = 40;

    public Products {
        Checks checks = new Checks().range("thirdDb", thirdDb, -MOST_BELOW_DB, -LEAST_BELOW_DB, Unit.DECIBEL);
        fifthDb.ifPresent(fifth -> checks.range("fifthDb", fifth, -MOST_BELOW_DB, -LEAST_BELOW_DB, Unit.DECIBEL));
        checks.done();
    }

    /** Returns products that were read relative to PEP, which lies 6 dB above a tone. */
    public static Products belowPep(double thirdDb, Optional<Double> fifthDb) {
        return new Products(
                thirdDb + Linearity.TONE_BELOW_PEP_DB, fifthDb.map(fifth -> fifth + Linearity.TONE_BELOW_PEP_DB));
    }

    /**
     * What an amplifier adds of its own, in decibels relative to one tone.
     *
     * @param leastDb where its voltage and the exciter's add: the whole less the exciter's
     * @param likelyDb where their powers add; absent where the exciter alone is no better than both together
     * @param mostDb where its voltage had first to undo the exciter's
     */
    public record OwnPart(Optional<Double> leastDb, Optional<Double> likelyDb, double mostDb) {
        /**
         * Returns it from one product read with the amplifier and of the exciter alone. Source: products of one frequency add
         * as phasors of unknown angle; their powers add on average.
         */
        public static OwnPart of(double withAmplifierDb, double exciterDb) {
            double whole = Math.pow(10, withAmplifierDb / 20);
            double exciter = Math.pow(10, exciterDb / 20);
            double power = whole * whole - exciter * exciter;
            return new OwnPart(
                    whole > exciter ? Optional.of(20 * Math.log10(whole - exciter)) : Optional.empty(),
                    power > 0 ? Optional.of(Decibels.of(power)) : Optional.empty(),
                    20 * Math.log10(whole + exciter));
        }
    }

    /** Returns how clean that is, by the third order. */
    public Linearity.Grade judgement() {
        return Linearity.Grade.of(thirdDb);
    }

    /**
     * Returns the curve of output against drive that has these products by flattening its peaks.
     *
     * <p>Method: with two equal tones the drive's amplitude is {@code cos φ} over a beat, and the products are the
     * coefficients of {@code cos 3φ} and {@code cos 5φ} at the output, which makes the curve a sum of Chebyshev polynomials.
     * The third is taken to lower the peak, the fifth to raise it: an analyser shows no signs. Source: T. J. Rivlin, "The
     * Chebyshev Polynomials" (1974), §1.2.
     */
    public List<Linearity.Sample> curve() {
        double third = -Math.pow(10, thirdDb / 20);
        double fifth = fifthDb.map(db -> Math.pow(10, db / 20)).orElse(0.0);
        List<Linearity.Sample> curve = new ArrayList<>();
        for (int k = 1; k <= SAMPLES; k++) {
            double x = (double) k / SAMPLES;
            double phi = Math.acos(x);
            double output = x + third * Math.cos(3 * phi) + fifth * Math.cos(5 * phi);
            curve.add(new Linearity.Sample(x, Math.max(0, output), 0));
        }
        return curve;
    }
}
