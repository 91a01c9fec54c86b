package org.tubrin.core.supply;

import java.util.List;
import java.util.Optional;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * The law of a set's current over its output, {@code I = I0 + a·(P/P1)^b} with P1 the greatest output measured. What it draws
 * listening is a part of {@code I0}: keyed it does not draw less.
 *
 * <p>Method: weighted least squares in the three constants by Levenberg–Marquardt; {@code b} is held near 0.5, which is class
 * B at constant voltage, by 0.15, so that two or three points are enough. Points count by their uncertainty, at least 0.5 % of
 * the greatest current. Source: J. Nocedal and S. Wright, "Numerical Optimization" (2006), §10.3.
 *
 * @param idleA {@code I0}
 * @param riseA {@code a}: what the greatest output draws beyond that
 * @param exponent {@code b}
 * @param greatestW {@code P1}
 * @param covariance of the three, rows of three
 */
public record ProfileFit(double idleA, double riseA, double exponent, double greatestW, List<List<Double>> covariance) {
    private static final double CLASS_B = 0.5;
    private static final double CLASS_B_WIDTH = 0.15;
    private static final double LEAST_SHARE = 0.005;
    private static final double LEAST_EXPONENT = 0.1;
    private static final double MOST_EXPONENT = 2;
    private static final int MOST_EVALUATIONS = 300;

    public ProfileFit {
        covariance = covariance.stream().map(List::copyOf).toList();
    }

    /** Returns the law through some points in rising order of output; empty where none lies above zero or it does not settle. */
    static Optional<ProfileFit> of(List<CurrentPoint> points, double listeningA) {
        double greatestW = points.get(points.size() - 1).outputW();
        double greatestA =
                points.stream().mapToDouble(CurrentPoint::currentA).max().orElse(0);
        if (!(greatestW > 0) || !(greatestA > 0)) {
            return Optional.empty();
        }
        double[] sigma = points.stream()
                .mapToDouble(point -> Math.max(point.currentUncertaintyA(), LEAST_SHARE * greatestA))
                .toArray();
        double first = points.get(0).currentA();
        try {
            LeastSquaresOptimizer.Optimum found = new LevenbergMarquardtOptimizer()
                    .optimize(new LeastSquaresBuilder()
                            .model(at -> model(points, sigma, greatestW, at))
                            .parameterValidator(at -> bounded(at, listeningA))
                            .target(target(points, sigma))
                            .start(new double[] {
                                Math.max(listeningA, 0.5 * first), Math.max(0.1 * greatestA, greatestA - first), CLASS_B
                            })
                            .maxEvaluations(MOST_EVALUATIONS)
                            .maxIterations(MOST_EVALUATIONS)
                            .build());
            RealMatrix covariance = found.getCovariances(1e-14);
            return Optional.of(new ProfileFit(
                    found.getPoint().getEntry(0),
                    found.getPoint().getEntry(1),
                    found.getPoint().getEntry(2),
                    greatestW,
                    List.of(row(covariance, 0), row(covariance, 1), row(covariance, 2))));
        } catch (MathRuntimeException unsettled) {
            return Optional.empty();
        }
    }

    private static List<Double> row(RealMatrix matrix, int row) {
        return List.of(matrix.getEntry(row, 0), matrix.getEntry(row, 1), matrix.getEntry(row, 2));
    }

    private static RealVector bounded(RealVector at, double listeningA) {
        return new ArrayRealVector(
                new double[] {
                    Math.max(listeningA, at.getEntry(0)),
                    Math.max(0, at.getEntry(1)),
                    Math.max(LEAST_EXPONENT, Math.min(MOST_EXPONENT, at.getEntry(2)))
                },
                false);
    }

    private static double[] target(List<CurrentPoint> points, double[] sigma) {
        double[] target = new double[points.size() + 1];
        for (int i = 0; i < points.size(); i++) {
            target[i] = points.get(i).currentA() / sigma[i];
        }
        target[points.size()] = CLASS_B / CLASS_B_WIDTH;
        return target;
    }

    private static Pair<RealVector, RealMatrix> model(
            List<CurrentPoint> points, double[] sigma, double greatestW, RealVector at) {
        double[] values = new double[points.size() + 1];
        double[][] slopes = new double[points.size() + 1][3];
        for (int i = 0; i < points.size(); i++) {
            double share = points.get(i).outputW() / greatestW;
            double power = share > 0 ? Math.pow(share, at.getEntry(2)) : 0;
            values[i] = (at.getEntry(0) + at.getEntry(1) * power) / sigma[i];
            slopes[i][0] = 1 / sigma[i];
            slopes[i][1] = power / sigma[i];
            slopes[i][2] = share > 0 ? at.getEntry(1) * power * Math.log(share) / sigma[i] : 0;
        }
        values[points.size()] = at.getEntry(2) / CLASS_B_WIDTH;
        slopes[points.size()][2] = 1 / CLASS_B_WIDTH;
        return new Pair<>(new ArrayRealVector(values, false), new Array2DRowRealMatrix(slopes, false));
    }

    /** Returns the standard uncertainty of the exponent. */
    public double exponentUncertainty() {
        return Math.sqrt(Math.max(0, covariance.get(2).get(2)));
    }

    /** Returns the current at an output in watts, with what the fit leaves open. */
    Quantity currentA(double outputW, String set) {
        double share = outputW / greatestW;
        double power = share > 0 ? Math.pow(share, exponent) : 0;
        double[] slope = {1, power, share > 0 ? riseA * power * Math.log(share) : 0};
        double square = 0;
        for (int i = 0; i < 3; i++) {
            for (int k = 0; k < 3; k++) {
                square += slope[i] * slope[k] * covariance.get(i).get(k);
            }
        }
        return Quantity.of(
                idleA + riseA * power,
                Unit.AMPERE,
                Standing.PREDICTED,
                new ErrorSource(set, "profile", "fit"),
                Math.sqrt(Math.max(0, square)));
    }
}
