package org.tubrin.core.drive;

import java.util.Optional;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Amplifier;

/**
 * The drive for a wanted output.
 *
 * @param basis what it rests on
 * @param driveW at the input, as the input's meter will show it when the output's meter shows what is wanted; empty where it is
 *     not known
 * @param setW the same as the exciter's scale shows it, in watts
 */
public record DriveFor(Basis basis, Optional<Quantity> driveW, Optional<Double> setW) {

    /** What it rests on. */
    public enum Basis {
        /** The rows on either side. */
        MEASURED,
        /** The law of the stage beyond the rows. */
        LAW,
        /** It tripped there, or too near. */
        TRIPS,
        /** More than the amplifier is to be driven with. */
        OVER_LIMIT,
        /** The rows were measured without a filter: they count harmonics. */
        HARMONICS,
        /** The heat sink would not stand it for long. */
        TOO_HOT,
        /** The rows do not tell. */
        UNKNOWN
    }

    /** Nothing is known. */
    public static final DriveFor UNKNOWN = without(Basis.UNKNOWN);

    /** Where none is chosen, this share of the rating is wanted: it leaves room for what meters leave open. */
    private static final double USUAL_SHARE = 0.8;

    /** Half of it for a carrier that stands long. */
    private static final double USUAL_LONG_SHARE = 0.5;

    /** Returns the output that is wanted of an amplifier where none is chosen, in watts. */
    public static double usualOutputW(Amplifier amplifier, DriveKind kind) {
        double share = kind == DriveKind.LONG ? USUAL_LONG_SHARE : USUAL_SHARE;
        return share * kind.ratedOutputW(amplifier);
    }

    static DriveFor without(Basis basis) {
        return new DriveFor(basis, Optional.empty(), Optional.empty());
    }
}
