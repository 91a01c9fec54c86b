package org.tubrin.core.twin;

import java.util.List;
import java.util.Optional;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.TwinConstants;

/**
 * How the output of a stage goes on beyond the last row: {@code P = Ps·x/√(1 + x²)}, {@code x} in proportion to the drive,
 * through that row.
 *
 * <p>Method: one constant, the saturated output {@code Ps}, by least squares of logarithms over the last rows, with what the
 * record says of it, or is usual for a rating, as if it were one reading more, so that even one row has a law. A stage in class AB expands before it saturates, so
 * that a row below the law counts for less than one above. The uncertainty comes from the curvature at the minimum, and grows with
 * each doubling beyond the rows. Source of the law: {@link Rapp}.
 *
 * @param last the last row
 * @param logSaturatedW natural logarithm of {@code Ps} in watts
 * @param logUncertainty its standard uncertainty
 */
public record SaturationLaw(Row last, double logSaturatedW, double logUncertainty) {
    /** Makers rate a stage below where it saturates by about this, give or take so much in the logarithm. */
    private static final double USUAL_RESERVE = 1.35;

    private static final double USUAL_SPREAD = 0.3;
    /** How well a record knows it, meters included. */
    private static final double RECORD_SPREAD = 0.1;
    /** How well a row lies on the law, in the logarithm. */
    private static final double ROW_SPREAD = 0.03;
    /** What expansion leaves open of a row that gave less than the law has there, in the logarithm. */
    private static final double EXPANSION_SPREAD = 0.2;

    private static final double PER_DOUBLING = 0.05;
    private static final int ROWS = 3;
    private static final double NEAREST = 1.02;
    private static final double MOST_TIMES = 20;
    private static final int MOST_EVALUATIONS = 200;
    private static final double STEP = 0.02;

    /**
     * What one drive gave, or would give.
     *
     * @param driveW in watts, above 0
     * @param outputW in watts, above 0
     */
    public record Row(double driveW, double outputW) {}

    /** Returns the law through the last of some rows of an amplifier on a band, in rising order of drive. */
    public static SaturationLaw of(List<Row> rows, Amplifier amplifier, Band band) {
        return TransistorTwin.of(amplifier)
                .flatMap(twin -> twin.constants().on(band))
                .map(TwinConstants.BroadbandBand::saturatedW)
                .map(saturatedW -> of(rows, saturatedW, RECORD_SPREAD))
                .orElseGet(() -> of(rows, USUAL_RESERVE * amplifier.ratedOutputW(), USUAL_SPREAD));
    }

    private static SaturationLaw of(List<Row> rows, double usualW, double usualSpread) {
        Row last = rows.get(rows.size() - 1);
        List<Row> before = rows.subList(Math.max(0, rows.size() - ROWS), rows.size() - 1);
        double usual = Math.log(Math.max(usualW, USUAL_RESERVE * last.outputW));
        UnivariateFunction cost = log -> {
            double sum = square((log - usual) / usualSpread);
            for (Row row : before) {
                double above = Math.log(output(last, log, row.driveW) / row.outputW);
                sum += square(above / (above > 0 ? EXPANSION_SPREAD : ROW_SPREAD));
            }
            return sum;
        };
        double least = Math.log(NEAREST * last.outputW);
        double best = new BrentOptimizer(1e-8, 1e-8)
                .optimize(
                        new MaxEval(MOST_EVALUATIONS),
                        GoalType.MINIMIZE,
                        new UnivariateObjectiveFunction(cost),
                        new SearchInterval(least, least + Math.log(MOST_TIMES)))
                .getPoint();
        double bend = (cost.value(best + STEP) - 2 * cost.value(best) + cost.value(best - STEP)) / (STEP * STEP);
        double unsure = bend > 0 ? Math.sqrt(2 / bend) : usualSpread;
        return new SaturationLaw(last, best, Math.min(usualSpread, unsure));
    }

    private static double square(double value) {
        return value * value;
    }

    private static double output(Row through, double logSaturatedW, double atW) {
        double saturatedW = Math.exp(logSaturatedW);
        double x = Rapp.straight(Math.min(1 / NEAREST, through.outputW / saturatedW)) * atW / through.driveW;
        return saturatedW * Rapp.output(x);
    }

    /** Returns the same law through another row. */
    public SaturationLaw through(Row row) {
        return new SaturationLaw(row, logSaturatedW, logUncertainty);
    }

    /** Returns the output at a drive, in watts. */
    public double outputW(double atW) {
        return output(last, logSaturatedW, atW);
    }

    /** Returns the logarithm of {@code x} at an output in watts: that of the drive but for the gain; never beyond where it saturates. */
    public double logX(double atW) {
        return Math.log(Rapp.straight(Math.min(1 / NEAREST, atW / Math.exp(logSaturatedW))));
    }

    /**
     * A drive by the law.
     *
     * @param driveW in watts
     * @param uncertaintyW its standard uncertainty, in watts
     */
    public record ByLaw(double driveW, double uncertaintyW) {}

    /** Returns the drive for an output in watts; empty where it saturates before. */
    public Optional<ByLaw> driveFor(double wantedW) {
        return driveForW(wantedW, logSaturatedW)
                .flatMap(valueW -> driveForW(wantedW, logSaturatedW + logUncertainty)
                        .map(lowW -> {
                            double bySaturation = driveForW(wantedW, logSaturatedW - logUncertainty)
                                    .map(highW -> (highW - lowW) / 2)
                                    // It may saturate before: nothing is known then.
                                    .orElse(valueW);
                            double doublings = Math.abs(Math.log(valueW / last.driveW) / Math.log(2));
                            return new ByLaw(valueW, Math.hypot(bySaturation, PER_DOUBLING * doublings * valueW));
                        }));
    }

    /**
     * Returns the least drive that may give an output in watts that the last row did not, by the lower end of the 95 % interval;
     * empty where it saturates before.
     */
    public Optional<Double> leastDriveForW(double outputW) {
        return driveForW(outputW, logSaturatedW + Quantity.COVERAGE_95 * logUncertainty)
                .map(leastW -> {
                    double doublings = Math.max(0, Math.log(leastW / last.driveW) / Math.log(2));
                    return leastW / Math.pow(1 + Quantity.COVERAGE_95 * PER_DOUBLING, doublings);
                });
    }

    private Optional<Double> driveForW(double wantedW, double log) {
        double share = wantedW / Math.exp(log);
        double through = last.outputW / Math.exp(log);
        return share * NEAREST >= 1 || through >= 1
                ? Optional.empty()
                : Optional.of(last.driveW * Rapp.straight(share) / Rapp.straight(through));
    }
}
