package org.tubrin.core.advice;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Taken;

/** Turns "I have done what the advice says" into events. */
public final class Following implements Move.Cases<List<RunEvent>> {
    /** The move is done by other means: by waiting, by the key, by entering what was read. */
    private static final List<RunEvent> OTHERWISE = List.of();

    private final Instant now;

    private Following(Instant now) {
        this.now = now;
    }

    /** Returns the events of an advice that was followed; empty where the move is done by other means. */
    public static List<RunEvent> events(Advice advice, Instant now) {
        List<RunEvent> events = new ArrayList<>();
        if (advice.recordsStep()) {
            events.add(new RunEvent.StepRecorded());
        }
        if (advice.strikesReadings()) {
            events.add(new RunEvent.TriedAgain());
        }
        if (advice.beginsFinish()) {
            events.add(new RunEvent.FinishBegun());
        }
        events.addAll(advice.move().in(new Following(now)));
        return List.copyOf(events);
    }

    /** Returns the events of a key that goes down: who peaks afresh reads afresh, also where the rest before it was cut short. */
    public static List<RunEvent> keyed(RunState state, Instant now) {
        boolean afresh =
                !state.draft().readings().isEmpty() && NextMove.of(state, now).strikesWhenKeyed();
        return afresh ? List.of(new RunEvent.TriedAgain(), new RunEvent.Keyed()) : List.of(new RunEvent.Keyed());
    }

    /**
     * Returns how a run would stand had its advice been followed; empty where the move is done by other means, is refused or ends
     * the run, and while the key is down.
     *
     * @param onward stands where the run stands, and is used up
     */
    public static Optional<RunState> after(RunState state, Replay onward, Advice advice, Instant now) {
        List<RunEvent> events = state.isKeyed() ? OTHERWISE : events(advice, now);
        if (events.isEmpty()) {
            return Optional.empty();
        }
        try {
            RunState after = Taken.by(state, onward, events, now).state();
            return after.ending().isPresent() ? Optional.empty() : Optional.of(after);
        } catch (Refused notTaken) {
            return Optional.empty();
        }
    }

    @Override
    public List<RunEvent> answer(Move.Answer answer) {
        return List.of(new RunEvent.Checked(answer.check()));
    }

    @Override
    public List<RunEvent> switchHeatersOn(Move.SwitchHeatersOn switchHeatersOn) {
        return List.of(new RunEvent.Warm(now));
    }

    @Override
    public List<RunEvent> waitForWarmth(Move.WaitForWarmth waitForWarmth) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> setDials(Move.SetDials setDials) {
        return List.of(
                new RunEvent.DialMoved(Control.PLATE, "", setDials.plate()),
                new RunEvent.DialMoved(Control.LOAD, "", setDials.load()));
    }

    @Override
    public List<RunEvent> turn(Move.Turn turn) {
        return List.of(new RunEvent.DialMoved(turn.control(), "", turn.to()));
    }

    @Override
    public List<RunEvent> switchRange(Move.SwitchRange switchRange) {
        return List.of(new RunEvent.RangeChosen(switchRange.role(), switchRange.to()));
    }

    @Override
    public List<RunEvent> rest(Move.Rest rest) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> keyAndPeak(Move.KeyAndPeak keyAndPeak) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> keyAndRead(Move.KeyAndRead keyAndRead) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> switchAndRead(Move.SwitchAndRead switchAndRead) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> readOff(Move.ReadOff readOff) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> peakAndRead(Move.PeakAndRead peakAndRead) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> adjust(Move.Adjust adjust) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> turnDown(Move.TurnDown turnDown) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> hold(Move.Hold hold) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> leaveAlone(Move.LeaveAlone leaveAlone) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> unkey(Move.Unkey unkey) {
        return List.of(new RunEvent.Unkeyed());
    }

    @Override
    public List<RunEvent> enterReadings(Move.EnterReadings enterReadings) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> settleDoubt(Move.SettleDoubt settleDoubt) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> tellShape(Move.TellShape tellShape) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> enterPosition(Move.EnterPosition enterPosition) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> workThrough(Move.WorkThrough workThrough) {
        return OTHERWISE;
    }

    @Override
    public List<RunEvent> recordStep(Move.RecordStep recordStep) {
        return List.of(new RunEvent.StepRecorded());
    }

    @Override
    public List<RunEvent> writeDown(Move.WriteDown writeDown) {
        return List.of(new RunEvent.Finished());
    }

    @Override
    public List<RunEvent> done(Move.Done done) {
        return OTHERWISE;
    }
}
