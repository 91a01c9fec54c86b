package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.resonance.ResonancePlan;
import org.tubrin.core.resonance.ResonancePoint;
import org.tubrin.core.resonance.ResonanceWatch;
import org.tubrin.core.resonance.Witness;

/** The steps of a watch over an antenna, as its readings. */
public final class ResonanceSteps {
    /** No motor goes further. */
    public static final double MOST_STEPS = 10_000;

    private ResonanceSteps() {}

    /** Returns the watch over the steps done; empty where the run is of another kind. */
    public static Optional<ResonanceWatch> watch(RunState state) {
        return watch(state, state.steps());
    }

    /** Returns the same with the step in hand, where that is read whole. */
    public static Optional<ResonanceWatch> watchWithDraft(RunState state) {
        List<Step> steps = new ArrayList<>(state.steps());
        steps.add(state.draft());
        return watch(state, steps);
    }

    private static Optional<ResonanceWatch> watch(RunState state, List<Step> steps) {
        return state.setup()
                .customs()
                .resonance()
                .map(plan -> ResonanceWatch.of(
                        plan.witness(),
                        steps.stream()
                                .flatMap(step -> point(plan, step).stream())
                                .toList()));
    }

    private static Optional<ResonancePoint> point(ResonancePlan plan, Step step) {
        return off(plan, step::measured)
                .flatMap(off -> step.readAt()
                        .map(at -> new ResonancePoint(
                                at, step.keyDown(), step.position(Control.MOTOR).orElse(0.0), off)));
    }

    private static Optional<Quantity> off(TuneSetup setup, Map<ReadingRole, Quantity> readings) {
        return setup.customs().resonance().flatMap(plan -> off(plan, role -> Optional.ofNullable(readings.get(role))));
    }

    /** Returns the witness by which live readings are surely beyond what an alarm is due for; empty while they are not. */
    public static Optional<Witness> alarm(TuneSetup setup, Map<ReadingRole, Quantity> readings) {
        return setup.customs()
                .resonance()
                .map(ResonancePlan::witness)
                .filter(witness -> off(setup, readings)
                        .filter(off -> Math.abs(off.value()) - off.halfWidth95() > witness.alarm())
                        .isPresent());
    }

    private static Optional<Quantity> off(ResonancePlan plan, Function<ReadingRole, Optional<Quantity>> measured) {
        if (plan.witness() == Witness.PHASE) {
            return measured.apply(ReadingRole.PHASE);
        }
        return measured.apply(ReadingRole.LINE_VOLTAGE)
                .flatMap(volts -> measured.apply(ReadingRole.LINE_CURRENT)
                        .filter(amperes -> amperes.value() > 0)
                        .map(amperes -> volts.over(amperes, Unit.ONE)
                                .scaled(1 / plan.agreesAt())
                                .minus(Quantity.exact(1, Unit.ONE, Standing.ASSUMED))));
    }
}
