package org.tubrin.core.foresee;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.TwinConstants;

/**
 * What a run's readings say about the amplifier's twin.
 *
 * <p>Method: least squares in a few factors on the twin's constants ({@link TwinFactor}), each held near 1 by how much it may
 * drift in an amplifier that is well; beside them a factor for every meter, held near 1 by its class, so that a meter's own
 * error is not laid upon the tube, and where LOAD's knob stands. PLATE counts as peaked. Source: priors in the sense of A.
 * Tarantola, "Inverse Problem Theory" (2005), §3; Levenberg–Marquardt as in {@link RunFit}.
 *
 * @param band on which
 * @param changes each factor
 * @param meters what each meter would have to be multiplied by
 * @param leftOver readings that no believable twin explains, the worst first
 * @param iterations of the least squares
 */
public record TwinLearning(
        Band band, List<Change> changes, Map<ReadingRole, Quantity> meters, List<LeftOver> leftOver, int iterations) {
    private static final int LEAST_STEPS = 2;
    private static final double BELIEVED_SIGMAS = 2;
    private static final double LEFT_OVER_SIGMAS = 3;

    public TwinLearning {
        changes = List.copyOf(changes);
        meters = Map.copyOf(meters);
        leftOver = List.copyOf(leftOver);
    }

    /**
     * A factor as found.
     *
     * @param factor which
     * @param by what the constant is to be multiplied by
     * @param believable whether an amplifier that is well drifts so far
     */
    public record Change(TwinFactor factor, Quantity by, boolean believable) {}

    /** Returns whether a run has what a fit needs: a twin for its band, and two whole steps. */
    public static boolean isPossible(RunState state) {
        return RecordTwin.of(state.setup()).isPresent() && told(state).size() >= LEAST_STEPS;
    }

    /** Returns whether the readings so far could not be brought together with the twin: then a run goes by it as recorded. */
    public static boolean isAstray(RunState state) {
        return RecordTwin.tellsOfLoad(state.setup())
                && !state.steps().isEmpty()
                && RunFit.of(state.setup(), state.steps(), RunFit.MeterError.ALIKE)
                        .filter(fit -> !fit.isSettled())
                        .isPresent();
    }

    private static List<Step> told(RunState state) {
        return state.steps().stream()
                .filter(step -> step.isComplete() && step.school() != School.PULSED)
                .toList();
    }

    /** Returns what a run says; empty where none {@link #isPossible}, and where the fit does not settle. */
    public static Optional<TwinLearning> of(RunState state) {
        List<Step> steps = told(state);
        if (!isPossible(state)) {
            return Optional.empty();
        }
        return RunFit.of(state.setup(), steps, RunFit.MeterError.IN_PROPORTION)
                .filter(RunFit::isSettled)
                .map(fit -> of(state.setup(), steps, fit));
    }

    private static TwinLearning of(TuneSetup setup, List<Step> steps, RunFit fit) {
        List<Change> changes = RunFit.FACTORS.stream()
                .map(factor -> new Change(
                        factor,
                        found(factor.name(), Math.exp(fit.logOf(factor)), fit.logUncertainty(factor)),
                        Math.abs(fit.logOf(factor)) <= BELIEVED_SIGMAS * factor.width()))
                .toList();
        Map<ReadingRole, Quantity> meters = new EnumMap<>(ReadingRole.class);
        for (ReadingRole role : fit.roles()) {
            double share = share(steps, role);
            meters.put(
                    role,
                    found(role.name(), 1 + share * fit.meterOffBy(role), share * fit.meterOffByUncertainty(role)));
        }
        List<LeftOver> leftOver = fit.residuals().stream()
                .filter(one -> Math.abs(one.sigmas()) > LEFT_OVER_SIGMAS)
                .sorted((a, b) -> Double.compare(Math.abs(b.sigmas()), Math.abs(a.sigmas())))
                .toList();
        return new TwinLearning(setup.band(), changes, meters, leftOver, fit.iterations());
    }

    private static Quantity found(String name, double by, double share) {
        return Quantity.of(by, Unit.ONE, Standing.COMPUTED, new ErrorSource("run", name, ""), by * share);
    }

    /** Returns whether everything that it found is what an amplifier that is well may do. */
    public boolean isBelievable() {
        return leftOver.isEmpty() && changes.stream().allMatch(Change::believable);
    }

    /** Returns the amplifier with the factors on its twin's constants. */
    public Amplifier applied(Amplifier amplifier) {
        return amplifier
                .twin()
                .filter(TwinConstants.Tuned.class::isInstance)
                .map(constants -> amplifier.withTwin(((TwinConstants.Tuned) constants)
                        .scaled(
                                band,
                                by(TwinFactor.EMISSION),
                                by(TwinFactor.SUPPLY),
                                by(TwinFactor.DRIVE),
                                by(TwinFactor.TANK_Q))))
                .orElse(amplifier);
    }

    /** Returns what was found of a factor. */
    public Change change(TwinFactor factor) {
        return changes.stream()
                .filter(one -> one.factor() == factor)
                .findFirst()
                .orElseThrow();
    }

    private double by(TwinFactor factor) {
        return change(factor).by().value();
    }

    /** Returns how sure the largest reading of a meter is, as a share of it. */
    private static double share(List<Step> steps, ReadingRole role) {
        return steps.stream()
                .flatMap(step -> step.measured(role).stream())
                .filter(one -> one.value() != 0)
                .max((a, b) -> Double.compare(Math.abs(a.value()), Math.abs(b.value())))
                .map(one -> one.standardUncertainty() / Math.abs(one.value()))
                .orElse(0.0);
    }
}
