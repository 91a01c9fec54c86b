package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.alc.LevelPoint;
import org.tubrin.core.alc.LevelProfile;
import org.tubrin.core.alc.LevelSeries;
import org.tubrin.core.alc.NextLevel;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/** The steps of a run by levels, as levels of a sound path. */
public final class LevelSteps {
    /** A level lower than the one before by this share was come to from above. */
    private static final double BACK_SHARE = 0.99;

    /** A second level lower than the first by this share begins the series anew. */
    private static final double ANEW_SHARE = 0.5;

    private LevelSteps() {}

    private record At(double setPowerW, double toneHz) {}

    /** Returns the levels of the steps, by set power and tone in the order in which these were taken up. */
    public static List<LevelSeries> series(TuneSetup setup, List<Step> steps) {
        Map<At, List<LevelPoint>> taken = new LinkedHashMap<>();
        for (Step step : steps) {
            Optional<Quantity> output = step.measured(ReadingRole.OUTPUT);
            Optional<Double> level = step.position(Control.LEVEL);
            if (output.isPresent() && level.isPresent()) {
                At at = new At(
                        step.position(Control.DRIVE).orElse(0.0),
                        step.position(Control.TONE).orElse(0.0));
                List<LevelPoint> points = taken.computeIfAbsent(at, any -> new ArrayList<>());
                if (points.size() == 1
                        && level.get() < ANEW_SHARE * points.get(0).level()) {
                    points.clear();
                }
                boolean down = !points.isEmpty()
                        && level.get()
                                < BACK_SHARE * points.get(points.size() - 1).level();
                points.add(new LevelPoint(
                        level.get(),
                        output.get(),
                        eyeW(setup, step),
                        step.measured(ReadingRole.ALC_GAUGE).map(Quantity::value),
                        step.measured(ReadingRole.SIGNAL_WIDTH).map(Quantity::value),
                        down));
            }
        }
        return taken.entrySet().stream()
                .map(one ->
                        new LevelSeries(one.getKey().setPowerW(), one.getKey().toneHz(), one.getValue()))
                .toList();
    }

    /** How finely the wattmeter was read: by its range, or as restless as it was. */
    private static double eyeW(TuneSetup setup, Step step) {
        return Optional.ofNullable(step.readings().get(ReadingRole.OUTPUT))
                .map(reading -> Math.hypot(
                        setup.channelFor(ReadingRole.OUTPUT)
                                .flatMap(channel ->
                                        channel.range(reading.range()).map(channel::fromPlaceToPlace))
                                .orElse(0.0),
                        reading.spread().orElse(0)))
                .orElse(0.0);
    }

    /** Returns the next level of a run by levels; empty where all are there. */
    public static Optional<NextLevel> next(TuneSetup setup, List<Step> steps) {
        return setup.customs().sound().flatMap(path -> NextLevel.of(path, series(setup, steps)));
    }

    /** Returns what a run by levels tells; empty where it is another kind of run. */
    public static Optional<LevelProfile> profile(TuneSetup setup, List<Step> steps) {
        return setup.customs().sound().map(path -> LevelProfile.of(path, series(setup, steps)));
    }
}
