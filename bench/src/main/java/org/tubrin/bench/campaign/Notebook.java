package org.tubrin.bench.campaign;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;

/** What a person of a campaign writes down: the events of one run, as far as a run takes them. */
public final class Notebook {
    private static final Instant START = Instant.parse("2026-11-20T19:00:00Z");

    private final Replay replay;
    private RunState state;

    /** Begins a run. */
    public Notebook(TuneSetup setup) {
        replay = Replay.after(List.of(new Recorded(1, START, new RunEvent.Started(setup))));
        state = replay.state();
    }

    /** Returns where the run stands. */
    public RunState state() {
        return state;
    }

    /** Returns the moment so many seconds after the start. */
    public Instant at(double seconds) {
        return START.plus(Duration.ofNanos(Math.round(seconds * 1e9)));
    }

    /** Writes down what happened so many seconds after the start, where the run takes it. */
    public void does(RunEvent event, double seconds) {
        if (Admission.refusals(state, event, at(seconds)).isEmpty()) {
            state = replay.then(new Recorded(state.sequence() + 1, at(seconds), event));
        }
    }
}
