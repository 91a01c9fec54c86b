package org.tubrin.core.alc;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The highest level at which the output is still in proportion.
 *
 * <p>Method: the root of the output over the level as two straight lines that meet, the lower one through the origin; weighted least
 * squares for their slopes at every place of the bend, the best of which is the knee. Its uncertainty is the half width of what lies
 * within the 95 % quantile of the cost above its least, scaled where the lines fit worse than the readings let; with it, that no
 * stage bends at one place. Source: D. V.
 * Hinkley, "Inference about the intersection in two-phase regression", Biometrika 56 (1969), 495–504.
 *
 * @param level of the knee
 * @param standardUncertainty of that
 * @param perLevel root of watts for each level below it
 */
public record Knee(double level, double standardUncertainty, double perLevel) {
    /** Points below and above without which there is no telling. */
    static final int LEAST_BELOW = 3;

    static final int LEAST_ABOVE = 2;
    private static final double STEP = 0.002;
    private static final double QUANTILE = 3.84;
    private static final double COVERED = 1.96;
    /** A stage bends over a stretch where two lines bend at a place: what that leaves open, as a share of the level. */
    private static final double STRETCH = 0.022;

    /** Where the level is set: a fifth below the knee, to a little below it. */
    private static final double WINDOW_LOW = 0.8;

    private static final double WINDOW_HIGH = 0.95;

    /** One place of the bend: its cost, and the slope below. */
    private record Bend(double level, double cost, double perLevel) {}

    /**
     * Returns the knee of points that were come to from below.
     *
     * @param eyeW what reading the wattmeter leaves open, as a standard uncertainty in watts
     * @return empty with less than three points below or two above it
     */
    public static Optional<Knee> of(List<LevelPoint> points, double eyeW) {
        List<LevelPoint> up = points.stream()
                .filter(point -> !point.onTheWayDown())
                .sorted(Comparator.comparingDouble(LevelPoint::level))
                .toList();
        if (up.size() < LEAST_BELOW + LEAST_ABOVE) {
            return Optional.empty();
        }
        double from = up.get(LEAST_BELOW - 1).level();
        double to = up.get(up.size() - LEAST_ABOVE).level();
        int places = (int) Math.ceil((to - from) / STEP);
        Bend best = at(up, from, eyeW);
        for (int i = 1; i <= places; i++) {
            Bend bend = at(up, Math.min(to, from + i * STEP), eyeW);
            best = bend.cost() < best.cost() ? bend : best;
        }
        double scale = Math.max(1, best.cost() / Math.max(1, up.size() - 3));
        double low = best.level();
        double high = best.level();
        for (int i = 0; i <= places; i++) {
            Bend bend = at(up, Math.min(to, from + i * STEP), eyeW);
            if (bend.cost() <= best.cost() + QUANTILE * scale) {
                low = Math.min(low, bend.level());
                high = Math.max(high, bend.level());
            }
        }
        double unsure = Math.hypot(Math.max(STEP, (high - low) / 2) / COVERED, STRETCH * best.level());
        boolean bends = best.level() > from && best.level() < to;
        return bends ? Optional.of(new Knee(best.level(), unsure, best.perLevel())) : Optional.empty();
    }

    /** Least squares of two slopes for a bend at a level. */
    private static Bend at(List<LevelPoint> points, double bend, double eyeW) {
        double lowLow = 0;
        double lowHigh = 0;
        double highHigh = 0;
        double lowRoot = 0;
        double highRoot = 0;
        for (LevelPoint point : points) {
            double low = Math.min(point.level(), bend);
            double high = Math.max(0, point.level() - bend);
            double weight = weight(point, eyeW);
            lowLow += weight * low * low;
            lowHigh += weight * low * high;
            highHigh += weight * high * high;
            lowRoot += weight * low * point.root();
            highRoot += weight * high * point.root();
        }
        double determinant = lowLow * highHigh - lowHigh * lowHigh;
        double below = determinant > 0 ? (lowRoot * highHigh - highRoot * lowHigh) / determinant : lowRoot / lowLow;
        double above = determinant > 0 ? (highRoot * lowLow - lowRoot * lowHigh) / determinant : 0;
        double cost = 0;
        for (LevelPoint point : points) {
            double off =
                    point.root() - below * Math.min(point.level(), bend) - above * Math.max(0, point.level() - bend);
            cost += weight(point, eyeW) * off * off;
        }
        return new Bend(bend, cost, below);
    }

    private static double weight(LevelPoint point, double eyeW) {
        double unsure = point.rootUncertainty(eyeW);
        return 1 / (unsure * unsure);
    }

    /** Returns the lower end of the levels to set. */
    public double windowLow() {
        return WINDOW_LOW * level;
    }

    /** Returns the upper end of the levels to set: below the knee by what it is unsure, too. */
    public double windowHigh() {
        return Math.max(windowLow(), Math.min(WINDOW_HIGH * level, level - COVERED * standardUncertainty));
    }

    /** Returns the output at the knee, in watts. */
    public double outputW() {
        return perLevel * perLevel * level * level;
    }
}
