package org.tubrin.server.fault;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.tubrin.core.faults.CaseStep;
import org.tubrin.core.faults.FaultCheck;
import org.tubrin.core.run.RunState;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.trend.Figure;
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
    private static final Duration LATELY = Duration.ofDays(60);

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

    /** Returns the answers that the records give; what they know nothing of is not among them. */
    List<CaseStep> of(String amplifier) {
        Instant now = clock.instant();
        List<CaseStep> answers = new ArrayList<>();
        trends(amplifier, now, answers);
        climbs.newest(new RunFilter(amplifier, null, null, null, null, null), MOST_LOOKED_AT).stream()
                .findFirst()
                .ifPresent(run -> lastRun(run.told(), now, answers));
        boolean isNew = alterations.all().stream()
                .anyMatch(one ->
                        one.part() == Alteration.Part.FIRMWARE && one.at().isAfter(now.minus(LATELY)));
        if (isNew) {
            answers.add(new CaseStep.Answered(now, FaultCheck.RECORD_FIRMWARE, true));
        }
        return answers;
    }

    /** Of each figure that was followed anywhere: whether it moved the bad way at any place. */
    private void trends(String amplifier, Instant now, List<CaseStep> answers) {
        List<Series> followed = counts.places().stream()
                .filter(place -> place.amplifier().equals(amplifier))
                .filter(place -> place.finished() >= Series.LEAST_RUNS)
                .flatMap(place -> of(place).stream())
                .filter(series -> series.points().size() >= Series.LEAST_RUNS)
                .toList();
        answer(followed, Set.of(Figure.OUTPUT_AT_DRIVE), -1, FaultCheck.RECORD_OUTPUT_FELL, now, answers);
        answer(followed, Set.of(Figure.SAG), 1, FaultCheck.RECORD_SAG_GREW, now, answers);
        answer(
                followed,
                Set.of(Figure.LOAD_SWR_COLD, Figure.LOAD_SWR_HOT),
                0,
                FaultCheck.RECORD_LOAD_MOVED,
                now,
                answers);
    }

    private List<Series> of(RunPlace place) {
        Optional<Alteration> since =
                Alteration.last(alterations.all(), List.of(place.amplifier(), place.termination()));
        return Series.of(runs.figures(place.amplifier(), place.band(), place.termination()).stream()
                .filter(one ->
                        since.filter(change -> one.at().isBefore(change.at())).isEmpty())
                .toList());
    }

    private static void answer(
            List<Series> followed,
            Set<Figure> figures,
            int way,
            FaultCheck check,
            Instant now,
            List<CaseStep> answers) {
        List<Series> those =
                followed.stream().filter(one -> figures.contains(one.figure())).toList();
        if (!those.isEmpty()) {
            boolean moved = those.stream()
                    .flatMap(one -> one.changes().stream())
                    .anyMatch(change -> way == 0 || Math.signum(change.size()) == way);
            answers.add(new CaseStep.Answered(now, check, moved));
        }
    }

    private static void lastRun(RunState run, Instant now, List<CaseStep> answers) {
        int last = run.steps().size() - 1;
        Set<Sign.Code> signs = Signs.of(run.steps().get(last), run.stepBefore(last)).stream()
                .filter(sign -> sign.severity() != Sign.Severity.NOTE)
                .map(Sign::code)
                .collect(Collectors.toSet());
        answers.add(new CaseStep.Answered(now, FaultCheck.RECORD_LIGHT, signs.contains(Sign.Code.COUPLED_TOO_LIGHTLY)));
        answers.add(new CaseStep.Answered(now, FaultCheck.RECORD_INPUT_SWR, signs.contains(Sign.Code.INPUT_SWR_HIGH)));
    }
}
