package org.tubrin.core.twin;

import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.exception.MathRuntimeException;

/** Where a figure of the twin crosses a value. */
public final class Root {
    private static final int MOST_EVALUATIONS = 200;

    private Root() {}

    /**
     * Returns where a function is nothing between two places; the place nearer to it where it is not of two signs there.
     *
     * <p>Method: Brent's. Source: R. P. Brent, "Algorithms for Minimization without Derivatives" (1973), ch. 4.
     *
     * @param accuracy how near, in the unit of the places
     */
    public static double between(UnivariateFunction function, double low, double high, double accuracy) {
        try {
            return new BrentSolver(accuracy).solve(MOST_EVALUATIONS, function, low, high);
        } catch (MathRuntimeException notOfTwoSigns) {
            return Math.abs(function.value(low)) <= Math.abs(function.value(high)) ? low : high;
        }
    }
}
