package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.tubrin.core.alc.Gauge;
import org.tubrin.core.alc.Knee;
import org.tubrin.core.alc.LevelProfile;
import org.tubrin.core.alc.LevelSeries;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.LevelSteps;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Puts into words what levels into an exciter brought. */
@Component
public class LevelViewer {
    private static final String THIN = "\u2009";
    private static final double WORTH_A_MARK = 0.5;

    private final Words words;

    LevelViewer(Words words) {
        this.words = words;
    }

    /** Returns a level as one reads it off a slider. */
    public static String percent(double share) {
        return Figures.plain(100 * share, 1) + THIN + "%";
    }

    /** Returns what a run by levels brought so far, with the level in hand once it is read; empty for every other run. */
    public Optional<LevelView> view(RunState state) {
        List<Step> steps = new ArrayList<>(state.steps());
        if (state.draft().isComplete() && !state.draft().readings().isEmpty()) {
            steps.add(state.draft());
        }
        return state.setup()
                .customs()
                .sound()
                .flatMap(path -> LevelSteps.profile(state.setup(), steps).map(profile -> view(state, path, profile)));
    }

    /** Returns the levels to set; empty where they are not known. */
    public Optional<LevelView.WindowView> window(LevelProfile profile) {
        return profile.window()
                .map(window ->
                        new LevelView.WindowView(window.low(), window.high(), words.say("level.window", ends(window))));
    }

    /** Returns what the gauge is; empty where it is not known. */
    public Optional<LevelView.GaugeView> gauge(LevelProfile profile) {
        return profile.gauge().map(this::gauge);
    }

    /** Returns where to set a level, in one sentence; empty where it is not known. */
    Optional<String> brief(LevelProfile profile) {
        return profile.window()
                .map(window -> words.say("level.set", ends(window))
                        + gauge(profile)
                                .map(one -> " " + words.say("level.gauge", Map.of("right", one.right())))
                                .orElse(""));
    }

    private static Map<String, Object> ends(LevelProfile.Window window) {
        return Map.of("low", whole(window.low()), "high", whole(window.high()));
    }

    private LevelView view(RunState state, SoundPath path, LevelProfile profile) {
        List<LevelView.Series> series = profile.series().stream()
                .sorted(Comparator.comparing(one -> !one.isAt(path.setPowerW(), path.middleHz())))
                .map(one -> new LevelView.Series(label(one), points(one)))
                .toList();
        return new LevelView(
                series,
                path.setPowerW(),
                state.setup()
                        .channelFor(ReadingRole.ALC_GAUGE)
                        .map(channel -> channel.rangeFor(Double.MAX_VALUE).fullScale())
                        .orElse(null),
                profile.knee()
                        .map(knee ->
                                new LevelView.KneeView(knee.level(), knee.halfWidth(), knee.perLevel(), figure(knee)))
                        .orElse(null),
                window(profile).orElse(null),
                gauge(profile).orElse(null),
                profile.widening()
                        .map(one -> new LevelView.WideningView(one.before(), one.from(), one.narrowHz(), one.wideHz()))
                        .orElse(null),
                says(path, profile, state.climbIsDone()));
    }

    private static List<LevelView.Point> points(LevelSeries series) {
        return series.points().stream()
                .map(point -> new LevelView.Point(
                        point.level(),
                        point.outputW().value(),
                        point.gauge().orElse(null),
                        point.widthHz().orElse(null),
                        point.onTheWayDown()))
                .toList();
    }

    private String label(LevelSeries series) {
        return words.say(
                "level.series",
                Map.of("power", Figures.plain(series.setPowerW(), 2), "tone", Figures.plain(series.toneHz(), 0)));
    }

    private static String whole(double share) {
        return Figures.plain(100 * share, 0);
    }

    private static String figure(Knee knee) {
        double half = 100 * knee.halfWidth();
        int decimals = half < 1 ? 1 : 0;
        return Figures.fixed(100 * knee.level(), decimals) + THIN + "±" + THIN + Figures.fixed(half, decimals) + THIN
                + "%";
    }

    private LevelView.GaugeView gauge(Gauge gauge) {
        Map<String, Object> args = new HashMap<>();
        args.put("rest", Figures.plain(gauge.rest(), 1));
        args.put("low", Figures.plain(Math.ceil(gauge.low()), 0));
        args.put("high", Figures.plain(Math.floor(gauge.high()), 0));
        args.put("way", gauge.rises() ? "rises" : "falls");
        String key = "gauge." + gauge.kind().name();
        return new LevelView.GaugeView(
                gauge.kind(),
                gauge.low(),
                gauge.high(),
                words.say(key + ".title", args),
                words.say(key + ".says", args),
                words.say(key + ".right", args));
    }

    /** Returns what follows of a profile; what is missing of it is missed once all levels are there. */
    private List<String> says(SoundPath path, LevelProfile profile, boolean done) {
        List<String> says = new ArrayList<>();
        profile.knee().ifPresent(knee -> {
            says.add(words.say("level.knee", Map.of("knee", figure(knee))));
            profile.shortOfSetDb(path)
                    .ifPresent(shortDb -> says.add(words.say(
                            "level.short",
                            Map.of(
                                    "output", Figures.plain(knee.outputW(), 2),
                                    "set", Figures.plain(path.setPowerW(), 2),
                                    "db", Figures.plain(shortDb, 1)))));
        });
        profile.widening()
                .ifPresent(wide -> says.add(words.say(
                        "level.wide",
                        Map.of(
                                "narrow", Figures.plain(wide.narrowHz(), 0),
                                "wide", Figures.plain(wide.wideHz(), 0),
                                "before", whole(wide.before()),
                                "from", whole(wide.from()),
                                "against",
                                        profile.knee()
                                                .map(knee -> wide.against(knee).name())
                                                .orElse("NONE")))));
        profile.window().ifPresent(window -> {
            says.add(words.say("level.set", ends(window)));
            if (!window.governs().isAt(path.setPowerW(), path.middleHz())) {
                says.add(words.say("level.governs", Map.of("series", label(window.governs()))));
            }
        });
        if (done) {
            profile.lack().ifPresent(lack -> says.add(words.say("level." + lack.name())));
            if (profile.knee().isPresent()) {
                profile.withoutKnee()
                        .forEach(one -> says.add(words.say("level.unknown", Map.of("series", label(one)))));
            }
        }
        profile.lagMarks()
                .filter(lag -> Math.abs(lag) >= WORTH_A_MARK)
                .ifPresent(lag -> says.add(words.say("level.lag", Map.of("marks", Figures.plain(Math.abs(lag), 1)))));
        profile.gaugesAgree()
                .ifPresent(agree -> says.add(words.say(
                        agree ? "level.agree" : "level.disagree",
                        Map.of("other", Figures.plain(path.otherPowerW(), 2)))));
        profile.rippleDb()
                .ifPresent(ripple -> says.add(words.say("level.ripple", Map.of("db", Figures.plain(ripple, 1)))));
        return says;
    }
}
