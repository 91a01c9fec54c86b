package org.tubrin.core.advice;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Doubt;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;

/** What the entries of the step in hand ask for, whatever the stage. */
final class Entries {
    private Entries() {}

    /** Returns what to settle first: an entry that is doubted, since a slip of the pen must not be taken for a sign, then signs. */
    static Optional<Advice> toSettle(RunState state) {
        for (ReadingRole role : state.draft().readings().keySet()) {
            Optional<Doubt> doubt = state.doubt(role);
            if (doubt.isPresent()) {
                return doubt.filter(one -> one == Doubt.BEYOND_RANGE)
                        .flatMap(one -> RangeAdvice.wider(state, role))
                        .or(() -> doubt.map(one -> Advice.of(new Move.SettleDoubt(role, one), Reason.ENTRY_DOUBTFUL)));
            }
        }
        return SignAdvice.of(state);
    }

    /** Returns what is still to be entered of a step that was begun; empty where none was, or where nothing is missing. */
    static Optional<Advice> missing(Step draft) {
        if (draft.isComplete() || (draft.readings().isEmpty() && draft.keyDowns() == 0)) {
            return Optional.empty();
        }
        List<ReadingRole> missing = draft.missing();
        Optional<ReadingRole> next = draft.takesAnotherKeyDown() ? draft.meterSwitch() : Optional.empty();
        if (next.isPresent()) {
            return Optional.of(Advice.of(
                    new Move.SwitchAndRead(
                            draft.setup().meterFor(next.get()).orElseThrow().name(),
                            next.get(),
                            draft.driveW().value()),
                    Reason.ONE_METER));
        }
        return Optional.of(Advice.of(
                missing.isEmpty()
                        ? new Move.EnterPosition(draft.unset().get(0))
                        : new Move.EnterReadings(draft.inView()),
                Reason.READINGS_MISSING));
    }

    /** Whatever the signs still say of a step is said with it: only where they say nothing do all limits hold. */
    static Advice record(RunState state, Supplier<Reason> good) {
        Move record = new Move.RecordStep(state.draft().driveW().value());
        return Signs.of(state.draft(), state.lastStep()).stream()
                .filter(sign -> sign.severity() != Sign.Severity.NOTE)
                .findFirst()
                .map(gravest -> Advice.of(record, Reason.STEP_WITH_SIGN).about(gravest.code()))
                .orElseGet(() -> Advice.of(record, good.get()));
    }
}
