package org.tubrin.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.tubrin.core.run.Control;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Setting;

/**
 * What a play that ended came to.
 *
 * @param marks what each subject was worth, of 100 points in all
 * @param best the climb of somebody who knows the station
 * @param course what happened
 * @param finds what was hidden, and what became of it
 * @param said what was said to be wrong, in its order
 */
public record Debrief(List<Mark> marks, BestClimb best, Course course, List<Find> finds, List<Play.Said> said) {
    /** Points of each subject, and where they are lost. Source: our own. */
    private static final double OUTPUT_POINTS = 35;

    /** Of the best, from which output begins to count. */
    private static final double OUTPUT_FROM = 0.5;

    private static final double LIMIT_POINTS = 25;
    private static final double BEYOND_A_SECOND = 2.5;
    private static final double CARRIER_POINTS = 15;
    /** Of the best climb's carrier, at which no points are left. */
    private static final double CARRIER_MOST = 4;

    private static final double HEAT_POINTS = 10;
    private static final double HOTTEST = 1.5;
    private static final double LINEAR_POINTS = 5;
    /** Third-order products of a full mark. */
    public static final double CLEAN_DB = -30;

    private static final double DIRTY_DB = -20;
    private static final double FOUND_POINTS = 10;
    /** Points that something named wrongly takes. */
    public static final double WRONG_POINTS = 3;

    public Debrief {
        marks = List.copyOf(marks);
        finds = List.copyOf(finds);
        said = List.copyOf(said);
    }

    /** What is judged. */
    public enum Subject {
        /** Output left on dials and drive, as a share of the best. */
        OUTPUT,
        /** Seconds beyond limits, trips and arcs. */
        LIMITS,
        /** Seconds of carrier. */
        CARRIER,
        /** Warmest plates, as a share of what their rated heat makes them. */
        HEAT,
        /** Third-order products at the drive that is left, in dB. */
        LINEARITY,
        /** What was found, of what was hidden. */
        DIAGNOSIS
    }

    /**
     * What a subject was worth.
     *
     * @param value its figure
     * @param points 0 to {@code most}
     */
    public record Mark(Subject subject, double value, double points, double most) {}

    /**
     * What became of something hidden.
     *
     * @param atS when it was right, or was said, in seconds after the start; empty where it never was
     */
    public record Find(Hidden hidden, Optional<Double> atS) {}

    /** Returns how many moments took points of the limits without being beyond one. */
    public long slips() {
        return course.moments().stream()
                .filter(moment -> !isBeyond(moment.cost()) && lost(moment) > 0)
                .count();
    }

    /** Returns all points together. */
    public double points() {
        return marks.stream().mapToDouble(Mark::points).sum();
    }

    /** Returns what a play came to so far. */
    public static Debrief of(Play play) {
        BestClimb best = BestClimb.of(play);
        Course course = play.course();
        WithinLimits.At left = play.left();
        double setW = play.stands(Control.DRIVE) * play.truth().driveShare();
        double driveW = Math.min(setW, left.driveW());
        TrueStage stage = play.stage();
        double outputW = driveW > 0 && stage.settle(driveW, left.plate(), left.load()) ? stage.outputW() : 0;
        OptionalDouble third = thirdDb(play, left, driveW);
        List<Find> finds = finds(play);
        List<Mark> marks = new ArrayList<>();
        double share = outputW / best.end().outputW();
        marks.add(mark(Subject.OUTPUT, share, (share - OUTPUT_FROM) / (1 - OUTPUT_FROM), OUTPUT_POINTS));
        double lost = course.moments().stream().mapToDouble(Debrief::lost).sum();
        double beyondS = course.moments().stream()
                .filter(moment -> isBeyond(moment.cost()))
                .mapToDouble(Course.Moment::lastedS)
                .sum();
        marks.add(mark(Subject.LIMITS, beyondS, 1 - lost / LIMIT_POINTS, LIMIT_POINTS));
        // Who left no output saved nothing by keying little.
        double did = Math.min(1, share / OUTPUT_FROM);
        marks.add(mark(
                Subject.CARRIER,
                play.carrierS(),
                did * (CARRIER_MOST - play.carrierS() / best.carrierS()) / (CARRIER_MOST - 1),
                CARRIER_POINTS));
        marks.add(mark(
                Subject.HEAT, play.hottestShare(), did * (HOTTEST - play.hottestShare()) / (HOTTEST - 1), HEAT_POINTS));
        marks.add(mark(
                Subject.LINEARITY,
                third.orElse(0),
                did * (third.orElse(0) - DIRTY_DB) / (CLEAN_DB - DIRTY_DB),
                LINEAR_POINTS));
        double found = finds.stream().filter(find -> find.atS().isPresent()).count();
        long wrong = play.said().stream().filter(said -> !said.right()).count();
        double ofHidden = finds.isEmpty() ? 1 : found / finds.size();
        marks.add(mark(Subject.DIAGNOSIS, found, ofHidden - wrong * WRONG_POINTS / FOUND_POINTS, FOUND_POINTS));
        return new Debrief(marks, best, course, finds, play.said());
    }

    private static Mark mark(Subject subject, double value, double share, double most) {
        return new Mark(subject, value, most * Math.max(0, Math.min(1, share)), most);
    }

    private static List<Find> finds(Play play) {
        Map<Hidden, Double> righted = play.righted();
        Set<Hidden> hidden = play.exercise().hidden();
        return Stream.of(Hidden.values())
                .filter(hidden::contains)
                .map(one -> new Find(one, Optional.ofNullable(righted.get(one))))
                .toList();
    }

    private static OptionalDouble thirdDb(Play play, WithinLimits.At left, double driveW) {
        if (driveW <= 0) {
            return OptionalDouble.empty();
        }
        HiddenTruth truth = play.truth();
        Setting setting = truth.setting(play.setup().band(), truth.into(true, 0))
                .at(left.plate(), left.load())
                .driven(driveW);
        return Linearity.of(truth.twin(), setting) instanceof Outcome.Settled<Linearity> settled
                ? OptionalDouble.of(settled.point().thirdDb())
                : OptionalDouble.empty();
    }

    private static boolean isBeyond(Cost cost) {
        return switch (cost) {
            case GRID_BEYOND, PLATE_BEYOND, SCREEN_BEYOND, LICENCE_BEYOND -> true;
            case KEYED_COLD,
                    PLATES_TOO_HOT,
                    TRIPPED,
                    ARC,
                    WRONG_BAND,
                    BAND_TURNED_KEYED,
                    MATCHED_WITH_AMPLIFIER,
                    KEYED_TOO_LONG,
                    RESTED_TOO_SHORT,
                    NAMED_WRONGLY -> false;
        };
    }

    /** Returns how many points of the limits a moment takes. */
    static double lost(Course.Moment moment) {
        return switch (moment.cost()) {
            case GRID_BEYOND, PLATE_BEYOND, SCREEN_BEYOND, LICENCE_BEYOND -> BEYOND_A_SECOND * moment.lastedS();
            case KEYED_COLD -> 10;
            case TRIPPED, BAND_TURNED_KEYED, MATCHED_WITH_AMPLIFIER -> 6;
            case ARC -> 4;
            case WRONG_BAND, KEYED_TOO_LONG -> Math.min(5, 1 + moment.lastedS());
            case RESTED_TOO_SHORT -> 1;
            // Heat and diagnosis have points of their own.
            case PLATES_TOO_HOT, NAMED_WRONGLY -> 0;
        };
    }
}
