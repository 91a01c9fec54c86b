package org.tubrin.core.drive;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;

/**
 * How the output goes on beyond the last row: {@code P = Ps·x/√(1 + x²)}, {@code x} in proportion to the drive, through that row.
 *
 * <p>Method: one constant, the saturated output {@code Ps}, by least squares of logarithms over the last rows, with what is usual
 * for a rating as if it were one reading more, so that even one row has a law. Its uncertainty comes from the curvature at the
 * minimum, and grows with each doubling beyond the rows. Source of the law: C. Rapp, "Effects of HPA-nonlinearity on a
 * 4-DPSK/OFDM-signal" (1991).
 *
 * @param driveW of the last row
 * @param outputW of the last row
 * @param logSaturatedW natural logarithm of {@code Ps} in watts
 * @param logUncertainty its standard uncertainty
 */
record DriveLaw(double driveW, double outputW, double logSaturatedW, double logUncertainty) {
    /** Makers rate a stage below where it saturates by about this, give or take so much in the logarithm. */
    private static final double USUAL_RESERVE = 1.35;

    private static final double USUAL_SPREAD = 0.3;
    /** How well a row lies on the law, in the logarithm. */
    private static final double ROW_SPREAD = 0.03;

    private static final double PER_DOUBLING = 0.05;
    private static final int ROWS = 3;
    private static final double NEAREST = 1.02;
    private static final double MOST_TIMES = 20;
    private static final int MOST_EVALUATIONS = 200;
    private static final double STEP = 0.02;

    /** Returns the law through the last of some rows in rising order of drive. */
    static DriveLaw of(List<DriveRow> rows, double ratedW) {
        DriveRow last = rows.get(rows.size() - 1);
        double driveW = last.driveW().value();
        double outputW = last.outputW().value();
        List<DriveRow> before = rows.subList(Math.max(0, rows.size() - ROWS), rows.size() - 1);
        double usual = Math.log(USUAL_RESERVE * Math.max(ratedW, outputW));
        DoubleUnaryOperator cost = log -> {
            double sum = square((log - usual) / USUAL_SPREAD);
            for (DriveRow row : before) {
                double there = output(driveW, outputW, log, row.driveW().value());
                sum += square(Math.log(there / row.outputW().value()) / ROW_SPREAD);
            }
            return sum;
        };
        UnivariateFunction function = cost::applyAsDouble;
        double least = Math.log(NEAREST * outputW);
        double best = new BrentOptimizer(1e-8, 1e-8)
                .optimize(
                        new MaxEval(MOST_EVALUATIONS),
                        GoalType.MINIMIZE,
                        new UnivariateObjectiveFunction(function),
                        new SearchInterval(least, least + Math.log(MOST_TIMES)))
                .getPoint();
        double bend = (cost.applyAsDouble(best + STEP) - 2 * cost.applyAsDouble(best) + cost.applyAsDouble(best - STEP))
                / (STEP * STEP);
        double unsure = bend > 0 ? Math.sqrt(2 / bend) : USUAL_SPREAD;
        return new DriveLaw(driveW, outputW, best, Math.min(USUAL_SPREAD, unsure));
    }

    private static double square(double value) {
        return value * value;
    }

    /** Returns {@code x} where the output is a share of the saturated one. */
    private static double x(double share) {
        return share / Math.sqrt(1 - share * share);
    }

    private static double output(double throughDriveW, double throughOutputW, double logSaturatedW, double atW) {
        double saturatedW = Math.exp(logSaturatedW);
        double x = x(Math.min(1 / NEAREST, throughOutputW / saturatedW)) * atW / throughDriveW;
        return saturatedW * x / Math.sqrt(1 + x * x);
    }

    /** Returns the output at a drive, in watts. */
    double outputW(double atW) {
        return output(driveW, outputW, logSaturatedW, atW);
    }

    /** Returns the logarithm of {@code x} at an output in watts: that of the drive but for the gain; never beyond where it saturates. */
    double logX(double atW) {
        return Math.log(x(Math.min(1 / NEAREST, atW / Math.exp(logSaturatedW))));
    }

    /** Returns the drive for an output with its standard uncertainty, in watts; not a number where it saturates before. */
    double[] driveForW(double wantedW) {
        double value = driveFor(wantedW, logSaturatedW);
        double low = driveFor(wantedW, logSaturatedW + logUncertainty);
        double high = driveFor(wantedW, logSaturatedW - logUncertainty);
        double bySaturation = Double.isNaN(high) ? value - low : (high - low) / 2;
        double doublings = Math.abs(Math.log(value / driveW) / Math.log(2));
        return new double[] {value, Math.hypot(bySaturation, PER_DOUBLING * doublings * value)};
    }

    private double driveFor(double wantedW, double log) {
        double saturatedW = Math.exp(log);
        double share = wantedW / saturatedW;
        double through = outputW / saturatedW;
        return share * NEAREST >= 1 || through >= 1 ? Double.NaN : driveW * x(share) / x(through);
    }
}
