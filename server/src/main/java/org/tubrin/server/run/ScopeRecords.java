package org.tubrin.server.run;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;

/** Finds the waveform checks among the runs. */
@Component
public class ScopeRecords {
    private final ToldRuns<RunState> runs;

    ScopeRecords(RunMapper runs, RunStore store) {
        this.runs = new ToldRuns<>(
                runs, store, run -> Optional.of(run).filter(one -> !one.steps().isEmpty()));
    }

    /** One waveform check. */
    public record Kept(UUID runId, RunState run) {}

    /** Returns the newest, the newest first. */
    public List<Kept> newest() {
        return runs.newest(School.WAVEFORM, ToldRuns.MOST).stream()
                .map(told -> new Kept(told.runId(), told.told()))
                .toList();
    }
}
