package org.tubrin.core.alc;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Decibels;

/**
 * What a run of levels tells of an exciter.
 *
 * @param series at each set power and tone
 * @param knee of the first series; absent where nothing limited, or too few levels tell
 * @param lack why there is none; absent where there is one
 * @param window where the level is set; absent without a knee
 * @param gauge what the exciter's own gauge is; absent where it was not read
 * @param lagMarks by how much the gauge shows more on the way down than on the way up; absent where it was not read there
 * @param widening where the signal of the first series becomes wider; absent where it does not, or was not read
 * @param gaugesAgree whether the right gauge is the same at both powers; absent where that is not known
 * @param rippleDb how far apart the knees of the tones are, in decibels; absent with less than two
 */
public record LevelProfile(
        List<LevelSeries> series,
        Optional<Knee> knee,
        Optional<Lack> lack,
        Optional<Window> window,
        Optional<Gauge> gauge,
        Optional<Double> lagMarks,
        Optional<Widening> widening,
        Optional<Boolean> gaugesAgree,
        Optional<Double> rippleDb) {
    /** Marks by which a gauge that is the same may differ, and the same as a share of its window's middle. */
    private static final double SAME_MARKS = 2;

    private static final double SAME_SHARE = 0.15;
    /** More than an exciter is off, with the third of a decibel that a knee rounds off. */
    private static final double SHORT_DB = 1;
    /** From here on a slider stands at its end. */
    private static final double END = 0.995;

    public LevelProfile {
        series = List.copyOf(series);
    }

    /**
     * Where the level is set.
     *
     * @param low its lower end, as a share of the slider's way
     * @param high its upper end, below the knee of every power and tone, and not where the signal is wider
     * @param governs the series whose knee is the lowest
     */
    public record Window(double low, double high, LevelSeries governs) {}

    /** Why there is no knee. */
    public enum Lack {
        /** The slider stood at its end, and the output still followed: what comes after it is set too low. */
        SLIDER_AT_END,
        /** The lowest level brought much of the set power: what comes after the slider is set too high. */
        TOO_HOT,
        /** The levels do not tell one line from two. */
        NO_BEND
    }

    /** A series with its knee. */
    private record Known(LevelSeries series, Knee knee) {}

    /** Returns the profile of all that was taken. */
    public static LevelProfile of(SoundPath path, List<LevelSeries> taken) {
        List<Known> known = taken.stream()
                .flatMap(series -> series.knee().map(knee -> new Known(series, knee)).stream())
                .toList();
        Optional<Known> main = known.stream()
                .filter(one -> one.series.isAt(path.setPowerW(), path.middleHz()))
                .findFirst();
        Optional<Gauge> gauge = main.flatMap(LevelProfile::gauge);
        Optional<Widening> widening = taken.stream()
                .filter(series -> series.isAt(path.setPowerW(), path.middleHz()))
                .findFirst()
                .flatMap(series -> Widening.of(series.points()));
        return new LevelProfile(
                taken,
                main.map(Known::knee),
                main.isPresent() ? Optional.empty() : Optional.of(lack(path, taken)),
                main.flatMap(one ->
                        window(known, widening.filter(wide -> wide.against(one.knee) == Widening.Against.EARLIER))),
                gauge,
                main.flatMap(one -> lag(one.series)),
                widening,
                known.stream()
                        .filter(one -> one.series.isAt(path.otherPowerW(), path.middleHz()))
                        .findFirst()
                        .flatMap(LevelProfile::gauge)
                        .flatMap(other -> gauge.map(one -> agree(one, other))),
                rippleDb(known.stream()
                        .filter(one -> one.series.setPowerW() == path.setPowerW())
                        .map(one -> one.knee.level())
                        .toList()));
    }

    private static Lack lack(SoundPath path, List<LevelSeries> taken) {
        Optional<LevelSeries> main = taken.stream()
                .filter(one -> one.isAt(path.setPowerW(), path.middleHz()))
                .findFirst();
        if (main.filter(LevelSeries::isTooHot).isPresent()) {
            return Lack.TOO_HOT;
        }
        return main.filter(one -> one.highest() >= END && one.shortOfProportion() == 0)
                        .isPresent()
                ? Lack.SLIDER_AT_END
                : Lack.NO_BEND;
    }

    private static Optional<Gauge> gauge(Known known) {
        return Gauge.of(known.series.points(), known.knee);
    }

    private static Optional<Window> window(List<Known> known, Optional<Widening> earlier) {
        return known.stream()
                .min(Comparator.comparingDouble(one -> one.knee.windowHigh()))
                .map(lowest -> {
                    double low = known.stream()
                            .mapToDouble(one -> one.knee.windowLow())
                            .min()
                            .orElseThrow();
                    double high = Math.min(
                            Math.max(low, lowest.knee.windowHigh()),
                            earlier.map(Widening::before).orElse(1.0));
                    return new Window(Math.min(low, high), high, lowest.series);
                });
    }

    private static Optional<Double> lag(LevelSeries series) {
        return series.points().stream()
                .filter(point -> point.onTheWayDown() && point.gauge().isPresent())
                .findFirst()
                .flatMap(down -> Gauge.at(series.points(), down.level())
                        .map(up -> down.gauge().orElseThrow() - up));
    }

    private static boolean agree(Gauge one, Gauge other) {
        double middle = (one.low() + one.high()) / 2;
        double apart = Math.abs(middle - (other.low() + other.high()) / 2);
        return one.kind() == other.kind() && apart <= Math.max(SAME_MARKS, SAME_SHARE * Math.abs(middle));
    }

    private static Optional<Double> rippleDb(List<Double> knees) {
        if (knees.size() < 2) {
            return Optional.empty();
        }
        double highest = knees.stream().mapToDouble(knee -> knee).max().orElseThrow();
        double lowest = knees.stream().mapToDouble(knee -> knee).min().orElseThrow();
        return Optional.of(20 * Math.log10(highest / lowest));
    }

    /** Returns by how many decibels the output at the knee is short of the set power; empty where it is not, by more than a meter's doubt. */
    public Optional<Double> shortOfSetDb(SoundPath path) {
        return knee.map(one -> Decibels.of(path.setPowerW() / one.outputW())).filter(db -> db > SHORT_DB);
    }

    /** Returns the series whose knee cannot be told: the window is not held against them. */
    public List<LevelSeries> withoutKnee() {
        return series.stream().filter(one -> one.knee().isEmpty()).toList();
    }
}
