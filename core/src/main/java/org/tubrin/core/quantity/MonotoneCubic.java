package org.tubrin.core.quantity;

/**
 * A curve through points that neither rises where they fall nor overshoots.
 *
 * <p>Method: piecewise cubic Hermite interpolation; slopes are weighted harmonic means of the secants beside, none at a turn.
 * Source: F. N. Fritsch and R. E. Carlson, "Monotone Piecewise Cubic Interpolation", SIAM J. Numer. Anal. 17 (1980), 238–246;
 * the means by F. N. Fritsch and J. Butland, SIAM J. Sci. Stat. Comput. 5 (1984), 300–304.
 */
public final class MonotoneCubic {
    private final double[] x;
    private final double[] y;
    private final double[] slope;

    /** A curve through at least two points with rising x. */
    public MonotoneCubic(double[] x, double[] y) {
        this.x = x.clone();
        this.y = y.clone();
        slope = slopes(x, y);
    }

    /** Returns between which points it is at x: from the one returned to the next. */
    public int piece(double at) {
        int i = 0;
        while (i < x.length - 2 && at > x[i + 1]) {
            i++;
        }
        return i;
    }

    /** Returns the curve at x, from the first point to the last. */
    public double at(double at) {
        int i = piece(at);
        double h = x[i + 1] - x[i];
        double t = (at - x[i]) / h;
        return y[i] * (1 + 2 * t) * (1 - t) * (1 - t)
                + h * slope[i] * t * (1 - t) * (1 - t)
                + y[i + 1] * t * t * (3 - 2 * t)
                + h * slope[i + 1] * t * t * (t - 1);
    }

    private static double[] slopes(double[] x, double[] y) {
        int n = x.length;
        double[] slope = new double[n];
        double[] secant = new double[n - 1];
        for (int i = 0; i < n - 1; i++) {
            secant[i] = (y[i + 1] - y[i]) / (x[i + 1] - x[i]);
        }
        slope[0] = secant[0];
        slope[n - 1] = secant[n - 2];
        for (int i = 1; i < n - 1; i++) {
            double before = x[i] - x[i - 1];
            double after = x[i + 1] - x[i];
            boolean turns = secant[i - 1] * secant[i] <= 0;
            double weight = (before + 2 * after) / (3 * (before + after));
            slope[i] = turns ? 0 : secant[i - 1] * secant[i] / (weight * secant[i] + (1 - weight) * secant[i - 1]);
        }
        return slope;
    }
}
