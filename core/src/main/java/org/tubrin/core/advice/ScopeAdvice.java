package org.tubrin.core.advice;

import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.ScopeSteps;
import org.tubrin.core.run.Step;
import org.tubrin.core.scope.Look;
import org.tubrin.core.scope.ScopeCheck;

/** The next move where a scope is looked at: what is looked for, a key-down, volts and shape. */
final class ScopeAdvice {
    private ScopeAdvice() {}

    static Advice of(RunState state, Instant now) {
        Step draft = state.draft();
        return Entries.toSettle(state)
                .or(() -> draft.isComplete() && !draft.readings().isEmpty()
                        ? Optional.of(Entries.record(state, () -> Reason.WAVE_IS_SEEN))
                        : Optional.empty())
                .or(() -> shape(draft))
                .or(() -> Entries.missing(draft))
                .or(() -> ScopeSteps.next(state.setup(), state.steps()).map(next -> towards(state, next, now)))
                // Without a next look the run is no longer in its climb.
                .orElseThrow();
    }

    static Advice keyDown(RunState state, KeyClock clock) {
        return Advice.of(
                new Move.ReadOff(clock.aimS()),
                ScopeSteps.look(state.draft()).map(ScopeAdvice::whatFor).orElse(Reason.WAVE_VOLTS));
    }

    /** Volts are there, but not what the trace looks like. */
    private static Optional<Advice> shape(Step draft) {
        return draft.missing().isEmpty() && !draft.readings().isEmpty()
                ? ScopeSteps.look(draft)
                        .filter(look -> !draft.sight().tells(look))
                        .map(look -> Advice.of(new Move.TellShape(look), whatFor(look)))
                : Optional.empty();
    }

    private static Reason whatFor(Look look) {
        return switch (look.shows()) {
            case VOLTS -> Reason.WAVE_VOLTS;
            case BEAT -> Reason.WAVE_BEAT;
            case RIPPLE -> Reason.WAVE_RIPPLE;
        };
    }

    private static Advice towards(RunState state, ScopeCheck.Next next, Instant now) {
        Step draft = state.draft();
        Look look = next.look();
        Reason reason = switch (next.because()) {
            case VOLTS_APART -> Reason.WAVE_APART;
            case EXCITER_NOT_CLEAN -> Reason.WAVE_EXCITER;
            case IN_ORDER -> reason(look);
        };
        double stands = draft.position(Control.LOOK).orElse(0.0);
        if (stands != look.place()) {
            return Advice.of(new Move.Turn(Control.LOOK, stands, look.place(), 0), reason);
        }
        return ScopeSteps.expectedW(draft)
                .flatMap(watt -> RangeAdvice.of(state, Optional.of(new Advice.Expectation(0, watt))))
                .or(() -> Resting.of(state, now))
                .orElseGet(() -> Advice.of(new Move.KeyAndRead(draft.driveW().value(), false), reason));
    }

    private static Reason reason(Look look) {
        return switch (look) {
            case EXCITER_CARRIER -> Reason.WAVE_EXCITER_CARRIER;
            case EXCITER_TONES -> Reason.WAVE_EXCITER_TONES;
            case AMPLIFIER_CARRIER -> Reason.WAVE_AMPLIFIER_CARRIER;
            case AMPLIFIER_RIPPLE -> Reason.WAVE_AMPLIFIER_RIPPLE;
            case AMPLIFIER_TONES -> Reason.WAVE_AMPLIFIER_TONES;
        };
    }
}
