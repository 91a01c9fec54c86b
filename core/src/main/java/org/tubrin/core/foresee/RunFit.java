package org.tubrin.core.foresee;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Termination;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.Differences;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Remembered;
import org.tubrin.core.twin.TubeTwin;

/**
 * The twin that a run's readings point to.
 *
 * <p>Method: least squares in the logarithms of factors on the twin's constants ({@link TwinFactor}); in how much of
 * its own uncertainty each meter is off by, alike at every reading or in proportion, so that a meter's error is not laid upon
 * the tube; in the marks that the two knobs stand off; and in what the load reflects beside what is known of it. Each is held
 * near nothing by its width. A reading counts by what the eye and the twin's own form leave open: 0.7 % of the largest, and
 * 1.5 % of the figure, 5 % where it is grid or screen current; one far beyond that counts less. PLATE, which counts as peaked,
 * counts by a tenth of a mark. Source: priors in the sense of A. Tarantola, "Inverse Problem Theory" (2005), §3; P. J. Huber,
 * "Robust Estimation of a Location Parameter", Ann. Math. Stat. 35 (1964), 73–101; Levenberg–Marquardt. Valid: steps at which
 * PLATE was peaked and whose dials are known; others are left out. Cost: about 30 operating points a step and iteration.
 */
final class RunFit {
    static final List<TwinFactor> FACTORS = List.of(TwinFactor.values());

    /** What the twin's form leaves open of a figure, as a share; grid and screen current are the hardest to have. */
    private static final double FORM_SHARE = 0.015;

    private static final double FORM_GRID_SHARE = 0.05;
    private static final double EYE_SHARE = 0.007;
    private static final double PEAKED_MARKS = 0.1;
    /** How far a knob may stand off what the twin has, as a standard deviation. */
    private static final double LOAD_MARKS = 0.25;

    private static final double PLATE_MARKS = 0.2;
    /** What a load known by its impedance may still reflect beside that, and an antenna of which nothing is known. */
    private static final double KNOWN_REFLECTION = 0.01;

    private static final double UNKNOWN_REFLECTION = 0.2;
    private static final double MOST_REFLECTION = 0.8;
    private static final double BOUND_WIDTHS = 5;
    private static final int MOST_EVALUATIONS = 200;
    private static final double MISSED = 10;
    private static final double USUAL_SIGMAS = 1.5;

    /** A run is looked at many times between two readings, and by several at once. */
    private static final int MOST_REMEMBERED = 32;

    private static final Remembered<Asked, Optional<RunFit>> FOUND = new Remembered<>(MOST_REMEMBERED, Asked::find);

    private final TuneSetup setup;
    private final List<Step> steps;
    private final TubeTwin twin;
    private final List<ReadingRole> roles;
    private final double[] width;
    private final List<List<Seen>> seen;
    private final int readings;
    private final int knobs;
    private final double[] at;
    private final RealMatrix covariance;
    private final boolean settled;
    private final int iterations;

    /** How a meter's error runs along its scale. */
    enum MeterError {
        /** The same at every reading, as a zero that stands off. */
        ALIKE,
        /** In proportion to the reading, as a scale that is steep. */
        IN_PROPORTION
    }

