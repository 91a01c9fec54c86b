package org.tubrin.core.alc;

import java.util.List;
import java.util.Optional;

/**
 * The next level to try: up from a tenth by 3 dB until two fall short of proportion, back once, up again in small steps round the
 * knee; then fewer at the other power and the other tones.
 *
 * @param setPowerW power that the exciter is set to, in watts
 * @param toneHz tone, in hertz
 * @param level of the slider as a share of its way
 * @param because what it is for
 */
public record NextLevel(double setPowerW, double toneHz, double level, Because because) {
    private static final double FIRST_LEVEL = 0.1;
    private static final double HOT_BACK = 4;
    private static final double LOWEST_FIRST = 0.02;
    private static final double UP = Math.sqrt(2);
    private static final double PAST = 1.15;
    private static final int FALL_SHORT = 2;
    /** Where the first series comes close to the knee, as shares of its level as known by then; the first is the way back. */
    private static final List<Double> CLOSER_LEVELS = List.of(0.7, 0.88, 1.0, 1.1, 1.2);

    private static final double LEAST_STEP = 1.03;
    /** Where the others begin. */
    private static final List<Double> OTHER_LEVELS = List.of(0.45, 0.6, 0.75, 0.88);

    private static final double FINE_BELOW = 0.2;

    /** What a level is for. */
    public enum Because {
        FIRST,
        /** The first brought much of the set power already: the sound path is too hot, and is tried from further down. */
        TOO_HOT,
        UP,
        PAST_KNEE,
        BACK_DOWN,
        CLOSER,
        OTHER_POWER,
        OTHER_TONE
    }

    /** Returns the next level after some; empty where all are there, or there is no knee to find. */
    public static Optional<NextLevel> of(SoundPath path, List<LevelSeries> taken) {
        LevelSeries main = at(path.setPowerW(), path.middleHz(), taken);
        Optional<NextLevel> next = inMain(main);
        Optional<Double> knee = knee(main);
        if (next.isPresent() || knee.isEmpty()) {
            return next;
        }
        return inOther(at(path.otherPowerW(), path.middleHz(), taken), knee.get(), Because.OTHER_POWER)
                .or(() -> inOther(at(path.setPowerW(), path.lowHz(), taken), knee.get(), Because.OTHER_TONE))
                .or(() -> inOther(at(path.setPowerW(), path.highHz(), taken), knee.get(), Because.OTHER_TONE));
    }

    private static LevelSeries at(double powerW, double toneHz, List<LevelSeries> taken) {
        return taken.stream()
                .filter(series -> series.isAt(powerW, toneHz))
                .findFirst()
                .orElseGet(() -> new LevelSeries(powerW, toneHz, List.of()));
    }

    private static Optional<NextLevel> inMain(LevelSeries main) {
        LevelSeries up = main.untilTakenBack();
        if (main.points().isEmpty()) {
            return Optional.of(next(main, FIRST_LEVEL, Because.FIRST));
        }
        if (main.points().size() == 1 && main.isTooHot()) {
            double level = main.highest();
            return level > LOWEST_FIRST ? Optional.of(next(main, level / HOT_BACK, Because.TOO_HOT)) : Optional.empty();
        }
        boolean isStillGoingUp = up.points().size() == main.points().size();
        if (isStillGoingUp && up.shortOfProportion() < FALL_SHORT && up.highest() < 1) {
            return Optional.of(further(up));
        }
        int close = main.points().size() - up.points().size();
        Optional<Double> known = close == 0 ? knee(up) : knee(main);
        return known.filter(knee -> close < CLOSER_LEVELS.size())
                .map(knee -> closer(main, CLOSER_LEVELS.get(close) * knee, close));
    }

    /** Once back the level only goes up, though what is known of the knee may have come down meanwhile. */
    private static NextLevel closer(LevelSeries main, double level, int taken) {
        double last = main.points().get(main.points().size() - 1).level();
        return taken == 0
                ? next(main, level, Because.BACK_DOWN)
                : next(main, Math.max(level, LEAST_STEP * last), Because.CLOSER);
    }

    private static Optional<NextLevel> inOther(LevelSeries series, double knee, Because because) {
        int taken = series.points().size();
        if (taken < OTHER_LEVELS.size()) {
            return Optional.of(next(series, OTHER_LEVELS.get(taken) * knee, because));
        }
        return series.shortOfProportion() < FALL_SHORT && series.highest() < 1
                ? Optional.of(next(series, PAST * series.highest(), because))
                : Optional.empty();
    }

    private static NextLevel further(LevelSeries up) {
        boolean isPast = up.shortOfProportion() > 0;
        return next(up, (isPast ? PAST : UP) * up.highest(), isPast ? Because.PAST_KNEE : Because.UP);
    }

    /** As far as it is known: by two lines, else between the last level in proportion and the first that falls short. */
    private static Optional<Double> knee(LevelSeries series) {
        Optional<Double> byLines = series.knee().map(Knee::level);
        return byLines.isPresent() || series.shortOfProportion() == 0
                ? byLines
                : Optional.of(series.highest() / Math.sqrt(PAST));
    }

    private static NextLevel next(LevelSeries series, double level, Because because) {
        double grain = level < FINE_BELOW ? 0.005 : 0.01;
        double settable = Math.min(1, Math.max(grain, Math.rint(level / grain) * grain));
        return new NextLevel(series.setPowerW(), series.toneHz(), Math.rint(settable * 1000) / 1000, because);
    }
}
