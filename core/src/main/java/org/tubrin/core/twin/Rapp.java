package org.tubrin.core.twin;

/**
 * How a stage saturates: {@code y = x/√(1 + x²)}, {@code x} what the output would be and {@code y} what it is, both as shares of
 * the saturated output.
 *
 * <p>Source: C. Rapp, "Effects of HPA-nonlinearity on a 4-DPSK/OFDM-signal" (1991), with p = 2 on power.
 */
public final class Rapp {
    private Rapp() {}

    /** Returns the output of a stage, 0 to 1, for what it would be without an end to it. */
    public static double output(double straight) {
        return straight / Math.sqrt(1 + straight * straight);
    }

    /** Returns what the output would be without an end to it, for an output from 0 to below 1. */
    public static double straight(double output) {
        return output / Math.sqrt(1 - output * output);
    }

    /** Returns by how many decibels the gain has fallen. */
    public static double compressionDb(double straight) {
        return 5 * Math.log10(1 + straight * straight);
    }
}
