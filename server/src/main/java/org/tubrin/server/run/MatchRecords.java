package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.tubrin.core.matcher.Matching;
import org.tubrin.core.run.MatcherSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;

/** Finds the matchers that were tuned among the runs. */
@Component
public class MatchRecords {
    private final ToldRuns<Tuned> runs;

    MatchRecords(RunMapper runs, RunStore store) {
        this.runs = new ToldRuns<>(
                runs,
                store,
                run -> MatcherSteps.matching(run.setup(), run.steps(), run.trips())
                        .map(matching -> new Tuned(run, matching)));
    }

    private record Tuned(RunState run, Matching matching) {}

    /** One matcher that was tuned. */
    public record Kept(UUID runId, RunState run, Matching matching) {}

    /** Returns the newest, the newest first. */
    public List<Kept> newest() {
        return runs.newest(School.MATCHER, ToldRuns.MOST).stream()
                .map(told ->
                        new Kept(told.runId(), told.told().run(), told.told().matching()))
                .toList();
    }
}
