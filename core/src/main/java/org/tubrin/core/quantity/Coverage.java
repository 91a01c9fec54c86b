package org.tubrin.core.quantity;

import java.util.stream.IntStream;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.special.Erf;

/**
 * How many standard uncertainties to either side hold 95 % where one source of bounded errors stands out.
 *
 * <p>Method: the largest bounded share is taken as even within its bound, all others together as normal; the half width that holds
 * 95 % of their sum is solved for. It is 1.65 where the bounded share is all, 1.96 where it is nothing. Source: EA-4/02 M:2022,
 * "Evaluation of the Uncertainty of Measurement in Calibration", S9.14 (dominant rectangular contribution), made continuous.
 */
final class Coverage {
    private static final double NORMAL = Quantity.COVERAGE_95;
    private static final double SHARE = 0.95;
    private static final int PLACES = 64;
    private static final int TRIES = 100;
    private static final double[] FACTORS = IntStream.rangeClosed(0, PLACES)
            .mapToDouble(i -> factor((double) i / PLACES))
            .toArray();

    private Coverage() {}

    /** Returns it by the share that the largest bounded source has in the variance, 0 to 1. */
    static double of(double boundedShare) {
        double place = boundedShare * PLACES;
        int low = Math.min(PLACES - 1, (int) place);
        return FACTORS[low] + (place - low) * (FACTORS[low + 1] - FACTORS[low]);
    }

    private static double factor(double boundedShare) {
        if (boundedShare == 0) {
            return NORMAL;
        }
        double bound = Math.sqrt(3 * boundedShare);
        if (boundedShare == 1) {
            return SHARE * bound;
        }
        double rest = Math.sqrt(1 - boundedShare);
        return new BrentSolver(1e-9).solve(TRIES, width -> within(width, bound, rest) - SHARE, 1, 3);
    }

    /** Probability that an even error within a bound plus a normal one lies within a width. */
    private static double within(double width, double bound, double rest) {
        return (antiderivative((width + bound) / rest) - antiderivative((width - bound) / rest)) * rest / bound - 1;
    }

    /** Of the normal distribution's cumulative function. */
    private static double antiderivative(double z) {
        double cumulative = 0.5 * Erf.erfc(-z / Math.sqrt(2));
        return z * cumulative + Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI);
    }
}
