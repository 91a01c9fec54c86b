package org.tubrin.core.tank;

/**
 * What the capacitor on the antenna's side must stand.
 *
 * <p>Source: the worst peak voltage along a line of {@code Z0} with a standing wave, {@code Vpk = √(2·P·Z0·SWR)}.
 */
public final class GapStress {
    private GapStress() {}

    /** Returns the worst peak voltage for an output in watts and a standing-wave ratio, in volts. */
    public static double peakV(double outputW, double swr) {
        return Math.sqrt(2 * outputW * Mismatch.LINE_OHM * swr);
    }

    /** Returns the standing-wave ratio that a gap of so many volts stands at an output in watts; below 1: not even a match. */
    public static double swrStood(double outputW, double gapPeakV) {
        return gapPeakV * gapPeakV / (2 * outputW * Mismatch.LINE_OHM);
    }

    /** Returns the output that a gap of so many volts stands at a standing-wave ratio, in watts. */
    public static double outputStoodW(double swr, double gapPeakV) {
        return gapPeakV * gapPeakV / (2 * Mismatch.LINE_OHM * swr);
    }
}
