package org.tubrin.server.run;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;
import org.tubrin.server.words.Words;

/** The log: all runs, page by page. */
@RestController
@RequestMapping("/api")
public class LogController {
    /** Runs on one page. */
    static final int PER_PAGE = 100;

    private final RunMapper mapper;
    private final RunCounts counts;
    private final Words words;

    LogController(RunMapper mapper, RunCounts counts, Words words) {
        this.counts = counts;
        this.mapper = mapper;
        this.words = words;
    }

    /** Returns a page of the runs that are asked for; a page after the last is the last. */
    @GetMapping("/runs")
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public LogPage list(
            @RequestParam(required = false) @Nullable String amplifier,
            @RequestParam(required = false) @Nullable Band band,
            @RequestParam(required = false) @Nullable String termination,
            @RequestParam(required = false) @Nullable School school,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam(required = false) @Nullable Integer page) {
        Checks checks = new Checks();
        checks.range("page", page == null ? 1 : page, 1, 1_000_000, Unit.ONE);
        day(checks, "from", from);
        day(checks, "to", to);
        checks.done();
        RunFilter filter = new RunFilter(
                amplifier,
                band == null ? null : band.name(),
                termination,
                school == null ? null : school.name(),
                from == null ? null : from.atStartOfDay(ZoneOffset.UTC).toInstant(),
                to == null ? null : to.plusDays(1).atStartOfDay(ZoneOffset.UTC).toInstant());
        List<RunPlace> places = counts.places();
        int all = places.stream().mapToInt(RunPlace::runs).sum();
        int asked = from == null && to == null ? counted(places, filter) : mapper.count(filter);
        int pages = Math.max(1, (asked + PER_PAGE - 1) / PER_PAGE);
        int at = Math.min(page == null ? 1 : page, pages);
        return new LogPage(page(filter, at, asked), at, pages, PER_PAGE, asked, all, choices(places));
    }

    private static void day(Checks checks, String field, @Nullable LocalDate day) {
        if (day != null) {
            checks.range(field, day.getYear(), 1900, 2200, Unit.ONE);
        }
    }

    private static int counted(List<RunPlace> places, RunFilter filter) {
        return places.stream()
                .filter(place -> (filter.amplifier() == null
                                || filter.amplifier().equals(place.amplifier()))
                        && (filter.onBand() == null || filter.onBand().equals(place.band()))
                        && (filter.termination() == null || filter.termination().equals(place.termination()))
                        && (filter.school() == null || filter.school().equals(place.school())))
                .mapToInt(RunPlace::runs)
                .sum();
    }

    /** Returns the runs of a page; those nearer to the oldest are counted from there. */
    private List<RunSummary> page(RunFilter filter, int page, int asked) {
        int skip = (page - 1) * PER_PAGE;
        int most = Math.min(PER_PAGE, asked - skip);
        boolean fromOldest = skip > asked / 2;
        List<RunRow> rows =
                new ArrayList<>(mapper.runs(filter, fromOldest, fromOldest ? asked - skip - most : skip, most));
        if (fromOldest) {
            Collections.reverse(rows);
        }
        return rows.stream().map(row -> RunSummary.of(row, words)).toList();
    }

    private LogChoices choices(List<RunPlace> places) {
        return new LogChoices(
                values(places, RunPlace::amplifier),
                List.of(Band.values()).stream()
                        .filter(band ->
                                places.stream().anyMatch(place -> place.band().equals(band.name())))
                        .map(band -> new CodedName(band.name(), words.name(band.name())))
                        .toList(),
                values(places, RunPlace::termination),
                values(places, RunPlace::school).stream()
                        .map(school -> new CodedName(school, words.name(school)))
                        .sorted(Comparator.comparing(CodedName::name))
                        .toList());
    }

    private static List<String> values(List<RunPlace> places, Function<RunPlace, String> of) {
        return places.stream().map(of).distinct().sorted().toList();
    }
}
