package org.tubrin.core.chain;

import org.tubrin.core.quantity.Decibels;

/** Power in a line of 50 Ω. */
public final class Power {
    /** The line's resistance, in ohms. */
    public static final double LINE_OHM = 50;

    /** No power in a chain is less, in watts. */
    public static final double LEAST_W = 1e-6;

    /** No power in a chain is more, in watts. */
    public static final double MOST_W = 1e4;

    /** No level is less sure than by this half of a 95 % interval, in decibels. */
    public static final double MOST_OPEN_DB = 6;

    private static final double MILLIWATT = 1e-3;

    private Power() {}

    /** Returns a power in watts as a level in dBm: {@code 10·log10(P/1 mW)}. */
    public static double dbm(double watt) {
        return Decibels.of(watt / MILLIWATT);
    }

    /** Returns a level in dBm as a power in watts. */
    public static double watt(double dbm) {
        return MILLIWATT * Decibels.ratio(dbm);
    }

    /** Returns the volts from peak to peak of a carrier of a power in watts: {@code 2·√(2·P·50 Ω)}. */
    public static double peakToPeakV(double watt) {
        return 2 * Math.sqrt(2 * watt * LINE_OHM);
    }
}
