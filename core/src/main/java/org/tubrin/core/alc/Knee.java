package org.tubrin.core.alc;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.tubrin.core.quantity.Quantity;

/**
 * The highest level at which the output is still in proportion.
 *
 * <p>Method: the root of the output over the level as two straight lines that meet, the lower one through the origin; weighted least
 * squares for their slopes at every place of the bend, the best of which is the knee. Its uncertainty is the half width of what lies
 * within the 95 % quantile of the cost above its least, scaled where the lines fit worse than the readings let; with it, that no
 * stage bends at one place. There is none where one straight line does as well. Source: D. V. Hinkley, "Inference about the intersection in two-phase regression", Biometrika 56 (1969), 495–504.
 *
 * @param level of the knee
 * @param standardUncertainty of that
 * @param perLevel root of watts for each level below it
 */
public record Knee(double level, double standardUncertainty, double perLevel) {
    /** Points below and above without which there is no telling. */
    static final int LEAST_BELOW = 3;

    static final int LEAST_ABOVE = 2;
    /** Places of the bend that are tried, and again round the best. */
    private static final int PLACES = 60;

    private static final double STEP = 0.002;
    private static final double QUANTILE = 3.84;
    /** A stage bends over a stretch where two lines bend at a place: what that leaves open, as a share of the level. */
    private static final double STRETCH = 0.023;
    /** Above the knee the root of the output grows by less than this share of what it grows below. */
    private static final double BENT = 0.75;

    /** Where the level is set: a fifth below the knee, to a little below it. */
    private static final double WINDOW_LOW = 0.8;

    private static final double WINDOW_HIGH = 0.95;

    /** One place of the bend: its cost, and the slopes below and above. */
    private record Bend(double level, double cost, double perLevel, double perLevelAbove) {}

    /** Returns the knee of points that were come to from below; empty with less than three points below or two above it. */
    public static Optional<Knee> of(List<LevelPoint> points) {
        List<LevelPoint> up = LevelPoint.upwards(points);
        if (up.size() < LEAST_BELOW + LEAST_ABOVE) {
            return Optional.empty();
        }
        double from = up.get(LEAST_BELOW - 1).level();
        double to = up.get(up.size() - LEAST_ABOVE).level();
        List<Bend> tried = bends(up, from, to);
        Bend coarse = best(tried);
        Bend best = best(bends(
                up,
                Math.max(from, coarse.level() - (to - from) / PLACES),
                Math.min(to, coarse.level() + (to - from) / PLACES)));
        double scale = Math.max(1, best.cost() / Math.max(1, up.size() - 3));
        double low = best.level();
        double high = best.level();
        for (Bend bend : tried) {
            if (bend.cost() <= best.cost() + QUANTILE * scale) {
                low = Math.min(low, bend.level());
                high = Math.max(high, bend.level());
            }
        }
        double unsure = Math.hypot(Math.max(STEP, (high - low) / 2) / Quantity.COVERAGE_95, STRETCH * best.level());
        double straight = at(up, up.get(up.size() - 1).level()).cost();
        boolean bends = best.level() > from
                && best.level() < to
                && best.perLevelAbove() < BENT * best.perLevel()
                && straight - best.cost() > QUANTILE * scale;
        return bends ? Optional.of(new Knee(best.level(), unsure, best.perLevel())) : Optional.empty();
    }

    private static List<Bend> bends(List<LevelPoint> points, double from, double to) {
        return IntStream.rangeClosed(0, PLACES)
                .mapToObj(i -> at(points, from + (to - from) * i / PLACES))
                .toList();
    }

    private static Bend best(List<Bend> bends) {
        return bends.stream().min(Comparator.comparingDouble(Bend::cost)).orElseThrow();
    }

    /** Least squares of two slopes for a bend at a level. */
    private static Bend at(List<LevelPoint> points, double bend) {
        double lowLow = 0;
        double lowHigh = 0;
        double highHigh = 0;
        double lowRoot = 0;
        double highRoot = 0;
        for (LevelPoint point : points) {
            double low = Math.min(point.level(), bend);
            double high = Math.max(0, point.level() - bend);
            double weight = weight(point);
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
            cost += weight(point) * off * off;
        }
        return new Bend(bend, cost, below, above);
    }

    static double weight(LevelPoint point) {
        double unsure = point.rootUncertainty();
        return 1 / (unsure * unsure);
    }

    /** Returns half the width of its 95 % interval. */
    public double halfWidth() {
        return Quantity.COVERAGE_95 * standardUncertainty;
    }

    /** Returns the lower end of the levels to set. */
    public double windowLow() {
        return WINDOW_LOW * level;
    }

    /** Returns the upper end of the levels to set: below the knee by what it is unsure, too. */
    public double windowHigh() {
        return Math.max(windowLow(), Math.min(WINDOW_HIGH * level, level - halfWidth()));
    }

    /** Returns the output at the knee, in watts. */
    public double outputW() {
        return perLevel * perLevel * level * level;
    }
}
