package org.tubrin.core.tuneup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.Differences;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.TubeTwin;

/**
 * A run's readings as a least-squares problem: the logarithms of the twin's factors, then of the meters', last the marks that
 * LOAD's knob stands off. Each is held near nothing by its width; each reading counts by what the eye and the twin's own form
 * leave open: 0.7 % of the largest, and 1.5 % of the figure, 5 % where it is grid or screen current.
 */
final class LearningProblem {
    /** What the twin's form leaves open of a figure, as a share; grid and screen current are the hardest to have. */
    private static final double FORM_SHARE = 0.015;

    private static final double FORM_GRID_SHARE = 0.05;
    private static final double EYE_SHARE = 0.007;
    private static final double LOAD_MARKS = 0.25;
    private static final double BOUND_WIDTHS = 5;
    private static final int MOST_EVALUATIONS = 200;
    static final List<TwinLearning.Factor> FACTORS = List.of(TwinLearning.Factor.values());
    private static final double MISSED = 10;

    private final TuneSetup setup;
    private final List<Step> steps;
    private final List<ReadingRole> roles = new ArrayList<>();
    private final TubeTwin twin;
    private final double[] width;

    LearningProblem(TuneSetup setup, List<Step> steps) {
        this.setup = setup;
        this.steps = steps;
        twin = Expected.twin(setup).orElseThrow();
        roles.addAll(setup.rolesAsked());
        width = new double[FACTORS.size() + roles.size() + 1];
        for (int k = 0; k < FACTORS.size(); k++) {
            width[k] = FACTORS.get(k).width();
        }
        Step last = steps.get(steps.size() - 1);
        for (int i = 0; i < roles.size(); i++) {
            width[FACTORS.size() + i] = Math.max(1e-3, TwinLearning.share(last, roles.get(i)));
        }
        width[width.length - 1] = LOAD_MARKS * setup.tubes().load().markStep();
    }

    List<ReadingRole> roles() {
        return roles;
    }

    Optional<LeastSquaresOptimizer.Optimum> solve() {
        double[] start = new double[width.length];
        try {
            return Optional.of(new LevenbergMarquardtOptimizer()
                    .optimize(new LeastSquaresBuilder()
                            .model(point -> Differences.of(this::vector, point.toArray(), width))
                            .parameterValidator(this::bounded)
                            .target(new double[vector(start).length])
                            .start(start)
                            .maxEvaluations(MOST_EVALUATIONS)
                            .maxIterations(MOST_EVALUATIONS)
                            .build()));
        } catch (MathIllegalStateException spent) {
            return Optional.empty();
        }
    }

    private RealVector bounded(RealVector point) {
        RealVector inside = point.copy();
        for (int k = 0; k < width.length; k++) {
            double reach = BOUND_WIDTHS * width[k];
            inside.setEntry(k, Math.max(-reach, Math.min(reach, point.getEntry(k))));
        }
        return inside;
    }

    private double[] vector(double[] at) {
        List<TwinLearning.LeftOver> residuals = residuals(at);
        double[] vector = new double[residuals.size() + width.length];
        for (int i = 0; i < residuals.size(); i++) {
            vector[i] = residuals.get(i).sigmas();
        }
        for (int k = 0; k < width.length; k++) {
            vector[residuals.size() + k] = at[k] / width[k];
        }
        return vector;
    }

    /** Returns every reading beside the twin at a point, with how far it lies off. */
    List<TwinLearning.LeftOver> residuals(double[] at) {
        TwinConstants.Tuned constants = twin.constants()
                .scaled(setup.band(), Math.exp(at[0]), Math.exp(at[1]), Math.exp(at[2]), Math.exp(at[3]));
        Probe probe = new TubeTwin(twin.tubes(), constants)
                .probe(Expected.setting(
                        setup, 1, setup.preset().plate(), setup.preset().load()))
                .orElseThrow();
        List<TwinLearning.LeftOver> residuals = new ArrayList<>();
        for (int place = 0; place < steps.size(); place++) {
            Step step = steps.get(place);
            double load = setup.tubes().load().clamp(step.position(Control.LOAD).orElseThrow() - at[width.length - 1]);
            probe.forget();
            boolean settled = probe.settle(step.driveW().value(), probe.resonantPlate(load), load);
            for (int i = 0; i < roles.size(); i++) {
                residuals.add(residual(place, step, i, settled, probe, Math.exp(at[FACTORS.size() + i])));
            }
        }
        return residuals;
    }

    private TwinLearning.LeftOver residual(
            int place, Step step, int index, boolean settled, Probe probe, double meterFactor) {
        ReadingRole role = roles.get(index);
        Quantity measured = step.measured(role).orElseThrow();
        double twinHas = settled ? figure(probe, role) : 0;
        double largest = steps.stream()
                .mapToDouble(one -> Math.abs(one.measured(role).orElseThrow().value()))
                .max()
                .orElse(1);
        boolean telling = role == ReadingRole.GRID_CURRENT || role == ReadingRole.SCREEN_CURRENT;
        double sigma = Math.hypot((telling ? FORM_GRID_SHARE : FORM_SHARE) * Math.abs(twinHas), EYE_SHARE * largest);
        double off = settled ? (measured.value() * meterFactor - twinHas) / Math.max(1e-9, sigma) : MISSED;
        return new TwinLearning.LeftOver(place, role, measured, twinHas, off);
    }

    private static double figure(Probe probe, ReadingRole role) {
        return switch (role) {
            case OUTPUT -> probe.outputW();
            case PLATE_CURRENT -> probe.plateCurrentA();
            case GRID_CURRENT -> probe.gridCurrentA();
            case SCREEN_CURRENT -> probe.screenCurrentA();
            case PLATE_VOLTAGE -> probe.plateVoltageDcV();
            case REFLECTED, INPUT_SWR -> 0;
        };
    }
}
