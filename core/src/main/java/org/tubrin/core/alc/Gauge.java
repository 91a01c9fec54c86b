package org.tubrin.core.alc;

import java.util.List;
import java.util.Optional;

/**
 * What an exciter's gauge of its level control is, by its own readings.
 *
 * @param kind whether it rests until it limits
 * @param rest what it shows at rest: below the knee, or at the lowest level where it moves throughout
 * @param rises whether its figure grows
 * @param low end of the window in which it is right; the rest where it rests
 * @param high the other end
 */
public record Gauge(Kind kind, double rest, boolean rises, double low, double high) {
    /** Marks by which a gauge that rests may wander. */
    private static final double RESTS_WITHIN = 1;
    /** The same as a share of all that it moved. */
    private static final double RESTS_SHARE = 0.2;

    private static final double CLEAR_BELOW = 0.92;

    /** How it moves. */
    public enum Kind {
        /** It rests until limiting begins, then moves. */
        RESTS,
        /** It moves with the level, and is right within a window. */
        MOVES_THROUGHOUT,
        /** It shows nothing of it. */
        STILL
    }

    /** Returns the gauge of points that were come to from below; empty where too few have it. */
    public static Optional<Gauge> of(List<LevelPoint> points, Knee knee) {
        List<LevelPoint> read = readUpwards(points);
        List<LevelPoint> below = read.stream()
                .filter(point -> point.level() < CLEAR_BELOW * knee.level())
                .toList();
        if (below.size() < Knee.LEAST_BELOW || read.size() - below.size() < Knee.LEAST_ABOVE) {
            return Optional.empty();
        }
        double first = value(read.get(0));
        double last = value(read.get(read.size() - 1));
        double moved = Math.abs(last - first);
        double within = spread(below);
        if (moved < RESTS_WITHIN && within < RESTS_WITHIN) {
            return Optional.of(new Gauge(Kind.STILL, first, false, first, first));
        }
        boolean rests = within <= Math.max(RESTS_WITHIN, RESTS_SHARE * moved);
        if (rests) {
            double rest = below.stream().mapToDouble(Gauge::value).sorted().toArray()[below.size() / 2];
            return Optional.of(new Gauge(Kind.RESTS, rest, last > rest, rest, rest));
        }
        double low = between(read, knee.windowLow());
        double high = between(read, knee.windowHigh());
        return Optional.of(
                new Gauge(Kind.MOVES_THROUGHOUT, first, last > first, Math.min(low, high), Math.max(low, high)));
    }

    private static double value(LevelPoint point) {
        return point.gauge().orElseThrow();
    }

    private static double spread(List<LevelPoint> points) {
        double most = points.stream().mapToDouble(Gauge::value).max().orElse(0);
        return most - points.stream().mapToDouble(Gauge::value).min().orElse(0);
    }

    /** Returns what it showed at a level on the way up; empty where it was read nowhere. */
    static Optional<Double> at(List<LevelPoint> points, double level) {
        List<LevelPoint> up = readUpwards(points);
        return up.isEmpty() ? Optional.empty() : Optional.of(between(up, level));
    }

    private static List<LevelPoint> readUpwards(List<LevelPoint> points) {
        return LevelPoint.upwards(points).stream()
                .filter(point -> point.gauge().isPresent())
                .toList();
    }

    private static double between(List<LevelPoint> points, double level) {
        for (int i = 1; i < points.size(); i++) {
            LevelPoint low = points.get(i - 1);
            LevelPoint high = points.get(i);
            if (high.level() >= level && high.level() > low.level()) {
                double share = (level - low.level()) / (high.level() - low.level());
                return value(low) + share * (value(high) - value(low));
            }
        }
        return value(points.get(points.size() - 1));
    }
}
