package org.tubrin.core.tank;

/** What a load that is not the line's resistance sends back. */
public final class Mismatch {
    /** Resistance of the line between amplifier and load, in ohms. */
    public static final double LINE_OHM = 50;

    private Mismatch() {}

    /** Returns reflected over forward power on a 50 Ω line, 0 to 1, for a load in ohms. */
    public static double reflectedShare(double ohm, double reactanceOhm) {
        double square = reactanceOhm * reactanceOhm;
        return ((ohm - LINE_OHM) * (ohm - LINE_OHM) + square) / ((ohm + LINE_OHM) * (ohm + LINE_OHM) + square);
    }

    /** Returns the standing-wave ratio on a 50 Ω line, 1 or more, for a load in ohms. */
    public static double swr(double ohm, double reactanceOhm) {
        double rho = Math.sqrt(reflectedShare(ohm, reactanceOhm));
        return (1 + rho) / (1 - rho);
    }
}
