package org.tubrin.core.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Refused;

/**
 * What one act adds to a run.
 *
 * @param events as they are recorded
 * @param state after the last of them
 */
public record Taken(List<Recorded> events, RunState state) {
    public Taken {
        events = List.copyOf(events);
    }

    /**
     * Takes the events of an act one after the other; fails with {@link Refused} at the first that the run does not take.
     *
     * @param state where the run stands
     * @param onward stands there too, and goes on
     */
    public static Taken by(RunState state, Replay onward, List<RunEvent> events, Instant now) {
        List<Recorded> added = new ArrayList<>();
        RunState at = state;
        for (int i = 0; i < events.size(); i++) {
            RunEvent event = events.get(i);
            List<Problem> refusals = Admission.refusals(at, event, now);
            if (!refusals.isEmpty()) {
                throw new Refused(refusals);
            }
            Recorded recorded = new Recorded(state.sequence() + added.size() + 1, now, event);
            added.add(recorded);
            onward.apply(recorded);
            // Whether a reading is taken does not hang on the one before it: one state for a row is enough.
            boolean inRow = event instanceof RunEvent.ReadingTaken
                    && i + 1 < events.size()
                    && events.get(i + 1) instanceof RunEvent.ReadingTaken;
            if (!inRow) {
                at = onward.state();
            }
        }
        return new Taken(added, at);
    }
}
