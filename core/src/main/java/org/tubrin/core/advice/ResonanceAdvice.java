package org.tubrin.core.advice;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.resonance.NextAct;
import org.tubrin.core.resonance.Place;
import org.tubrin.core.resonance.ResonanceWatch;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.ResonanceSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;

/** The next move where an antenna is watched: read, one short step of the motor, read, until the sign turns; then it is left alone. */
final class ResonanceAdvice {
    private final RunState state;
    private final Step draft;
    private final Instant now;
    private final ResonanceWatch done;

    private ResonanceAdvice(RunState state, Instant now) {
        this.state = state;
        draft = state.draft();
        this.now = now;
        done = ResonanceSteps.watch(state).orElseThrow();
    }

    static Advice keyUp(RunState state, Instant now) {
        return new ResonanceAdvice(state, now).keyUp();
    }

    static Advice keyDown(RunState state, Instant now) {
        return new ResonanceAdvice(state, now).keyDown();
    }

    private Advice keyUp() {
        return entries()
                .or(() -> Optional.of(done.next())
                        .filter(next -> next.act() == NextAct.Act.STOP)
                        .map(next -> Advice.of(new Move.KeyAndRead(0, false), reason(next), Caution.ANTENNA_VOLTS)))
                .or(this::alone)
                .orElseGet(
                        () -> Advice.of(new Move.KeyAndRead(0, false), Reason.RESONANCE_LOOK, Caution.ANTENNA_VOLTS));
    }

    private Advice keyDown() {
        Optional<Advice> entries = entries();
        if (entries.isPresent()) {
            return entries.get();
        }
        Advice read = Advice.of(new Move.ReadOff(0), Reason.RESONANCE_READ);
        if (!isOfThisKeyDown()) {
            return read;
        }
        NextAct next = done.next();
        return switch (next.act()) {
            case READ -> Advice.of(new Move.ReadOff(0), reason(next));
            case MOVE -> draft.moved().contains(Control.MOTOR) ? read : turn(next);
            case LEAVE -> alone().orElse(read);
            case STOP -> Advice.of(new Move.Unkey(0), reason(next), Caution.ANTENNA_VOLTS);
        };
    }

    private boolean isOfThisKeyDown() {
        return done.last()
                .filter(place -> place.points().get(place.count() - 1).keyDown()
                        == state.keyDowns().size())
                .isPresent();
    }

    /** What was read is settled, and then recorded with what it asks for. */
    private Optional<Advice> entries() {
        return Entries.toSettle(state)
                .or(() -> draft.isComplete() && !draft.readings().isEmpty()
                        ? Optional.of(recorded(ResonanceSteps.watchWithDraft(state)
                                .orElseThrow()
                                .next()))
                        : draft.readings().isEmpty() ? Optional.empty() : Entries.missing(draft));
    }

    private Advice recorded(NextAct next) {
        return next.act() == NextAct.Act.MOVE && state.isKeyed()
                ? turn(next).recording()
                : Advice.of(new Move.RecordStep(0), reason(next));
    }

    private Advice turn(NextAct next) {
        double stands = draft.position(Control.MOTOR).orElse(0.0);
        return Advice.of(new Move.Turn(Control.MOTOR, stands, stands + next.steps(), 0), reason(next));
    }

    /** Left alone until drift may have taken it out of tune. */
    private Optional<Advice> alone() {
        NextAct next = done.next();
        return done.last()
                .filter(place -> next.act() == NextAct.Act.LEAVE)
                .map(place -> leftS(place))
                .filter(leftS -> leftS > 0)
                .map(leftS -> Advice.of(new Move.LeaveAlone(leftS), reason(next)));
    }

    private double leftS(Place place) {
        double waitS = done.waitS() / state.setup().settings().warmUpSpeed();
        return waitS - Duration.between(place.at(), now).toMillis() / 1000.0;
    }

    private static Reason reason(NextAct next) {
        return switch (next.because()) {
            case FIRST -> Reason.RESONANCE_LOOK;
            case WIND -> Reason.RESONANCE_WIND;
            case OFF -> Reason.RESONANCE_OFF;
            case ALARM -> Reason.RESONANCE_ALARM;
            case WRONG_WAY -> Reason.RESONANCE_WRONG_WAY;
            case BACK -> Reason.RESONANCE_BACK;
            case IN_TUNE -> Reason.RESONANCE_IN_TUNE;
            case TURNED -> Reason.RESONANCE_TURNED;
            case AS_WELL_AS_WIND -> Reason.RESONANCE_AS_WELL;
            case STUCK -> Reason.RESONANCE_STUCK;
            case FAR -> Reason.RESONANCE_FAR;
            case RESISTANCE -> Reason.RESONANCE_RESISTANCE;
        };
    }
}
