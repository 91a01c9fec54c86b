package org.tubrin.server.trend;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.util.ConcurrentLruCache;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Rounding;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.RunState;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.station.Band;
import org.tubrin.core.trend.Change;
import org.tubrin.core.trend.RunFigures;
import org.tubrin.core.trend.Series;
import org.tubrin.core.trend.TrendPoint;
import org.tubrin.core.trend.Unlike;
import org.tubrin.server.run.RunCounts;
import org.tubrin.server.run.RunMapper;
import org.tubrin.server.run.RunPlace;
import org.tubrin.server.run.RunStore;
import org.tubrin.server.station.Alterations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Language;
import org.tubrin.server.words.Words;

/** Trends, and two runs beside each other. */
@RestController
@RequestMapping("/api")
public class TrendController {
    private static final int MOST_POINTS = 400;
    private static final int MOST_KEPT = 64;
    private static final int LEAST_RUNS = 2;
    private static final String THIN = "\u2009";

    private final RunStore store;
    private final RunMapper runs;
    private final RunCounts runCounts;
    private final Alterations alterations;
    private final Words words;

    /** What was found; with another run, begun or ended, it is found anew. */
    private final ConcurrentLruCache<Asked, TrendViews.TrendsView> found =
            new ConcurrentLruCache<>(MOST_KEPT, this::find);

    private record Asked(
            String amplifier,
            Band band,
            String termination,
            long changes,
            Optional<Alteration> since,
            Language language) {}

    TrendController(RunStore store, RunMapper runs, RunCounts runCounts, Alterations alterations, Words words) {
        this.alterations = alterations;
        this.runCounts = runCounts;
        this.store = store;
        this.runs = runs;
        this.words = words;
    }

    /** Returns the places with at least two finished runs, those with most first. */
    @GetMapping("/trends/places")
    List<TrendViews.PlaceView> places() {
        Map<List<String>, Integer> counts = new LinkedHashMap<>();
        for (RunPlace place : runCounts.places()) {
            counts.merge(List.of(place.amplifier(), place.band(), place.termination()), place.finished(), Integer::sum);
        }
        return counts.entrySet().stream()
                .filter(entry -> entry.getValue() >= LEAST_RUNS)
                .sorted((a, b) -> b.getValue() - a.getValue())
                .map(entry -> new TrendViews.PlaceView(
                        entry.getKey().get(0),
                        Band.valueOf(entry.getKey().get(1)),
                        words.name(entry.getKey().get(1)),
                        entry.getKey().get(2),
                        entry.getValue()))
                .toList();
    }

    @GetMapping("/trends")
    TrendViews.TrendsView trends(
            @RequestParam String amplifier, @RequestParam Band band, @RequestParam String termination) {
        Optional<Alteration> since = Alteration.last(alterations.all(), List.of(amplifier, termination));
        return found.get(new Asked(amplifier, band, termination, runs.changes(), since, Language.now()));
    }

    private TrendViews.TrendsView find(Asked asked) {
        List<RunFigures> all = store.figures(asked.amplifier(), asked.band().name(), asked.termination());
        List<RunFigures> figures = RunFigures.since(all, asked.since());
        Map<String, Object> args = Map.of(
                "drive", Figures.plain(Series.comparedDriveW(figures), 1),
                "output", Figures.plain(Series.comparedOutputW(figures), 0));
        return new TrendViews.TrendsView(
                Series.of(figures).stream().map(series -> view(series, args)).toList(),
                words.say("trend.test", Map.of("least", Series.LEAST_RUNS)),
                asked.since()
                        .map(change -> words.say(
                                "trend.since",
                                Map.of("change", alterations.said(change), "before", all.size() - figures.size())))
                        .orElse(null));
    }

    private TrendViews.SeriesView view(Series series, Map<String, Object> args) {
        boolean share =
                series.figure().unit() == Unit.ONE && !series.figure().name().startsWith("LOAD");
        double inUnit = share ? 0.01 : 1;
        String unit = share ? "%" : words.say("unit." + series.figure().unit().name());
        List<TrendViews.PointView> points = new ArrayList<>();
        Series.Drawn drawn = series.drawn(MOST_POINTS);
        for (int i = 0; i < drawn.points().size(); i++) {
            TrendPoint point = drawn.points().get(i);
            points.add(new TrendViews.PointView(
                    point.at(), point.value() / inUnit, drawn.line().get(i) / inUnit));
        }
        String spaced = unit.isEmpty() ? "" : THIN + unit;
        List<TrendViews.ChangeView> changes = series.changes().stream()
                .map(change -> change(change, inUnit, spaced))
                .toList();
        String key = "trend." + series.figure().name();
        return new TrendViews.SeriesView(
                series.figure().name(),
                words.say(key, args),
                unit,
                series.points().size(),
                drawn.runs(),
                points,
                series.scatter() / inUnit,
                changes,
                says(series, inUnit, spaced, changes),
                changes.isEmpty() ? null : words.say(key + ".look"));
    }

    private String says(Series series, double inUnit, String unit, List<TrendViews.ChangeView> changes) {
        if (!changes.isEmpty()) {
            return "";
        }
        return series.points().size() < Series.LEAST_RUNS
                ? words.say("change.few", Map.of("count", series.points().size()))
                : words.say(
                        "change.none",
                        Map.of("scatter", rounded(series.scatter() / inUnit, series.scatter() / inUnit), "unit", unit));
    }

    private TrendViews.ChangeView change(Change change, double inUnit, String unit) {
        double size = Math.abs(change.size()) / inUnit;
        double plusMinus = Quantity.COVERAGE_95 * change.sizeUncertainty() / inUnit;
        return new TrendViews.ChangeView(
                change.kind(),
                change.after(),
                change.before(),
                words.say(
                        "change." + change.kind().name(),
                        Map.of(
                                "after", Figures.day(change.after()),
                                "before", Figures.day(change.before()),
                                "way", words.say(change.size() > 0 ? "way.up" : "way.down"),
                                "size", rounded(size, plusMinus) + THIN + "±" + THIN + rounded(plusMinus, plusMinus),
                                "unit", unit)));
    }

    private static String rounded(double value, double uncertainty) {
        return Figures.fixed(value, uncertainty > 0 ? Rounding.decimals(uncertainty) : 0);
    }

    @GetMapping("/runs/compare")
    TrendViews.CompareRunsView compare(@RequestParam UUID first, @RequestParam UUID second) {
        RunState one = store.state(first);
        RunState other = store.state(second);
        return new TrendViews.CompareRunsView(
                head(first, one),
                head(second, other),
                unlike(Unlike.between(one.setup(), other.setup())),
                new RunPairs(words).pairs(one, other));
    }

    private @Nullable String unlike(List<Unlike> in) {
        return in.isEmpty()
                ? null
                : words.say(
                        "unlike",
                        Map.of(
                                "what",
                                in.stream()
                                        .map(one -> words.say("unlike." + one))
                                        .collect(Collectors.joining(", "))));
    }

    private TrendViews.RunHead head(UUID id, RunState state) {
        Optional<String> line = state.conditions()
                .lineVoltageV()
                .map(one -> words.say("conditions.line", Map.of("v", Figures.plain(one, 0))));
        return new TrendViews.RunHead(
                id,
                state.startedAt(),
                String.join(
                        ", ",
                        state.setup().amplifier().name(),
                        words.name(state.setup().band().name()),
                        state.setup().termination().name(),
                        words.name(state.school().name())),
                line.orElse(null));
    }
}
