package org.tubrin.core.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.tubrin.core.run.School;

/** The lessons, from the first climb to hidden faults. */
public enum Lesson {
    /** Nothing is wrong. */
    FIRST_CLIMB(81, 98),
    /** Nothing is wrong, but one meter shows everything, one thing at a time. */
    ONE_METER(66, 98),
    /** Two things at the panel were left as they should not be. */
    BEFORE_POWER(73, 98),
    /** The station comes from another band: its drive and its dials. */
    BAND_CHANGE(79, 98),
    /** The dials stand so far off that PLATE shows no peak. */
    LOST_PEAK(75, 97),
    /** Loaded for grid current, with a protection that acts soon. */
    GRID_TARGET(87, 97),
    /** Into an antenna that is to be matched first. */
    ANTENNA(54, 98),
    /** A knob is not what it shows. */
    KNOBS(50, 65),
    /** Two meters of output that disagree. */
    WHICH_METER(71, 85),
    /** What the exciter shows of itself is not as it was. */
    EXCITER(71, 88),
    /** Readings move by themselves while the key is down. */
    WANDERING(35, 47),
    ONE_FAULT(57, 69),
    /** Two faults and a slip. */
    TWO_FAULTS(49, 63);

    private static final List<Hidden> LEFT_BEFORE = List.of(
            Hidden.BAND_FORGOTTEN, Hidden.NO_CARRIER, Hidden.STANDBY_LEFT, Hidden.RANGE_LEFT, Hidden.DETECTOR_LEFT);
    private static final List<Hidden> BEHIND = List.of(
            Hidden.SOFT_TUBE,
            Hidden.SAGGING_LINE,
            Hidden.LYING_WATTMETER,
            Hidden.LYING_PLATE_METER,
            Hidden.BAD_RELAY,
            Hidden.BURR,
            Hidden.COOKED_JUMPER,
            Hidden.SUPPLY_RISES,
            Hidden.SLACK_KNOB,
            Hidden.SLIPPING_KNOB,
            Hidden.GAUGE_REVERSED,
            Hidden.BIAS_RUNS_AWAY);
    /** So many of them there were at first; exercises of that time hide what they hid. */
    private static final int BEHIND_AT_FIRST = 10;

    /** Of the current's limit, where the protection acts in the lesson of the grid. */
    private static final double TRIPS_SOON_AT = 1.15;

    /** A matcher wants so many watts at least, and bears so many, for so many seconds. */
    public static final double MATCH_LEAST_W = 5;

    public static final double MATCH_MOST_W = 25;
    public static final double MATCH_S = 3;

    private final int pointsAlone;
    private final int pointsHelped;

    Lesson(int pointsAlone, int pointsHelped) {
        this.pointsAlone = pointsAlone;
        this.pointsHelped = pointsHelped;
    }

    /** Returns the points that a person came to in the campaign who is told nothing, on the mean. */
    public int pointsAlone() {
        return pointsAlone;
    }

    /** Returns the points of one who follows the next move and names nothing. */
    public int pointsHelped() {
        return pointsHelped;
    }

    /** Returns how the dials are found in it. */
    public School school() {
        return this == GRID_TARGET ? School.GRID_TARGET : School.PEAK_THEN_HEAVIER;
    }

    /** Returns how its panel is built, where one was chosen. */
    public Panel.Kind panel(Panel.Kind chosen) {
        return this == ONE_METER ? Panel.Kind.ONE_WITH_SWITCH : chosen;
    }

    /** Returns whether it works into an antenna. */
    public boolean hasAntenna() {
        return this == ANTENNA;
    }

    /** Returns whether nobody has written down where its dials belong. */
    public boolean hasNoCard() {
        return this == LOST_PEAK;
    }

    /** Returns whether a second meter of output is in line, and the volts over the load are to be seen. */
    public boolean hasSecondMeter() {
        return this == WHICH_METER || this == ONE_FAULT || this == TWO_FAULTS;
    }

    /** Returns whether the exciter's own meters are in sight. */
    public boolean showsExciter() {
        return this == EXCITER || hasSecondMeter();
    }

    /** Returns how many faults there are to hide. */
    public static int faults() {
        return BEHIND.size();
    }

    /** Returns the share of its limit at which grid current trips the protection. */
    double tripShare() {
        return this == GRID_TARGET ? TRIPS_SOON_AT : TrueStage.TRIP_SHARE;
    }

    /**
     * Returns what a seed hides in it.
     *
     * @param faults how many there were to hide when it began
     */
    Set<Hidden> hides(Random random, Panel.Kind panel, Optional<Integer> faults) {
        boolean one = panel(panel) == Panel.Kind.ONE_WITH_SWITCH;
        List<Hidden> behind = BEHIND.subList(0, Math.min(BEHIND.size(), faults.orElse(BEHIND_AT_FIRST)));
        return switch (this) {
            case FIRST_CLIMB, ONE_METER -> Set.of();
            case BEFORE_POWER -> some(2, random, LEFT_BEFORE, one ? List.of(Hidden.METER_LEFT) : List.of());
            case BAND_CHANGE -> {
                EnumSet<Hidden> all = EnumSet.of(Hidden.DRIVE_KEPT);
                if (random.nextBoolean()) {
                    all.add(Hidden.BAND_FORGOTTEN);
                }
                yield all;
            }
            case LOST_PEAK -> Set.of(Hidden.DIALS_FAR_OFF);
            case GRID_TARGET -> Set.of(Hidden.LIGHT_LOADING);
            case ANTENNA -> Set.of(Hidden.NOT_MATCHED);
            case KNOBS ->
                some(
                        1,
                        random,
                        List.of(Hidden.SLACK_KNOB, Hidden.SLIPPING_KNOB),
                        one ? List.of(Hidden.DIRTY_SWITCH) : List.of());
            case WHICH_METER -> some(1, random, List.of(Hidden.LYING_WATTMETER, Hidden.LYING_SECOND_METER), List.of());
            case EXCITER -> some(1, random, List.of(Hidden.GAUGE_REVERSED, Hidden.SUPPLY_RISES), List.of());
            case WANDERING ->
                some(1, random, List.of(Hidden.BIAS_RUNS_AWAY, Hidden.COOKED_JUMPER, Hidden.BAD_RELAY), List.of());
            case ONE_FAULT -> some(1, random, behind, one ? List.of(Hidden.DIRTY_SWITCH) : List.of());
            case TWO_FAULTS -> {
                EnumSet<Hidden> all = EnumSet.copyOf(some(2, random, behind, List.of()));
                all.addAll(some(1, random, LEFT_BEFORE, List.of()));
                yield all;
            }
        };
    }

    private static Set<Hidden> some(int count, Random random, List<Hidden> from, List<Hidden> andFrom) {
        List<Hidden> all = new ArrayList<>(from);
        all.addAll(andFrom);
        Collections.shuffle(all, random);
        return EnumSet.copyOf(all.subList(0, count));
    }
}
