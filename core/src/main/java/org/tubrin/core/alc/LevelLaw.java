package org.tubrin.core.alc;

import org.tubrin.core.quantity.Decibels;

/**
 * An exciter with a level control: {@code r = (s/sk)²}, {@code P = c·Pset·r/(1 + r⁸)^⅛}.
 *
 * <p>Source: our own model, {@code docs/physics.md}.
 *
 * @param kneeLevel level at which it begins to act, as a share of the slider's way
 * @param powerShare what it gives at most, as a share of the power that is set
 */
public record LevelLaw(double kneeLevel, double powerShare) {
    private static final double SHARPNESS = 8;
    private static final double BARS_AT_REST = 8;
    private static final double MOVES_FROM = 4;
    private static final double MOVES_TO_KNEE = 20;
    private static final double MOVES_POWER = 0.75;
    private static final double MOVES_PER_DB = 9;
    private static final double MOVES_AT_MOST = 60;

    private static final double DISPLAY_HZ = 10;
    private static final double WIDER_PER_DB = 1;

    /** What a gauge shows, in its marks. */
    public enum Shows {
        /** Eight bars at rest, one less for each decibel that is taken back. */
        BARS_THAT_FALL,
        /** Decibels that are taken back, from 0. */
        DECIBELS_THAT_RISE,
        /** A figure up to 60 that moves with the level throughout. */
        ALL_THE_WAY
    }

    private double over(double level) {
        return level * level / (kneeLevel * kneeLevel);
    }

    /** Returns the output in watts at a set power and a level. */
    public double outputW(double setW, double level) {
        double r = over(level);
        return powerShare * setW * r / Math.pow(1 + Math.pow(r, SHARPNESS), 1 / SHARPNESS);
    }

    /** Returns by how many decibels the level control takes the gain back. */
    public double takenDb(double level) {
        return 10 / SHARPNESS * Math.log10(1 + Math.pow(over(level), SHARPNESS));
    }

    /** Returns how wide a signal is on a display that shows tens of hertz: it spreads with each decibel that is taken back. */
    public double widthHz(double level, double narrowHz) {
        return DISPLAY_HZ * Math.rint(narrowHz * (1 + WIDER_PER_DB * takenDb(level)) / DISPLAY_HZ);
    }

    /** Returns what a gauge shows that lags by so many marks; it shows whole marks, or tenths of a decibel. */
    public double gauge(Shows shows, double level, double lagMarks) {
        double beyondDb = level <= kneeLevel ? 0 : takenDb(level);
        return switch (shows) {
            case BARS_THAT_FALL -> Math.max(0, Math.rint(BARS_AT_REST - beyondDb - lagMarks));
            case DECIBELS_THAT_RISE -> Math.rint(10 * (beyondDb + lagMarks)) / 10;
            case ALL_THE_WAY -> Math.min(MOVES_AT_MOST, Math.rint(allTheWay(over(level)) + lagMarks));
        };
    }

    private static double allTheWay(double over) {
        return over <= 1
                ? MOVES_FROM + MOVES_TO_KNEE * Math.pow(over, MOVES_POWER)
                : MOVES_FROM + MOVES_TO_KNEE + MOVES_PER_DB * Decibels.of(over);
    }

    /** Returns what a gauge shows while nothing is sent. */
    public static double restMarks(Shows shows) {
        return switch (shows) {
            case BARS_THAT_FALL -> BARS_AT_REST;
            case DECIBELS_THAT_RISE -> 0;
            case ALL_THE_WAY -> MOVES_FROM;
        };
    }
}
