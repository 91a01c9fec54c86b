package org.tubrin.core.faults;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoublePredicate;
import org.tubrin.core.run.RunState;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.trend.Figure;
import org.tubrin.core.trend.Series;

/**
 * What the station's own records say of an amplifier before anything is asked.
 *
 * @param followed the figures of its runs, at each place
 * @param lastRun the newest with a step; empty where there is none
 * @param alterations of the whole station
 */
public record StationRecords(List<Series> followed, Optional<RunState> lastRun, List<Alteration> alterations) {
    /** Whoever has learnt a new firmware complains no more. */
    private static final Duration LATELY = Duration.ofDays(60);

    /** Returns their answers; what they know nothing of is not among them. */
    public List<CaseStep> answers(Instant now) {
        List<CaseStep> answers = new ArrayList<>();
        moved(Set.of(Figure.OUTPUT_AT_DRIVE), size -> size < 0)
                .ifPresent(yes -> answers.add(new CaseStep.Answered(now, FaultCheck.RECORD_OUTPUT_FELL, yes)));
        moved(Set.of(Figure.SAG), size -> size > 0)
                .ifPresent(yes -> answers.add(new CaseStep.Answered(now, FaultCheck.RECORD_SAG_GREW, yes)));
        moved(Set.of(Figure.LOAD_SWR_COLD, Figure.LOAD_SWR_HOT), size -> true)
                .ifPresent(yes -> answers.add(new CaseStep.Answered(now, FaultCheck.RECORD_LOAD_MOVED, yes)));
        lastRun.map(StationRecords::signs).ifPresent(signs -> {
            answers.add(
                    new CaseStep.Answered(now, FaultCheck.RECORD_LIGHT, signs.contains(Sign.Code.COUPLED_TOO_LIGHTLY)));
            answers.add(
                    new CaseStep.Answered(now, FaultCheck.RECORD_INPUT_SWR, signs.contains(Sign.Code.INPUT_SWR_HIGH)));
        });
        boolean isNew = alterations.stream()
                .anyMatch(one ->
                        one.part() == Alteration.Part.FIRMWARE && one.at().isAfter(now.minus(LATELY)));
        if (isNew) {
            answers.add(new CaseStep.Answered(now, FaultCheck.RECORD_FIRMWARE, true));
        }
        return answers;
    }

    /** Returns whether any of the figures moved that way at any place; empty where none was followed for long enough. */
    private Optional<Boolean> moved(Set<Figure> figures, DoublePredicate badWay) {
        List<Series> those = followed.stream()
                .filter(one -> figures.contains(one.figure()))
                .filter(one -> one.points().size() >= Series.LEAST_RUNS)
                .toList();
        return those.isEmpty()
                ? Optional.empty()
                : Optional.of(those.stream()
                        .flatMap(one -> one.changes().stream())
                        .anyMatch(change -> badWay.test(change.size())));
    }

    private static Set<Sign.Code> signs(RunState run) {
        int last = run.steps().size() - 1;
        Set<Sign.Code> signs = EnumSet.noneOf(Sign.Code.class);
        Signs.of(run.steps().get(last), run.stepBefore(last)).stream()
                .filter(sign -> sign.severity() != Sign.Severity.NOTE)
                .forEach(sign -> signs.add(sign.code()));
        return signs;
    }
}
