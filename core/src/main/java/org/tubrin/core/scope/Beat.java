package org.tubrin.core.scope;

/**
 * A curve of output over drive as two equal tones go through it: their drive is {@code |cos θ|}, each θ as often as any other.
 *
 * <p>Source: for a pure beat the share of time below an amplitude a is {@code (2/π)·asin a}; so the k-th of n sorted amplitudes belongs
 * to {@code cos θ}, {@code θ = (n − k − ½)·π/(2n)}, whatever the beat's frequency. Products are the odd harmonics over the beat.
 */
final class Beat {
    private Beat() {}

    /** A trace tells no products below this: its noise and its steps have as many. */
    static final double FLOOR_DB = -40;

    /** Returns the drive of the k-th of n amplitudes, the peak 1. */
    static double drive(int k, int n) {
        return Math.cos(angle(k, n));
    }

    private static double angle(int k, int n) {
        return (n - k - 0.5) * Math.PI / (2 * n);
    }

    /** Returns products of an odd order below one tone, in decibels, from {@link #FLOOR_DB} to 0; of outputs by rising drive. */
    static double productsDb(double[] rising, int order) {
        double share = Math.abs(harmonic(rising, order) / harmonic(rising, 1));
        return Math.max(FLOOR_DB, 20 * Math.log10(share));
    }

    private static double harmonic(double[] rising, int order) {
        double sum = 0;
        for (int k = 0; k < rising.length; k++) {
            sum += rising[k] * Math.cos(order * angle(k, rising.length));
        }
        return sum;
    }
}
