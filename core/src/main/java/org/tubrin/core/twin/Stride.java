package org.tubrin.core.twin;

/** Guesses the next of a row of solutions on the parabola through the last three, on the line through two where there are no more. */
final class Stride {
    private final double[] last;
    private final double[] before;
    private int seen = -1;

    Stride(int n) {
        last = new double[n];
        before = new double[n];
    }

    /** A row of equal strides begins at the solution now at hand. */
    void begin() {
        seen = 0;
    }

    void end() {
        seen = -1;
    }

    /** Moves x, the last solution, to the guess of the next. */
    void guess(double[] x) {
        if (seen < 0) {
            return;
        }
        // The first stride of a row comes from another row, so the line begins with the second.
        seen++;
        for (int k = 0; k < x.length; k++) {
            double here = x[k];
            if (seen > 3) {
                x[k] = 3 * (here - last[k]) + before[k];
            } else if (seen > 2) {
                x[k] += here - last[k];
            }
            before[k] = last[k];
            last[k] = here;
        }
    }
}
