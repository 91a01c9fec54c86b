package org.tubrin.server.fault;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.faults.CaseStep;
import org.tubrin.core.faults.StationRecords;
import org.tubrin.core.run.RunState;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.trend.RunFigures;
import org.tubrin.core.trend.Series;
import org.tubrin.server.run.RunCounts;
import org.tubrin.server.run.RunFilter;
import org.tubrin.server.run.RunMapper;
import org.tubrin.server.run.RunPlace;
import org.tubrin.server.run.RunStore;
import org.tubrin.server.run.ToldRuns;
import org.tubrin.server.station.Alterations;

/** What the station's own records say of an amplifier: its trends, its last run, the ledger. */
@Component
class Records {
    /** So many runs are looked at for one with steps. */
    private static final int MOST_LOOKED_AT = 10;

    private final RunStore runs;
    private final ToldRuns<RunState> climbs;
    private final RunCounts counts;
    private final Alterations alterations;
    private final Clock clock;

    Records(RunStore runs, RunMapper mapper, RunCounts counts, Alterations alterations, Clock clock) {
        this.runs = runs;
        climbs = new ToldRuns<>(
                mapper, runs, run -> Optional.of(run).filter(one -> !one.steps().isEmpty()));
        this.counts = counts;
        this.alterations = alterations;
        this.clock = clock;
    }

    /** Returns what they answer; what they know nothing of is not among it. */
    List<CaseStep> of(String amplifier) {
        List<Alteration> changed = alterations.all();
        List<Series> followed = counts.places().stream()
                .filter(place -> place.amplifier().equals(amplifier))
                .flatMap(place -> of(place, changed).stream())
                .toList();
        Optional<RunState> last =
                climbs.newest(new RunFilter(amplifier, null, null, null, null, null), MOST_LOOKED_AT).stream()
                        .findFirst()
                        .map(ToldRuns.Told::told);
        return new StationRecords(followed, last, changed).answers(clock.instant());
    }

    private List<Series> of(RunPlace place, List<Alteration> changed) {
        return Series.of(RunFigures.since(
                runs.figures(place.amplifier(), place.band(), place.termination()),
                Alteration.last(changed, List.of(place.amplifier(), place.termination()))));
    }
}
