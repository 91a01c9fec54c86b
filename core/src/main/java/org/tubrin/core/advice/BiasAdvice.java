package org.tubrin.core.advice;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.bias.BiasClimb;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.bias.NextBias;
import org.tubrin.core.bias.NextBias.Purpose;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;

/** The next move where idle current is set: keyed without drive, a pot is turned, or left alone. */
final class BiasAdvice {
    private final RunState state;
    private final Step draft;
    private final BiasPlan plan;
    private final BiasClimb climb;

    private BiasAdvice(RunState state) {
        this.state = state;
        draft = state.draft();
        plan = state.setup().customs().bias().orElseThrow();
        climb = BiasSteps.climb(state.setup(), state.steps()).orElseThrow();
    }

    static Advice keyUp(RunState state) {
        BiasAdvice advice = new BiasAdvice(state);
        return advice.entries()
                .or(() -> advice.climb.next().flatMap(advice::takeUp))
                .orElseGet(() -> Advice.of(new Move.KeyAndRead(0, false), Reason.BIAS_KEY));
    }

    static Advice keyDown(RunState state, Instant now) {
        BiasAdvice advice = new BiasAdvice(state);
        Optional<NextBias> next = advice.climb.next();
        if (next.isEmpty()) {
            return Advice.of(
                    new Move.Unkey(0),
                    switch (advice.climb.end().orElseThrow()) {
                        case DONE -> Reason.BIAS_DONE;
                        case RUNS_AWAY -> Reason.BIAS_RUNS_AWAY;
                        case TOO_COARSE -> Reason.BIAS_TOO_COARSE;
                        case GATE_HIGH -> Reason.BIAS_GATE_HIGH;
                    });
        }
        return advice.keyDown(next.get(), now);
    }

    private Advice keyDown(NextBias next, Instant now) {
        double leftS = leftS(next, now);
        if (next.device() != device() && plan.sense().isEmpty()) {
            return Advice.of(new Move.Unkey(0), Reason.MOVE_AMMETER);
        }
        return takeUp(next)
                .or(() -> isTooMuch(next)
                        ? Optional.of(Advice.of(new Move.RecordStep(0), Reason.BIAS_STOP))
                        : leftS > 0 ? Optional.of(hold(next, leftS)) : entries())
                .orElseGet(() -> read(next));
    }

    private boolean isTooMuch(NextBias next) {
        return draft.isComplete()
                && BiasSteps.points(plan, List.of(draft)).stream()
                        .anyMatch(point -> point.currentA().value() > next.stopA());
    }

    /** What was read is settled, then recorded. */
    private Optional<Advice> entries() {
        return Entries.toSettle(state)
                .or(() -> draft.isComplete() && !draft.readings().isEmpty()
                        ? Optional.of(Entries.record(state, () -> Reason.BIAS_IS_READ))
                        : draft.readings().isEmpty() ? Optional.empty() : Entries.missing(draft));
    }

    private Optional<Advice> takeUp(NextBias next) {
        return next.device() == device()
                ? Optional.empty()
                : Optional.of(Advice.of(
                        new Move.Turn(Control.DEVICE, Math.max(0, device()), next.device(), 0), reason(next)));
    }

    /** Returns which is taken up; below 0 where it was never said. */
    private int device() {
        return draft.position(Control.DEVICE).map(Double::intValue).orElse(-1);
    }

    private Advice hold(NextBias next, double leftS) {
        return Advice.of(new Move.Hold(next.device(), leftS), reason(next));
    }

    private Advice read(NextBias next) {
        if (next.purpose() == Purpose.DOWN) {
            return Advice.of(new Move.TurnDown(next.device()), reason(next));
        }
        if (next.purpose() != Purpose.SET) {
            return Advice.of(new Move.ReadOff(0), reason(next));
        }
        ReadingRole role = BiasSteps.role(plan);
        double from = state.lastStep()
                .flatMap(step -> step.measured(role))
                .map(Quantity::value)
                .orElse(0.0);
        return Advice.of(new Move.Adjust(next.device(), role, from, plan.shown(next.aimA())), reason(next));
    }

    private double leftS(NextBias next, Instant now) {
        double speed = state.setup().settings().warmUpSpeed();
        double sinceKeyS =
                seconds(state.keyDowns().get(state.keyDowns().size() - 1).from(), now);
        return Math.max(
                next.afterStepS() / speed - seconds(state.stepSince(), now), next.afterKeyS() / speed - sinceKeyS);
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }

    private static Reason reason(NextBias next) {
        return switch (next.because()) {
            case STANDING -> Reason.BIAS_STANDING;
            case HALF -> Reason.BIAS_HALF;
            case THREE_QUARTERS -> Reason.BIAS_THREE_QUARTERS;
            case FULL -> Reason.BIAS_FULL;
            case BELOW -> Reason.BIAS_BELOW;
            case OVERSHOT -> Reason.BIAS_OVERSHOT;
            case ROSE -> Reason.BIAS_ROSE;
            case WATCH -> Reason.BIAS_WATCH;
            case SOAK -> Reason.BIAS_SOAK;
            case HOT -> Reason.BIAS_HOT;
            case ALONE -> Reason.BIAS_ALONE;
            case AGAIN -> Reason.BIAS_AGAIN;
        };
    }
}
