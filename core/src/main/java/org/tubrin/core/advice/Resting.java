package org.tubrin.core.advice;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.run.RunState;

/** The rest between two key-downs. */
final class Resting {
    private Resting() {}

    /** Returns the rest that is still to be kept; empty where the key may go down. */
    static Optional<Advice> of(RunState state, Instant now) {
        KeyClock clock = KeyClock.of(state, now);
        if (clock.phase() != KeyClock.Phase.RESTING) {
            return Optional.empty();
        }
        double elapsedS = Duration.between(clock.since(), now).toMillis() / 1000.0;
        boolean forLoad = clock.restS() > Math.max(state.setup().settings().restS(), clock.lastKeyDownS());
        return Optional.of(Advice.of(
                new Move.Rest(Math.max(0, clock.restS() - elapsedS)),
                forLoad ? Reason.LOAD_MUST_COOL : Reason.LET_REST,
                forLoad ? new Caution[] {Caution.HOT_LOAD} : new Caution[0]));
    }
}