    RunFit(TuneSetup setup, List<Step> steps, TubeTwin twin, MeterError error, int mostEvaluations) {
        this.setup = setup;
        this.steps = steps;
        this.twin = twin;
        roles = setup.rolesAsked().stream()
                .filter(role -> role != ReadingRole.REFLECTED && role != ReadingRole.INPUT_SWR)
                .toList();
        seen = steps.stream().map(step -> seen(step, error)).toList();
        readings = seen.stream().mapToInt(List::size).sum();
        knobs = FACTORS.size() + roles.size();
        width = new double[knobs + 4];
        for (int k = 0; k < FACTORS.size(); k++) {
            width[k] = FACTORS.get(k).width();
        }
        Arrays.fill(width, FACTORS.size(), knobs, 1);
        width[knobs] = PLATE_MARKS * setup.tubes().plate().markStep();
        width[knobs + 1] = LOAD_MARKS * setup.tubes().load().markStep();
        width[knobs + 2] = reflectionOpen(setup);
        width[knobs + 3] = width[knobs + 2];
        Optional<LeastSquaresOptimizer.Optimum> optimum = steps.isEmpty() ? Optional.empty() : solve(mostEvaluations);
        at = optimum.map(found -> found.getPoint().toArray()).orElseGet(() -> new double[width.length]);
        covariance = optimum.map(found -> found.getCovariances(1e-14)).orElseGet(this::unread);
        settled = optimum.isPresent();
        iterations = optimum.map(LeastSquaresOptimizer.Optimum::getIterations).orElse(0);
    }

    /** Returns what some whole steps point to, the record's twin where there are none; empty without a twin for the band. */
    static Optional<RunFit> of(TuneSetup setup, List<Step> steps, MeterError error) {
        List<Step> placed = steps.stream()
                .filter(step -> step.position(Control.PLATE).isPresent()
                        && step.position(Control.LOAD).isPresent())
                .toList();
        return FOUND.of(new Asked(setup, placed, error));
    }

    /** All that a fit depends on. */
    private record Asked(TuneSetup setup, List<Step> steps, MeterError error) {
        private Optional<RunFit> find() {
            return RecordTwin.of(setup).map(twin -> new RunFit(setup, steps, twin, error, MOST_EVALUATIONS));
        }
    }

    /** Returns how far the reflection may lie off what is known, in each of its two parts. */
    private static double reflectionOpen(TuneSetup setup) {
        Termination termination = setup.termination();
        if (termination instanceof Antenna antenna
                && antenna.impedanceAt(setup.frequencyHz()).isEmpty()) {
            return antenna.on(setup.band())
                    .map(on -> (on.swr() - 1) / (on.swr() + 1) / Math.sqrt(2) + KNOWN_REFLECTION)
                    .orElse(UNKNOWN_REFLECTION);
        }
        return termination instanceof Antenna ? 2 * KNOWN_REFLECTION : KNOWN_REFLECTION;
    }

    private RealMatrix unread() {
        double[] squares = new double[width.length];
        for (int k = 0; k < width.length; k++) {
            squares[k] = width[k] * width[k];
        }
        return MatrixUtils.createRealDiagonalMatrix(squares);
    }

