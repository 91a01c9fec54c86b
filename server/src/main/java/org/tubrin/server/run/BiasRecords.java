package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.tubrin.core.bias.BiasClimb;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;

/** Finds the idle currents among the runs. */
@Component
public class BiasRecords {
    private final ToldRuns<Climbed> runs;

    BiasRecords(RunMapper runs, RunStore store) {
        this.runs = new ToldRuns<>(
                runs, store, run -> BiasSteps.climb(run.setup(), run.steps()).map(climb -> new Climbed(run, climb)));
    }

    private record Climbed(RunState run, BiasClimb climb) {}

    /** One bias climb. */
    public record Kept(UUID runId, RunState run, BiasClimb climb) {}

    /** Returns the newest, the newest first. */
    public List<Kept> newest() {
        return runs.newest(School.BIAS, ToldRuns.MOST).stream()
                .map(told ->
                        new Kept(told.runId(), told.told().run(), told.told().climb()))
                .toList();
    }
}
