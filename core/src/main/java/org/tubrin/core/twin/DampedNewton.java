package org.tubrin.core.twin;

/**
 * Newton's method with limited and shortened steps, for up to four unknowns; allocates nothing once made.
 *
 * <p>Method: full step from the analytic Jacobian, scaled down where a limit asks for it, then shortened by 0.4 up to eight
 * times until the merit falls. Source: J. E. Dennis, R. B. Schnabel, "Numerical Methods for Unconstrained Optimization and
 * Nonlinear Equations" (1983), §6.3, with simple decrease instead of the Armijo condition.
 */
final class DampedNewton {
    /** Stops where the merit, a sum of squared volts, is below this, unless told otherwise. */
    static final double SETTLED_V2 = 1e-6;

    private static final int MOST_STEPS = 40;
    private static final int MOST_SHORTENINGS = 8;
    private static final double SHORTENING = 0.4;

    /** Equations in n unknowns. */
    interface Equations {
        /** Returns the merit at x, and keeps residuals and Jacobian (row by row) for {@link #residual} and {@link #jacobian}. */
        double evaluate(double[] x);

        double[] residual();

        double[] jacobian();

        /** Returns the share, 0 to 1, of a step that may be taken at once. */
        double allowed(double[] step);

        /** Puts a point that went out of bounds back. */
        void bound(double[] x, double[] from);
    }

    private final int n;
    private final double[] from;
    private final double[] step;
    private final double[] rows;
    private double settledV2 = SETTLED_V2;
    private int steps;
    private double merit;

    DampedNewton(int n) {
        this.n = n;
        from = new double[n];
        step = new double[n];
        rows = new double[n * (n + 1)];
    }

    /** Settles from now on where the merit is below so many squared volts. */
    void settleWithin(double mostV2) {
        settledV2 = mostV2;
    }

    /** Returns whether it settled; x is then the solution and the equations hold its evaluation. */
    boolean run(Equations equations, double[] x) {
        steps = 0;
        merit = equations.evaluate(x);
        while (!(merit < settledV2)) {
            if (steps == MOST_STEPS || !Double.isFinite(merit) || !solve(equations)) {
                return false;
            }
            steps++;
            System.arraycopy(x, 0, from, 0, n);
            double share = equations.allowed(step);
            double next = Double.POSITIVE_INFINITY;
            for (int i = 0; i <= MOST_SHORTENINGS && !(next < merit); i++, share *= SHORTENING) {
                for (int k = 0; k < n; k++) {
                    x[k] = from[k] + share * step[k];
                }
                equations.bound(x, from);
                next = equations.evaluate(x);
            }
            if (!(next < merit)) {
                return false;
            }
            merit = next;
        }
        return true;
    }

    /** Returns the steps of the last run. */
    int steps() {
        return steps;
    }

    /** Returns the merit where the last run ended, in V². */
    double merit() {
        return merit;
    }

    /** Gaussian elimination with row pivoting; returns whether the matrix was regular. */
    private boolean solve(Equations equations) {
        double[] jacobian = equations.jacobian();
        double[] residual = equations.residual();
        int width = n + 1;
        for (int r = 0; r < n; r++) {
            System.arraycopy(jacobian, r * n, rows, r * width, n);
            rows[r * width + n] = -residual[r];
        }
        for (int c = 0; c < n; c++) {
            int pivot = c;
            for (int r = c + 1; r < n; r++) {
                if (Math.abs(rows[r * width + c]) > Math.abs(rows[pivot * width + c])) {
                    pivot = r;
                }
            }
            double head = rows[pivot * width + c];
            if (!(Math.abs(head) > 1e-300)) {
                return false;
            }
            if (pivot != c) {
                for (int k = c; k < width; k++) {
                    double kept = rows[c * width + k];
                    rows[c * width + k] = rows[pivot * width + k];
                    rows[pivot * width + k] = kept;
                }
            }
            double inverse = 1 / head;
            for (int r = c + 1; r < n; r++) {
                double factor = rows[r * width + c] * inverse;
                for (int k = c + 1; k < width; k++) {
                    rows[r * width + k] -= factor * rows[c * width + k];
                }
            }
        }
        for (int r = n - 1; r >= 0; r--) {
            double sum = rows[r * width + n];
            for (int k = r + 1; k < n; k++) {
                sum -= rows[r * width + k] * step[k];
            }
            step[r] = sum / rows[r * width + r];
        }
        return true;
    }
}
