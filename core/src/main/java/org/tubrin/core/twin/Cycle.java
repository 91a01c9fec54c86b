package org.tubrin.core.twin;

/** Equal points over one cycle of the drive. */
final class Cycle {
    private Cycle() {}

    static double[] cosines(int points) {
        double[] values = new double[points];
        for (int n = 0; n < points; n++) {
            values[n] = Math.cos(2 * Math.PI * n / points);
        }
        return values;
    }

    static double[] sines(int points) {
        double[] values = new double[points];
        for (int n = 0; n < points; n++) {
            values[n] = Math.sin(2 * Math.PI * n / points);
        }
        return values;
    }

    /** Returns the part of a cycle, in degrees, in which {@code mean + swing·cosθ} is above 0. */
    static double conductionDeg(double mean, double swing) {
        if (swing <= Math.abs(mean)) {
            return mean > 0 ? 360 : 0;
        }
        return Math.toDegrees(2 * Math.acos(-mean / swing));
    }
}
