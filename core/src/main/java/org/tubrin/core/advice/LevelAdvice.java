package org.tubrin.core.advice;

import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.alc.NextLevel;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.LevelSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;

/** The next move where the level into an exciter is tried: set power and tone as the level asks for, then the level, then both meters. */
final class LevelAdvice {
    private final RunState state;
    private final Step draft;
    private final Instant now;

    private LevelAdvice(RunState state, Instant now) {
        this.state = state;
        this.draft = state.draft();
        this.now = now;
    }

    static Advice of(RunState state, Instant now) {
        return new LevelAdvice(state, now).next();
    }

    private Advice next() {
        return Entries.toSettle(state)
                .or(() -> draft.isComplete() && !draft.readings().isEmpty()
                        ? Optional.of(record())
                        : Entries.missing(draft))
                .or(() -> LevelSteps.next(state.setup(), state.steps()).map(this::towards))
                // Without a next level the run is no longer in its climb.
                .orElseThrow();
    }

    private Advice record() {
        return Entries.record(state, () -> Reason.LEVEL_IS_GOOD);
    }

    private Advice towards(NextLevel next) {
        Reason reason = reason(next.because());
        return turn(Control.DRIVE, next.setPowerW(), reason)
                .or(() -> RangeAdvice.of(
                        state, Optional.of(new Advice.Expectation(0, SoundPath.mostW(next.setPowerW())))))
                .or(() -> turn(Control.TONE, next.toneHz(), reason))
                .or(() -> turn(Control.LEVEL, next.level(), reason))
                .or(() -> Resting.of(state, now))
                .orElseGet(() -> Advice.of(new Move.KeyAndRead(next.setPowerW(), false), Reason.LEVEL_READ));
    }

    /** What was set since the last level stays where it was set. */
    private Optional<Advice> turn(Control control, double to, Reason reason) {
        double from = draft.position(control).orElse(0.0);
        boolean stands = draft.moved().contains(control) || from == to;
        return stands ? Optional.empty() : Optional.of(Advice.of(new Move.Turn(control, from, to, 0), reason));
    }

    private static Reason reason(NextLevel.Because because) {
        return switch (because) {
            case FIRST -> Reason.LEVEL_FIRST;
            case UP -> Reason.LEVEL_UP;
            case PAST_KNEE -> Reason.LEVEL_PAST_KNEE;
            case BACK_DOWN -> Reason.LEVEL_BACK_DOWN;
            case CLOSER -> Reason.LEVEL_CLOSER;
            case TOO_HOT -> Reason.LEVEL_TOO_HOT;
            case OTHER_POWER -> Reason.LEVEL_OTHER_POWER;
            case OTHER_TONE -> Reason.LEVEL_OTHER_TONE;
        };
    }
}
