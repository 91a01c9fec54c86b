package org.tubrin.server.run;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;

/** Finds the runs of a kind that came to a step. */
@Component
public class KeptRuns {
    private final ToldRuns<RunState> runs;

    KeptRuns(RunMapper runs, RunStore store) {
        this.runs = new ToldRuns<>(
                runs, store, run -> Optional.of(run).filter(one -> !one.steps().isEmpty()));
    }

    /** One run. */
    public record Kept(UUID runId, RunState run) {}

    /** Returns the one of a run; where there is none, the first. */
    public static Optional<Kept> shown(List<Kept> all, @Nullable UUID run) {
        return all.stream()
                .filter(one -> one.runId().equals(run))
                .findFirst()
                .or(() -> all.stream().findFirst());
    }

    /** Returns the newest by a school, the newest first. */
    public List<Kept> newest(School school) {
        return runs.newest(school, ToldRuns.MOST).stream()
                .map(told -> new Kept(told.runId(), told.told()))
                .toList();
    }
}
