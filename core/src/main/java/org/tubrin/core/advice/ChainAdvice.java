package org.tubrin.core.advice;

import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.chain.ChainClimb;
import org.tubrin.core.run.ChainSteps;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;

/** The next move where a chain is driven up: the attenuator, a key-down, all meters. */
final class ChainAdvice {
    private ChainAdvice() {}

    static Advice of(RunState state, Instant now) {
        Step draft = state.draft();
        return Entries.toSettle(state)
                .or(() -> draft.isComplete() && !draft.readings().isEmpty()
                        ? Optional.of(Entries.record(state, () -> Reason.CHAIN_IS_READ))
                        : Entries.missing(draft))
                .or(() -> ChainSteps.next(state.setup(), state.steps()).map(next -> towards(state, next, now)))
                // Without a next setting the run is no longer in its climb.
                .orElseThrow();
    }

    /** Where a wattmeter is read as well, its range is wide enough first. */
    private static Optional<Advice> range(RunState state) {
        return ChainSteps.expectedW(state.setup(), state.steps(), state.draft())
                .flatMap(watt -> RangeAdvice.of(state, Optional.of(new Advice.Expectation(0, watt))));
    }

    private static Advice towards(RunState state, ChainClimb.Next next, Instant now) {
        Step draft = state.draft();
        Reason reason = switch (next.because()) {
            case FIRST -> Reason.CHAIN_FIRST;
            case COARSE -> Reason.CHAIN_COARSE;
            case FINE -> Reason.CHAIN_FINE;
        };
        Optional<Double> stands = draft.position(Control.ATTENUATOR);
        // More attenuation than is asked for is never too much.
        boolean isSet = stands.filter(db -> db >= next.attenuationDb()).isPresent()
                && draft.moved().contains(Control.ATTENUATOR);
        return isSet
                ? range(state)
                        .or(() -> Resting.of(state, now))
                        .orElseGet(() ->
                                Advice.of(new Move.KeyAndRead(draft.driveW().value(), false), reason))
                : Advice.of(new Move.Turn(Control.ATTENUATOR, stands.orElse(0.0), next.attenuationDb(), 0), reason);
    }
}