    private Optional<LeastSquaresOptimizer.Optimum> solve(int mostEvaluations) {
        double[] start = new double[width.length];
        try {
            return Optional.of(new LevenbergMarquardtOptimizer()
                    .withCostRelativeTolerance(1e-6)
                    .withParameterRelativeTolerance(1e-6)
                    .optimize(new LeastSquaresBuilder()
                            .model(point -> Differences.of(this::vector, point.toArray(), width))
                            .parameterValidator(this::bounded)
                            .target(new double[vector(start).length])
                            .start(start)
                            .maxEvaluations(mostEvaluations)
                            .maxIterations(mostEvaluations)
                            .build()));
        } catch (MathRuntimeException spent) {
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

    private double[] vector(double[] point) {
        double[] values = new double[readings + steps.size() + width.length];
        int at = 0;
        Probe probe = probe(point);
        for (int place = 0; place < steps.size(); place++) {
            Step step = steps.get(place);
            double load = loadBehind(step, point);
            boolean settled = settle(probe, step, load);
            for (Seen reading : seen.get(place)) {
                values[at++] = tamed(off(reading, settled, probe, point));
            }
            values[at++] = plateOff(step, probe.resonantPlate(load), point);
        }
        for (int k = 0; k < width.length; k++) {
            values[at++] = point[k] / width[k];
        }
        return values;
    }

    /** Returns a residual whose square grows only in proportion beyond what is usual: a slip of the eye must not lead. */
    private static double tamed(double sigmas) {
        double size = Math.abs(sigmas);
        return size <= USUAL_SIGMAS
                ? sigmas
                : Math.signum(sigmas) * Math.sqrt(2 * USUAL_SIGMAS * size - USUAL_SIGMAS * USUAL_SIGMAS);
    }

    private double plateOff(Step step, double resonant, double[] point) {
        double dial = step.position(Control.PLATE).orElseThrow() - point[knobs];
        return (dial - resonant) / (PEAKED_MARKS * setup.tubes().plate().markStep());
    }

    private double loadBehind(Step step, double[] point) {
        return setup.tubes().load().clamp(step.position(Control.LOAD).orElseThrow() - point[knobs + 1]);
    }

    private Probe probe(double[] point) {
        TwinConstants.Tuned constants = twin.constants()
                .scaled(setup.band(), Math.exp(point[0]), Math.exp(point[1]), Math.exp(point[2]), Math.exp(point[3]));
        ImpedancePoint known = setup.termination().at(setup.frequencyHz());
        ImpedancePoint load = Mismatch.beside(known, point[knobs + 2], point[knobs + 3], MOST_REFLECTION);
        return new TubeTwin(twin.tubes(), constants)
                .probe(RecordTwin.setting(
                        setup, 1, setup.preset().plate(), setup.preset().load(), load))
                .orElseThrow();
    }

    /**
     * A reading of a step.
     *
     * @param role of what
     * @param measured what it is worth
     * @param offByOne by how much it is off where its meter is off by one of its standard uncertainties
     * @param eye what the eye leaves open of it
     */
    private record Seen(ReadingRole role, Quantity measured, double offByOne, double eye) {
        double sigmas(double twinHas, double meterOffBy) {
            boolean telling = role == ReadingRole.GRID_CURRENT || role == ReadingRole.SCREEN_CURRENT;
            double form = (telling ? FORM_GRID_SHARE : FORM_SHARE) * Math.abs(twinHas);
            return (measured.value() + meterOffBy * offByOne - twinHas) / Math.max(1e-9, Math.hypot(form, eye));
        }
    }

    private List<Seen> seen(Step step, MeterError error) {
        List<Seen> seen = new ArrayList<>();
        for (ReadingRole role : roles) {
            double largest = steps.stream()
                    .flatMap(one -> one.measured(role).stream())
                    .mapToDouble(one -> Math.abs(one.value()))
                    .max()
                    .orElse(1);
            step.measured(role).ifPresent(measured -> {
                double share = error == MeterError.ALIKE ? 1 : measured.value() / Math.max(1e-9, largest);
                seen.add(new Seen(role, measured, share * measured.standardUncertainty(), EYE_SHARE * largest));
            });
        }
        return seen;
    }

    private double off(Seen reading, boolean settled, Probe probe, double[] point) {
        return settled ? reading.sigmas(figure(probe, reading.role()), point[meter(reading.role())]) : MISSED;
    }

    private boolean settle(Probe probe, Step step, double load) {
        probe.forget();
        return probe.settle(step.driveW().value(), probe.resonantPlate(load), load);
    }

    /** Returns where what a meter is off by stands. */
    private int meter(ReadingRole role) {
        return FACTORS.size() + roles.indexOf(role);
    }

    private static double figure(Probe probe, ReadingRole role) {
        return switch (role) {
            case OUTPUT -> probe.outputW();
            case PLATE_CURRENT -> probe.plateCurrentA();
            case GRID_CURRENT -> probe.gridCurrentA();
            case SCREEN_CURRENT -> probe.screenCurrentA();
            case PLATE_VOLTAGE -> probe.plateVoltageDcV();
            case INPUT_POWER,
                    OTHER_OUTPUT,
                    REFLECTED,
                    INPUT_SWR,
                    SUPPLY_CURRENT,
                    SUPPLY_VOLTAGE,
                    HEAT_SINK,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> 0;
        };
    }

    /** Returns whether readings and twin were brought together; where there were none, or they were not, it is the record's twin. */
    boolean isSettled() {
        return settled;
    }

    /** Returns the roles whose readings count. */
    List<ReadingRole> roles() {
        return roles;
    }

    int iterations() {
        return iterations;
    }

    /** Returns the logarithm of a factor as found. */
    double logOf(TwinFactor factor) {
        return at[FACTORS.indexOf(factor)];
    }

    /** Returns its standard uncertainty. */
    double logUncertainty(TwinFactor factor) {
        int k = FACTORS.indexOf(factor);
        return Math.sqrt(covariance.getEntry(k, k));
    }

    /** Returns by how many of its standard uncertainties a meter has to be raised. */
    double meterOffBy(ReadingRole role) {
        return at[meter(role)];
    }

    /** Returns the standard uncertainty of that. */
    double meterOffByUncertainty(ReadingRole role) {
        int k = meter(role);
        return Math.sqrt(
                covariance.getEntry(k, k) + covariance.getEntry(k + 1, k + 1) + 2 * covariance.getEntry(k, k + 1));
    }

    /** Returns the twin as found. */
    Probe probe() {
        return probe(at);
    }

    /** Returns how far LOAD's dial stands from the LOAD of that twin. */
    double loadOffset() {
        return at[knobs + 1];
    }

    /** Returns every reading beside the twin as found, with how far it lies off. */
    List<LeftOver> residuals() {
        List<LeftOver> all = new ArrayList<>();
        Probe probe = probe(at);
        for (int place = 0; place < steps.size(); place++) {
            boolean settled = settle(probe, steps.get(place), loadBehind(steps.get(place), at));
            for (Seen reading : seen.get(place)) {
                all.add(new LeftOver(
                        place,
                        reading.role(),
                        reading.measured(),
                        settled ? figure(probe, reading.role()) : 0,
                        off(reading, settled, probe, at)));
            }
        }
        return all;
    }

    /** Figures of the twin at a drive in watts and a LOAD by its dial, PLATE at resonance; zeros where it does not settle. */
    private double[] figures(double[] point, double driveW, double loadAt) {
        Probe probe = probe(point);
        double load = setup.tubes().load().clamp(loadAt - point[knobs + 1]);
        if (!probe.settle(driveW, probe.resonantPlate(load), load)) {
            return new double[4];
        }
        return new double[] {
            probe.outputW(), probe.plateCurrentA(), probe.gridCurrentA(), Math.abs(probe.screenCurrentA())
        };
    }

    /**
     * What is to be expected at a drive and a LOAD with PLATE peaked, and how sure it is.
     *
     * @param outputW in watts
     * @param plateA plate current in amperes
     * @param gridA grid current in amperes
     * @param screenA size of the screen current in amperes
     */
    record Prospect(One outputW, One plateA, One gridA, One screenA) {
        /** A value with its standard uncertainty. */
        record One(double value, double uncertainty) {
            /** Returns the value with so many of its uncertainties added. */
            double with(double sigmas) {
                return value + sigmas * uncertainty;
            }
        }
    }

    /** Returns what is to be expected at a drive in watts and a LOAD by its dial; by differences over all that was fitted. */
    Prospect prospect(double driveW, double loadAt) {
        var with = Differences.of(point -> figures(point, driveW, loadAt), at, width);
        RealMatrix slopes = with.getSecond();
        RealMatrix spread = slopes.multiply(covariance).multiplyTransposed(slopes);
        Prospect.One[] one = new Prospect.One[4];
        for (int i = 0; i < one.length; i++) {
            one[i] = new Prospect.One(with.getFirst().getEntry(i), Math.sqrt(Math.max(0, spread.getEntry(i, i))));
        }
        return new Prospect(one[0], one[1], one[2], one[3]);
    }
}
