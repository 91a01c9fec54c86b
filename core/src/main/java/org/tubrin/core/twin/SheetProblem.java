package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.CapacitorLaw;

/**
 * A sheet's figures as a least-squares problem in the logarithms of the tube's constants, the bias, the cathode's source
 * resistance and the plate load of each point.
 *
 * <p>Method: Levenberg–Marquardt from several starts within bounds; each constant also has a customary value with a width,
 * which decides where the sheet says nothing. A constant counts as determined by how far its width shrinks. Source: J. J.
 * Moré, "The Levenberg–Marquardt algorithm: implementation and theory", Lect. Notes Math. 630 (1978) 105–116, as in
 * Hipparchus; the widths are priors in the sense of A. Tarantola, "Inverse Problem Theory" (2005), §3.
 */
final class SheetProblem {
    private static final double CURRENT_SHARE = 0.02;
    private static final double GRID_SHARE = 0.05;
    private static final double OUTPUT_SHARE = 0.02;
    private static final double MATCH_SHARE = 0.05;
    private static final int SHARED = 5;
    private static final int MOST_EVALUATIONS = 400;
    private static final int MOST_ITERATIONS = 200;
    private static final double BOUND_WIDTHS = 3;
    private static final double MISSED = 1e3;

    private final Stage.Tubes tubes;
    private final DataSheet sheet;
    private final double openV;
    private final double sourceOhm;
    private final int size;

    /** Log of each constant's customary value, and its width in the log. */
    private final double[] customary;

    private final double[] width;

    /** What came out. */
    record Solution(
            TwinConstants.CathodeDriven constants,
            double plateLoadOhm,
            List<SheetFit.Reading> readings,
            List<SheetFit.Parameter> parameters,
            int iterations) {}

    SheetProblem(Stage.Tubes tubes, DataSheet sheet) {
        this.tubes = tubes;
        this.sheet = sheet;
        DataSheet.Operation strongest = sheet.strongest();
        double drawn = strongest.plateCurrentA() - sheet.restingPlateCurrentA();
        double sag = sheet.plateVoltageRestDcV() - strongest.plateVoltageDcV();
        sourceOhm = Math.max(0, drawn > 1e-3 ? sag / drawn : 0);
        openV = sheet.plateVoltageRestDcV() + sourceOhm * sheet.restingPlateCurrentA();
        size = SHARED + sheet.operations().size();
        customary = new double[size];
        width = new double[size];
        set(0, customaryPerveance(60), 1.2);
        set(
                1,
                sheet.amplificationFactor().orElse(100),
                sheet.amplificationFactor().isPresent() ? 0.01 : 0.4);
        set(2, 1.8, 0.5);
        set(3, 10, 1.5);
        set(4, 60, 1.2);
        for (int i = 0; i < sheet.operations().size(); i++) {
            set(SHARED + i, customaryLoadOhm(sheet.operations().get(i)), 0.5);
        }
    }

    private void set(int at, double value, double logWidth) {
        customary[at] = Math.log(value);
        width[at] = logWidth;
    }

    /** Returns K for which the drive at a cathode of so many ohms gives the crest that a plate current of class AB has. */
    private double customaryPerveance(double cathodeOhm) {
        DataSheet.Operation strongest = sheet.strongest();
        double drivePeakV = Math.sqrt(2 * strongest.driveW() * cathodeOhm);
        double crestA = 3.3 * (strongest.plateCurrentA() + strongest.gridCurrentA());
        return crestA / tubes.tubeCount() / Math.pow(0.85 * drivePeakV, 1.5);
    }

    private static double customaryLoadOhm(DataSheet.Operation operation) {
        return operation.plateVoltageDcV() / (1.9 * operation.plateCurrentA());
    }

    Solution solve() {
        double[] best = customary;
        double bestCost = Double.POSITIVE_INFINITY;
        LeastSquaresOptimizer.Optimum kept = null;
        int iterations = 0;
        for (double cathodeOhm : new double[] {25, 50, 100, 200}) {
            double[] start = customary.clone();
            start[0] = Math.log(customaryPerveance(cathodeOhm));
            start[4] = Math.log(cathodeOhm);
            start[3] = Math.log(restingBias(Math.exp(start[0]), Math.exp(start[1])));
            LeastSquaresOptimizer.Optimum optimum;
            try {
                optimum = new LevenbergMarquardtOptimizer()
                        .withCostRelativeTolerance(1e-6)
                        .withParameterRelativeTolerance(1e-6)
                        .withOrthoTolerance(1e-6)
                        .optimize(new LeastSquaresBuilder()
                                .model(this::valueAndJacobian)
                                .parameterValidator(this::bounded)
                                .target(new double[residuals(start).length])
                                .start(start)
                                .maxEvaluations(MOST_EVALUATIONS)
                                .maxIterations(MOST_ITERATIONS)
                                .build());
            } catch (org.hipparchus.exception.MathIllegalStateException spent) {
                continue;
            }
            iterations += optimum.getIterations();
            if (optimum.getCost() < bestCost) {
                bestCost = optimum.getCost();
                best = optimum.getPoint().toArray();
                kept = optimum;
            }
        }
        TwinConstants.CathodeDriven constants = constants(best);
        double strongestOhm = Math.exp(best[SHARED + sheet.operations().indexOf(sheet.strongest())]);
        if (kept == null) {
            return new Solution(constants, strongestOhm, List.of(), List.of(), iterations);
        }
        return new Solution(constants, strongestOhm, readings(best), parameters(best, kept), iterations);
    }

    private double restingBias(double perveance, double mu) {
        double opening = Math.pow(sheet.restingPlateCurrentA() / tubes.tubeCount() / perveance, 2.0 / 3);
        return Math.max(0.5, (sheet.plateVoltageRestDcV() / mu - opening) / (1 + 1 / mu));
    }

