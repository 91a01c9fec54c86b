package org.tubrin.core.quantity;

/** Ratios of two powers in decibels, and back. */
public final class Decibels {
    private Decibels() {}

    /** Returns {@code 10·log10} of a ratio of two powers; the ratio must be positive. */
    public static double of(double ratio) {
        return 10 * Math.log10(ratio);
    }

    /** Returns the ratio of two powers that so many decibels are. */
    public static double ratio(double decibels) {
        return Math.pow(10, decibels / 10);
    }
}
