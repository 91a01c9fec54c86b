package org.tubrin.core.advice;

import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.matcher.NextMatch;
import org.tubrin.core.matcher.NextMatch.Node;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.MatcherSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.station.Amplifier;

/**
 * The next move where a matcher is tuned. What could do harm comes off first: the power amplifier, then drive; what could do harm comes
 * on last: the power amplifier, once drive is down.
 */
final class MatcherAdvice {
    /** More than this above what is asked is not taken for the same drive. */
    private static final double OVER = 1.25;

    private static final double OVER_RATED = 2;
    /** Less than this below. */
    private static final double BELOW = 0.9;

    private final RunState state;
    private final Step draft;
    private final Instant now;

    private MatcherAdvice(RunState state, Instant now) {
        this.state = state;
        this.draft = state.draft();
        this.now = now;
    }

    static Advice of(RunState state, Instant now) {
        return new MatcherAdvice(state, now).next();
    }

    static Advice keyDown(RunState state, KeyClock clock) {
        return Advice.of(
                new Move.ReadOff(clock.aimS()),
                MatcherSteps.next(state.setup(), state.steps(), state.trips())
                                .filter(next -> next.node() == Node.TUNE)
                                .isPresent()
                        ? Reason.MATCH_SETTLES
                        : Reason.MATCH_READ);
    }

    private Advice next() {
        return Entries.toSettle(state)
                .or(() -> draft.isComplete() && !draft.readings().isEmpty()
                        ? Optional.of(Entries.record(state, () -> Reason.MATCH_IS_READ))
                        : Entries.missing(draft))
                .or(() -> MatcherSteps.next(state.setup(), state.steps(), state.trips())
                        .map(this::towards))
                // Without a next key-down the run is no longer in its climb.
                .orElseThrow();
    }

    private Advice towards(NextMatch next) {
        Reason reason = reason(next.because());
        return powerAmplifier(next, reason)
                .or(() -> drive(next, next.node() == Node.FIRST ? Reason.MATCH_DRIVE_DOWN : reason))
                .or(() -> matcher(next, reason))
                .or(() -> next.node().amplifies() && !isOn()
                        ? Optional.of(turn(Control.POWER_AMPLIFIER, 1, Reason.MATCH_PA_LAST))
                        : Optional.empty())
                .or(() -> RangeAdvice.of(state, Optional.of(expected(next))))
                .or(() -> Resting.of(state, now))
                .orElseGet(() -> Advice.of(
                        new Move.KeyAndRead(draft.driveW().value(), next.node() != Node.TUNE),
                        next.node() == Node.FIRST ? Reason.MATCH_FIRST : reason,
                        Caution.RF_EXPOSURE));
    }

    /** Off before anything else; where the readings say that it is on, whatever was said before. */
    private Optional<Advice> powerAmplifier(NextMatch next, Reason reason) {
        if (next.node().amplifies()) {
            return next.because() == NextMatch.Because.PA_IS_OFF && !isMoved()
                    ? Optional.of(Advice.of(new Move.Turn(Control.POWER_AMPLIFIER, 0, 1, 0), reason))
                    : Optional.empty();
        }
        boolean seenOn = next.because().isOn() && !isMoved();
        return seenOn || isOn()
                ? Optional.of(Advice.of(new Move.Turn(Control.POWER_AMPLIFIER, 1, 0, 0), reason))
                : Optional.empty();
    }

    private boolean isMoved() {
        return draft.moved().contains(Control.POWER_AMPLIFIER);
    }

    private boolean isOn() {
        return draft.position(Control.POWER_AMPLIFIER).orElse(0.0) > 0;
    }

    private Optional<Advice> drive(NextMatch next, Reason reason) {
        double setW = draft.position(Control.DRIVE).orElse(0.0);
        boolean stands = setW <= OVER * next.driveW() && setW >= BELOW * next.driveW();
        return stands
                ? Optional.empty()
                : Optional.of(turn(Control.DRIVE, state.setup().settableW(next.driveW()), reason));
    }

    private Optional<Advice> matcher(NextMatch next, Reason reason) {
        double wanted = next.node().isMatched() ? 1 : 0;
        return draft.position(Control.MATCHER).orElse(0.0) == wanted
                ? Optional.empty()
                : Optional.of(turn(Control.MATCHER, wanted, reason));
    }

    private Advice turn(Control control, double to, Reason reason) {
        return Advice.of(new Move.Turn(control, draft.position(control).orElse(0.0), to, 0), reason);
    }

    /** Until it is proven, and once it is on, the amplifier may bring what it is rated for at the drive, and more where gain is high. */
    private Advice.Expectation expected(NextMatch next) {
        Amplifier amplifier = state.setup().amplifier();
        double amplifiedW = OVER_RATED * state.setup().claimedW(next.driveW());
        double bypassedW = next.node() == Node.PROVE ? asBeforeW(next).orElse(amplifiedW) : amplifiedW;
        return new Advice.Expectation(
                0, next.node() == Node.TUNE ? next.driveW() : Math.min(amplifier.ratedOutputW(), bypassedW));
    }

    /** What did not amplify a moment ago, with less power, does not at the same switch with more. */
    private Optional<Double> asBeforeW(NextMatch next) {
        return Optional.of(next)
                .filter(one -> one.because() == NextMatch.Because.NOT_TOLD)
                .flatMap(one -> MatcherSteps.matching(state.setup(), state.steps(), state.trips()))
                .flatMap(matching -> matching.last(Node.PROVE))
                .map(last -> last.outputW().high()
                        * next.driveW()
                        / Math.max(last.inputW().value(), state.setup().leastDriveW()));
    }

    private static Reason reason(NextMatch.Because because) {
        return switch (because) {
            case UNPROVEN -> Reason.MATCH_PROVE;
            case PA_IS_ON -> Reason.MATCH_PA_ON;
            case TRIPPED -> Reason.MATCH_TRIPPED;
            case TRIPPED_MATCHED -> Reason.MATCH_TRIPPED_MATCHED;
            case PATH_LOSES -> Reason.MATCH_PATH_LOSES;
            case NOT_TOLD -> Reason.MATCH_NOT_TOLD;
            case PROVEN -> Reason.MATCH_TUNE;
            case POWER_SHORT -> Reason.MATCH_POWER_SHORT;
            case NOT_MATCHED -> Reason.MATCH_AGAIN;
            case MATCHED -> Reason.MATCH_DRIVE_DOWN;
            case PA_IS_OFF -> Reason.MATCH_PA_OFF;
        };
    }
}