    private RealVector bounded(RealVector point) {
        RealVector inside = point.copy();
        for (int k = 0; k < size; k++) {
            double reach = BOUND_WIDTHS * width[k];
            inside.setEntry(k, Math.max(customary[k] - reach, Math.min(customary[k] + reach, point.getEntry(k))));
        }
        return inside;
    }

    private Pair<RealVector, RealMatrix> valueAndJacobian(RealVector point) {
        double[] at = point.toArray();
        double[] value = residuals(at);
        double[][] jacobian = new double[value.length][size];
        for (int k = 0; k < size; k++) {
            double step = 1e-3 * width[k];
            double[] up = at.clone();
            double[] down = at.clone();
            up[k] += step;
            down[k] -= step;
            double[] above = residuals(up);
            double[] below = residuals(down);
            for (int r = 0; r < value.length; r++) {
                jacobian[r][k] = (above[r] - below[r]) / (2 * step);
            }
        }
        return new Pair<>(new ArrayRealVector(value, false), new Array2DRowRealMatrix(jacobian, false));
    }

    private double[] residuals(double[] at) {
        List<Double> residuals = new ArrayList<>();
        for (SheetFit.Reading reading : readings(at)) {
            double share = switch (reading.figure()) {
                case RESTING_CURRENT, PLATE_CURRENT -> CURRENT_SHARE;
                case GRID_CURRENT -> GRID_SHARE;
                case OUTPUT -> OUTPUT_SHARE;
                case INPUT_SWR -> MATCH_SHARE;
            };
            residuals.add((reading.twin() - reading.sheet()) / (share * reading.sheet()));
        }
        for (int k = 0; k < size; k++) {
            residuals.add((at[k] - customary[k]) / width[k]);
        }
        return residuals.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private List<SheetFit.Reading> readings(double[] at) {
        CathodeDrivenSolver solver = new CathodeDrivenSolver(constants(at), tubes.tubeCount(), TubeTwin.POINTS);
        List<SheetFit.Reading> readings = new ArrayList<>();
        solver.holdPlateVoltage(sheet.plateVoltageRestDcV());
        boolean rests = solver.settle(1, 0, 1, 0, TankDesign.middleHz(Band.MHZ_7), 0);
        readings.add(new SheetFit.Reading(
                0,
                SheetFit.Figure.RESTING_CURRENT,
                sheet.restingPlateCurrentA(),
                rests ? solver.plateCurrentA() : MISSED));
        for (int i = 0; i < sheet.operations().size(); i++) {
            DataSheet.Operation operation = sheet.operations().get(i);
            solver.holdPlateVoltage(operation.plateVoltageDcV());
            solver.forget();
            boolean works = solver.settle(
                    Math.exp(at[SHARED + i]), 0, 1, 0, TankDesign.middleHz(Band.MHZ_7), operation.driveW());
            TubePoint point = solver.point(tubes.tankEfficiency(), 0, 0);
            add(readings, i, SheetFit.Figure.PLATE_CURRENT, operation.plateCurrentA(), works, solver.plateCurrentA());
            add(readings, i, SheetFit.Figure.GRID_CURRENT, operation.gridCurrentA(), works, solver.gridCurrentA());
            add(readings, i, SheetFit.Figure.OUTPUT, operation.outputW(), works, point.outputW());
            add(
                    readings,
                    i,
                    SheetFit.Figure.INPUT_SWR,
                    1,
                    works,
                    point.inputSwr().orElse(1));
        }
        return readings;
    }

    private static void add(
            List<SheetFit.Reading> readings,
            int operation,
            SheetFit.Figure figure,
            double sheet,
            boolean works,
            double twin) {
        readings.add(new SheetFit.Reading(operation, figure, sheet, works ? twin : MISSED * sheet));
    }

    private TwinConstants.CathodeDriven constants(double[] at) {
        TriodeLaw tube = new TriodeLaw(
                clamp(Math.exp(at[0]), 1e-5, 0.1),
                clamp(Math.exp(at[1]), 5, 1000),
                clamp(Math.exp(at[2]), 0.1, 50),
                10,
                34,
                1.7,
                0.15e-12,
                0);
        CapacitorLaw any = new CapacitorLaw(1e-11, 1e-10, 1, false, OptionalDouble.empty());
        return new TwinConstants.CathodeDriven(
                tube,
                clamp(Math.exp(at[3]), 0, 200),
                clamp(openV, 100, 20_000),
                clamp(sourceOhm, 0, 20_000),
                clamp(Math.exp(at[4]), 5, 1000),
                any,
                any,
                List.of(new TankBand(Band.MHZ_7, 1e-6, 100, 0, 0, 1, 0)));
    }

    private static double clamp(double value, double least, double most) {
        return Math.max(least, Math.min(most, value));
    }

    private List<SheetFit.Parameter> parameters(double[] at, LeastSquaresOptimizer.Optimum optimum) {
        RealVector sigma = optimum.getSigma(1e-14);
        SheetFit.Constant[] names = SheetFit.Constant.values();
        List<SheetFit.Parameter> parameters = new ArrayList<>();
        for (int k = 0; k < names.length; k++) {
            double left = sigma.getEntry(k);
            double shrunk = left / width[k];
            boolean given = names[k] == SheetFit.Constant.AMPLIFICATION_FACTOR
                    && sheet.amplificationFactor().isPresent();
            SheetFit.Determined standing = given || shrunk < 0.5
                    ? SheetFit.Determined.WELL
                    : shrunk < 0.85 ? SheetFit.Determined.PARTLY : SheetFit.Determined.NOT;
            parameters.add(new SheetFit.Parameter(names[k], Math.exp(at[k]), left, standing));
        }
        return parameters;
    }
}
