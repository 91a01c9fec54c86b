package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.tubrin.core.device.Construction;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;

/**
 * A sheet's figures as a least-squares problem in the logarithms of what the kind of stage leaves open ({@link SheetModel})
 * and the plate load of each point.
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
    /** A grid or screen current counts against at least this share of the plate current, so that none at all can be met. */
    private static final double LEAST_SHARE = 0.02;

    private static final int MOST_EVALUATIONS = 400;
    private static final int MOST_ITERATIONS = 200;
    private static final double BOUND_WIDTHS = 3;
    private static final double MISSED = 1e3;

    private final Stage.Tubes tubes;
    private final DataSheet sheet;
    private final SheetModel model;
    private final int shared;
    private final int size;

    /** Log of each constant's customary value, and its width in the log. */
    private final double[] customary;

    private final double[] width;

    /** What came out. */
    record Solution(
            TwinConstants.Tuned constants,
            double plateLoadOhm,
            List<SheetFit.Reading> readings,
            List<SheetFit.Parameter> parameters,
            int iterations) {}

    SheetProblem(Stage.Tubes tubes, DataSheet sheet) {
        this.tubes = tubes;
        this.sheet = sheet;
        model = tubes.tube().construction() == Construction.TRIODE
                ? new TriodeSheet(tubes, sheet)
                : new TetrodeSheet(tubes, sheet);
        shared = model.names().size();
        size = shared + sheet.operations().size();
        customary = new double[size];
        width = new double[size];
        for (int k = 0; k < shared; k++) {
            customary[k] = Math.log(model.customary()[k]);
            width[k] = model.logWidth()[k];
        }
        for (int i = 0; i < sheet.operations().size(); i++) {
            customary[shared + i] = Math.log(customaryLoadOhm(sheet.operations().get(i)));
            width[shared + i] = 0.5;
        }
    }

    private static double customaryLoadOhm(DataSheet.Operation operation) {
        return operation.plateVoltageDcV() / (1.9 * operation.plateCurrentA());
    }

    Solution solve() {
        double[] best = customary;
        double bestCost = Double.POSITIVE_INFINITY;
        LeastSquaresOptimizer.Optimum kept = null;
        int iterations = 0;
        for (double[] sharedStart : model.starts()) {
            double[] start = customary.clone();
            for (int k = 0; k < shared; k++) {
                start[k] = Math.log(sharedStart[k]);
            }
            LeastSquaresOptimizer.Optimum optimum;
            try {
                optimum = new LevenbergMarquardtOptimizer()
                        .withCostRelativeTolerance(1e-6)
                        .withParameterRelativeTolerance(1e-6)
                        .withOrthoTolerance(1e-6)
                        .optimize(new LeastSquaresBuilder()
                                .model(point -> Differences.of(this::residuals, point.toArray(), width))
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
        TwinConstants.Tuned constants = constants(best);
        double strongestOhm = Math.exp(best[shared + sheet.operations().indexOf(sheet.strongest())]);
        if (kept == null) {
            return new Solution(constants, strongestOhm, List.of(), List.of(), iterations);
        }
        return new Solution(constants, strongestOhm, readings(best), parameters(best, kept), iterations);
    }

    private RealVector bounded(RealVector point) {
        RealVector inside = point.copy();
        for (int k = 0; k < size; k++) {
            double reach = BOUND_WIDTHS * width[k];
            inside.setEntry(k, Math.max(customary[k] - reach, Math.min(customary[k] + reach, point.getEntry(k))));
        }
        return inside;
    }

    private double[] residuals(double[] at) {
        List<Double> residuals = new ArrayList<>();
        for (SheetFit.Reading reading : readings(at)) {
            double share = switch (reading.figure()) {
                case RESTING_CURRENT, PLATE_CURRENT -> CURRENT_SHARE;
                case GRID_CURRENT, SCREEN_CURRENT -> GRID_SHARE;
                case OUTPUT -> OUTPUT_SHARE;
                case INPUT_SWR -> MATCH_SHARE;
            };
            boolean small = reading.figure() == SheetFit.Figure.GRID_CURRENT
                    || reading.figure() == SheetFit.Figure.SCREEN_CURRENT;
            double least = small
                    ? LEAST_SHARE * sheet.operations().get(reading.operation()).plateCurrentA()
                    : 0;
            residuals.add((reading.twin() - reading.sheet()) / (share * Math.max(least, Math.abs(reading.sheet()))));
        }
        for (int k = 0; k < size; k++) {
            residuals.add((at[k] - customary[k]) / width[k]);
        }
        return residuals.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private List<SheetFit.Reading> readings(double[] at) {
        TubeSolver solver = new TubeTwin(tubes, constants(at)).solver(TubeTwin.POINTS);
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
                    Math.exp(at[shared + i]), 0, 1, 0, TankDesign.middleHz(Band.MHZ_7), operation.driveW());
            TubePoint point = solver.point(tubes.tankEfficiency(), 0, 0);
            add(readings, i, SheetFit.Figure.PLATE_CURRENT, operation.plateCurrentA(), works, solver.plateCurrentA());
            add(readings, i, SheetFit.Figure.GRID_CURRENT, operation.gridCurrentA(), works, solver.gridCurrentA());
            add(readings, i, SheetFit.Figure.OUTPUT, operation.outputW(), works, point.outputW());
            if (operation.screenCurrentA().isPresent()) {
                double screenA = operation.screenCurrentA().getAsDouble();
                add(readings, i, SheetFit.Figure.SCREEN_CURRENT, screenA, works, solver.screenCurrentA());
            }
            if (model.isMatchedByItself()) {
                double swr = point.inputSwr().orElse(1);
                add(readings, i, SheetFit.Figure.INPUT_SWR, 1, works, swr);
            }
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
        readings.add(new SheetFit.Reading(operation, figure, sheet, works ? twin : MISSED * Math.max(1, sheet)));
    }

    private TwinConstants.Tuned constants(double[] at) {
        double[] values = new double[shared];
        for (int k = 0; k < shared; k++) {
            values[k] = Math.exp(at[k]);
        }
        return model.constants(values);
    }

    private List<SheetFit.Parameter> parameters(double[] at, LeastSquaresOptimizer.Optimum optimum) {
        RealVector sigma = optimum.getSigma(1e-14);
        List<SheetFit.Constant> names = new ArrayList<>(model.names());
        names.add(SheetFit.Constant.PLATE_LOAD);
        List<SheetFit.Parameter> parameters = new ArrayList<>();
        for (int k = 0; k < names.size(); k++) {
            double left = sigma.getEntry(k);
            double shrunk = left / width[k];
            boolean given = names.get(k) == SheetFit.Constant.AMPLIFICATION_FACTOR
                    && sheet.amplificationFactor().isPresent();
            SheetFit.Determined standing = given || shrunk < 0.5
                    ? SheetFit.Determined.WELL
                    : shrunk < 0.85 ? SheetFit.Determined.PARTLY : SheetFit.Determined.NOT;
            parameters.add(new SheetFit.Parameter(names.get(k), Math.exp(at[k]), left, standing));
        }
        return parameters;
    }
}
