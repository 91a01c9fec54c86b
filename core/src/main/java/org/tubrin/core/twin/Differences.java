package org.tubrin.core.twin;

import java.util.function.UnaryOperator;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.util.Pair;

/** A function of several variables with its derivatives by central differences, as least squares ask for them. */
public final class Differences {
    /** A difference is taken over this share of a variable's width to either side. */
    private static final double STEP = 1e-3;

    private Differences() {}

    /**
     * Returns the values of a function at a point and its Jacobian there.
     *
     * @param of the function; its number of values does not change
     * @param at the point
     * @param width how far each variable usually moves, above 0
     */
    public static Pair<RealVector, RealMatrix> of(UnaryOperator<double[]> of, double[] at, double[] width) {
        double[] value = of.apply(at);
        double[][] jacobian = new double[value.length][at.length];
        for (int k = 0; k < at.length; k++) {
            double step = STEP * width[k];
            double[] up = at.clone();
            double[] down = at.clone();
            up[k] += step;
            down[k] -= step;
            double[] above = of.apply(up);
            double[] below = of.apply(down);
            for (int r = 0; r < value.length; r++) {
                jacobian[r][k] = (above[r] - below[r]) / (2 * step);
            }
        }
        return new Pair<>(new ArrayRealVector(value, false), new Array2DRowRealMatrix(jacobian, false));
    }
}
