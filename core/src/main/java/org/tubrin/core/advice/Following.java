package org.tubrin.core.advice;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunEvent;

/** Turns "I have done what the advice says" into events. */
public final class Following {

    private Following() {}

    /**
     * Returns the events of an advice that was followed; empty where the move is done by other means: by waiting, by the
     * key, by entering what was read.
     */
    public static List<RunEvent> events(Advice advice, Instant now) {
        List<RunEvent> events = new ArrayList<>();
        if (advice.strikesReadings()) {
            events.add(new RunEvent.TriedAgain());
        }
        if (advice.beginsFinish()) {
            events.add(new RunEvent.FinishBegun());
        }
        Move move = advice.move();
        if (move instanceof Move.Answer answer) {
            events.add(new RunEvent.Checked(answer.check()));
        } else if (move instanceof Move.SwitchHeatersOn) {
            events.add(new RunEvent.Warm(now));
        } else if (move instanceof Move.SetDials dials) {
            events.add(new RunEvent.DialMoved(Control.PLATE, "", dials.plate()));
            events.add(new RunEvent.DialMoved(Control.LOAD, "", dials.load()));
        } else if (move instanceof Move.Turn turn) {
            events.add(new RunEvent.DialMoved(turn.control(), "", turn.to()));
        } else if (move instanceof Move.SwitchRange range) {
            events.add(new RunEvent.RangeChosen(range.role(), range.to()));
        } else if (move instanceof Move.Unkey) {
            events.add(new RunEvent.Unkeyed());
        } else if (move instanceof Move.RecordStep) {
            events.add(new RunEvent.StepRecorded());
        } else if (move instanceof Move.WriteDown) {
            events.add(new RunEvent.Finished());
        }
        return List.copyOf(events);
    }
}
