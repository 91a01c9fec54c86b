package org.tubrin.core.alc;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Levels that were tried at one set power and one tone.
 *
 * @param setPowerW power that the exciter is set to, in watts
 * @param toneHz the tone, in hertz
 * @param points in the order in which they were taken
 */
public record LevelSeries(double setPowerW, double toneHz, List<LevelPoint> points) {
    /** A root this much below proportion is clearly short: half a decibel. */
    private static final double SHORT = 0.94;

    private static final double HOT_SHARE = 0.2;
    /** Standard uncertainties beyond which it is no accident. */
    private static final double SURE = 2;

    public LevelSeries {
        points = List.copyOf(points);
    }

    /** Returns the knee; empty while too few levels lie below or above it. */
    public Optional<Knee> knee() {
        return Knee.of(points);
    }

    /** Returns whether it is that of a set power in watts and a tone in hertz. */
    public boolean isAt(double powerW, double hz) {
        return setPowerW == powerW && toneHz == hz;
    }

    /**
     * Returns whether its lowest level brought so much of the set power already that there is no room for three below the knee: the
     * sound path is too hot.
     */
    boolean isTooHot() {
        return points.stream()
                .min(Comparator.comparingDouble(LevelPoint::level))
                .filter(lowest -> lowest.outputW().value() > HOT_SHARE * setPowerW)
                .isPresent();
    }

    /** Returns the highest level tried; 0 where none was. */
    double highest() {
        return points.stream().mapToDouble(LevelPoint::level).max().orElse(0);
    }

    /** Returns how many of the highest levels brought clearly less than in proportion to those below them. */
    int shortOfProportion() {
        double levels = 0;
        double roots = 0;
        int inProportion = 0;
        int fallShort = 0;
        for (LevelPoint point : LevelPoint.upwards(points)) {
            double expected = levels > 0 ? roots / levels * point.level() : 0;
            double unsure = levels > 0 ? Math.hypot(point.rootUncertainty(), point.level() / Math.sqrt(levels)) : 0;
            if (inProportion >= Knee.LEAST_BELOW && point.root() < SHORT * expected - SURE * unsure) {
                fallShort++;
            } else {
                // What follows in proportion says that those before it were only read low.
                fallShort = 0;
                inProportion++;
                double weight = Knee.weight(point);
                levels += weight * point.level() * point.level();
                roots += weight * point.level() * point.root();
            }
        }
        return fallShort;
    }

    /** Returns the points before the level was first taken back. */
    LevelSeries untilTakenBack() {
        return new LevelSeries(
                setPowerW,
                toneHz,
                points.stream().takeWhile(point -> !point.onTheWayDown()).toList());
    }
}
