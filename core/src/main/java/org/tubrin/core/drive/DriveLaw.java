package org.tubrin.core.drive;

import java.util.List;
import java.util.Optional;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;
import org.tubrin.core.twin.Rapp;

/**
 * How the output goes on beyond the last row: {@code P = Ps·x/√(1 + x²)}, {@code x} in proportion to the drive, through that row.
 *
 * <p>Method: one constant, the saturated output {@code Ps}, by least squares of logarithms over the last rows, with what is usual
 * for a rating as if it were one reading more, so that even one row has a law. Its uncertainty comes from the curvature at the
 * minimum, and grows with each doubling beyond the rows. Source of the law: {@link Rapp}.
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
        UnivariateFunction cost = log -> {
            double sum = square((log - usual) / USUAL_SPREAD);
            for (DriveRow row : before) {
                double there = output(driveW, outputW, log, row.driveW().value());
                sum += square(Math.log(there / row.outputW().value()) / ROW_SPREAD);
            }
            return sum;
        };
        double least = Math.log(NEAREST * outputW);
        double best = new BrentOptimizer(1e-8, 1e-8)
                .optimize(
                        new MaxEval(MOST_EVALUATIONS),
                        GoalType.MINIMIZE,
                        new UnivariateObjectiveFunction(cost),
                        new SearchInterval(least, least + Math.log(MOST_TIMES)))
                .getPoint();
        double bend = (cost.value(best + STEP) - 2 * cost.value(best) + cost.value(best - STEP)) / (STEP * STEP);
        double unsure = bend > 0 ? Math.sqrt(2 / bend) : USUAL_SPREAD;
        return new DriveLaw(driveW, outputW, best, Math.min(USUAL_SPREAD, unsure));
    }

    private static double square(double value) {
        return value * value;
    }

    private static double output(double throughDriveW, double throughOutputW, double logSaturatedW, double atW) {
        double saturatedW = Math.exp(logSaturatedW);
        double x = Rapp.straight(Math.min(1 / NEAREST, throughOutputW / saturatedW)) * atW / throughDriveW;
        return saturatedW * Rapp.output(x);
    }

    /** Returns the output at a drive, in watts. */
    double outputW(double atW) {
        return output(driveW, outputW, logSaturatedW, atW);
    }

    /** Returns the logarithm of {@code x} at an output in watts: that of the drive but for the gain; never beyond where it saturates. */
    double logX(double atW) {
        return Math.log(Rapp.straight(Math.min(1 / NEAREST, atW / Math.exp(logSaturatedW))));
    }

    /**
     * A drive by the law.
     *
     * @param driveW in watts
     * @param uncertaintyW its standard uncertainty, in watts
     */
    record ByLaw(double driveW, double uncertaintyW) {}

    /** Returns the drive for an output in watts; empty where it saturates before. */
    Optional<ByLaw> driveFor(double wantedW) {
        return driveForW(wantedW, logSaturatedW)
                .flatMap(valueW -> driveForW(wantedW, logSaturatedW + logUncertainty)
                        .map(lowW -> {
                            double bySaturation = driveForW(wantedW, logSaturatedW - logUncertainty)
                                    .map(highW -> (highW - lowW) / 2)
                                    .orElse(valueW - lowW);
                            double doublings = Math.abs(Math.log(valueW / driveW) / Math.log(2));
                            return new ByLaw(valueW, Math.hypot(bySaturation, PER_DOUBLING * doublings * valueW));
                        }));
    }

    private Optional<Double> driveForW(double wantedW, double log) {
        double share = wantedW / Math.exp(log);
        double through = outputW / Math.exp(log);
        return share * NEAREST >= 1 || through >= 1
                ? Optional.empty()
                : Optional.of(driveW * Rapp.straight(share) / Rapp.straight(through));
    }
}
