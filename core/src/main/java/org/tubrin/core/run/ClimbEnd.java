package org.tubrin.core.run;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.alc.LevelProfile;
import org.tubrin.core.bias.BiasClimb;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.chain.ChainClimb;
import org.tubrin.core.matcher.Matching;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.scope.ScopeCheck;

/** Why the climb goes no higher. */
public enum ClimbEnd {
    FULL_DRIVE,
    /** All that the exciter's carrier gives, which is less than the amplifier takes. */
    CARRIER_FULL,
    SATURATION,
    LIMIT_NEAR,
    LICENCE,
    /** More output would pass what the amplifier is rated for. */
    RATED,
    /** More drive made the protection act. */
    TRIPPED,
    /** Set higher, the exciter gives no more. */
    HELD_BACK,
    /** The wanted output is there. */
    WANTED,
    /** More drive would pass a limit, by what was read and the twin. */
    LIMIT_AHEAD,
    /** All levels are there. */
    LEVELS_DONE,
    /** The slider came to its end, and nothing limited. */
    SLIDER_AT_END,
    /** The lowest level of the sound path already brings much of the set power. */
    PATH_TOO_HOT,
    /** The levels do not tell where the output stops following. */
    NO_KNEE,
    /** All devices stand at their idle current, hot. */
    BIAS_DONE,
    /** A device's current rose by itself. */
    RUNS_AWAY,
    /** One step of the pot is more than may be off. */
    POT_TOO_COARSE,
    /** A gate came above what biases it. */
    GATE_HIGH,
    /** Matched, and amplifying at little drive. */
    MATCHED,
    /** A known load is matched. */
    REACH_PROVEN,
    NOT_MATCHED,
    /** A known load within the matcher's reach is not matched. */
    MATCHER_FAULTY,
    PA_STAYS_ON,
    PA_STAYS_OFF,
    PATH_LOSES,
    /** Exciter and pad do not bring what the matcher needs. */
    POWER_SHORT,
    /** The meters do not tell whether anything is amplified. */
    NOT_TOLD,
    /** A part of a chain would be fed with more than it may be. */
    INPUT_FULL,
    /** A stage has lost 1 dB of its gain. */
    COMPRESSED,
    GENERATOR_FULL,
    /** The gate's direct voltage moved with drive. */
    GATE_MOVES,
    /** More came out than the step explains. */
    TAKES_OFF,
    SIGNAL_CLEAN,
    SIGNAL_NOT_CLEAN,
    /** Volts over the load and a wattmeter disagree beyond both. */
    VOLTS_APART,
    /** The supply stands at the highest voltage that the stage takes. */
    SUPPLY_AT_TOP,
    /** The drive was not raised from one step to the next. */
    STAYED,
    /** The last step was taken as such. */
    FINISHED;

    /** What a limit or the licence leaves of drive is worth another key-down from this ratio on, short of the top: less is a third of a decibel. */
    public static final double WORTH_A_STEP = 1.12;

    private static final double SAME = 1.02;
    /** A drive was stopped at no more than this times another: there is nothing to find between the two. */
    private static final double NEAR_STOPPED = 1.6;
    /** Share of the full drive below which no stage saturates that is tuned and wired as it should. */
    private static final double LEAST_SATURATING_SHARE = 0.25;

    /** Returns why no further level is tried, where that is so. */
    static Optional<ClimbEnd> ofLevels(TuneSetup setup, List<Step> steps) {
        if (steps.isEmpty() || LevelSteps.next(setup, steps).isPresent()) {
            return Optional.empty();
        }
        return LevelSteps.profile(setup, steps)
                .map(profile -> profile.lack().map(ClimbEnd::without).orElse(LEVELS_DONE));
    }

    /** Returns why no further device is set, where that is so. */
    static Optional<ClimbEnd> ofBias(TuneSetup setup, List<Step> steps) {
        return BiasSteps.climb(setup, steps).flatMap(BiasClimb::end).map(end -> switch (end) {
            case DONE -> BIAS_DONE;
            case RUNS_AWAY -> RUNS_AWAY;
            case TOO_COARSE -> POT_TOO_COARSE;
            case GATE_HIGH -> GATE_HIGH;
        });
    }

    /** Returns why no further key-down of a matcher's order follows, where that is so. */
    static Optional<ClimbEnd> ofMatching(TuneSetup setup, List<Step> steps, List<Trip> trips) {
        return MatcherSteps.matching(setup, steps, trips).flatMap(Matching::end).map(end -> switch (end) {
            case MATCHED -> MATCHED;
            case REACH_PROVEN -> REACH_PROVEN;
            case NOT_MATCHED -> NOT_MATCHED;
            case MATCHER_FAULTY -> MATCHER_FAULTY;
            case PA_STAYS_ON -> PA_STAYS_ON;
            case PA_STAYS_OFF -> PA_STAYS_OFF;
            case PATH_LOSES -> PATH_LOSES;
            case POWER_SHORT -> POWER_SHORT;
            case NOT_TOLD -> NOT_TOLD;
        });
    }

    /** Returns why a chain is driven no further, where that is so. */
    static Optional<ClimbEnd> ofChain(TuneSetup setup, List<Step> steps) {
        return ChainSteps.climb(setup, steps).flatMap(ChainClimb::end).map(end -> switch (end) {
            case WANTED -> WANTED;
            case INPUT -> INPUT_FULL;
            case COMPRESSION -> COMPRESSED;
            case GENERATOR -> GENERATOR_FULL;
            case GATE_MOVES -> GATE_MOVES;
            case TAKES_OFF -> TAKES_OFF;
        });
    }

    /** Returns why a scope is looked at no further, where that is so. */
    static Optional<ClimbEnd> ofScope(TuneSetup setup, List<Step> steps) {
        return ScopeSteps.check(setup, steps).flatMap(ScopeCheck::end).map(end -> switch (end) {
            case CLEAN -> SIGNAL_CLEAN;
            case NOT_CLEAN -> SIGNAL_NOT_CLEAN;
            case VOLTS_APART -> VOLTS_APART;
        });
    }

    /** Returns why the supply of a stage that switches is set no higher, where that is so. */
    static Optional<ClimbEnd> ofSupply(TuneSetup setup, List<Step> steps) {
        return SupplySteps.end(setup, steps).map(end -> switch (end) {
            case WANTED -> WANTED;
            case RATED -> setup.mostOutputW() < setup.licenceW() ? RATED : LICENCE;
            case CURRENT -> LIMIT_NEAR;
            case TOP -> SUPPLY_AT_TOP;
        });
    }

    private static ClimbEnd without(LevelProfile.Lack lack) {
        return switch (lack) {
            case SLIDER_AT_END -> SLIDER_AT_END;
            case TOO_HOT -> PATH_TOO_HOT;
            case NO_BEND -> NO_KNEE;
        };
    }

    /**
     * Returns why the drive of a stage with dials is not raised beyond the last step of the climb, where that is so.
     *
     * @param stopped the least drive at which a meter came to its stop and no step was done since
     */
    static Optional<ClimbEnd> of(TuneSetup setup, List<Step> steps, Optional<Stopped> stopped) {
        if (!steps.isEmpty() && steps.get(steps.size() - 1).kind() == Step.Kind.FINISH) {
            return Optional.of(FINISHED);
        }
        List<Step> climb =
                steps.stream().filter(step -> step.kind() == Step.Kind.CLIMB).toList();
        if (climb.isEmpty()) {
            return Optional.empty();
        }
        Step last = climb.get(climb.size() - 1);
        if (last.isAtTheTop()) {
            return Optional.of(top(setup));
        }
        boolean stayed = climb.size() > 1
                && last.driveW().value()
                        < SAME * climb.get(climb.size() - 2).driveW().value();
        if (stayed) {
            return Optional.of(STAYED);
        }
        double saturation = setup.settings().saturationGrowth();
        if (maySaturate(setup, last)
                && growth(climb)
                        .filter(one -> one.perDoubling().likelyHigh() < saturation)
                        .isPresent()) {
            return Optional.of(SATURATION);
        }
        if (isNearALimit(last)) {
            return Optional.of(LIMIT_NEAR);
        }
        double worthW = Math.min(last.driveW().value() * WORTH_A_STEP, setup.topDriveW() / SAME);
        if (withinLicenceW(setup, climb) < worthW) {
            return Optional.of(outputIsThere(setup));
        }
        return nextDriveW(setup, climb, stopped) < worthW ? Optional.of(LIMIT_NEAR) : Optional.empty();
    }

    /** Returns whether a step has drive enough that little growth can be saturation. */
    public static boolean maySaturate(TuneSetup setup, Step step) {
        return step.driveW().value() >= LEAST_SATURATING_SHARE * setup.topDriveW();
    }

    /**
     * Returns why the climb of a run ended where it did; empty while it goes on. Where it ended with a step that was taken for the
     * last one, that step says why: its drive is the top, a limit is near, or the twin held it back from one.
     */
    static Optional<ClimbEnd> reached(TuneSetup setup, List<Step> steps, Optional<Stopped> stopped) {
        Optional<ClimbEnd> before = of(
                setup,
                steps.stream().filter(step -> step.kind() == Step.Kind.CLIMB).toList(),
                stopped);
        if (before.isPresent() || steps.isEmpty() || steps.get(steps.size() - 1).kind() != Step.Kind.FINISH) {
            return before;
        }
        Step last = steps.get(steps.size() - 1);
        if (last.isAtTheTop()) {
            return Optional.of(top(setup));
        }
        if (isNearALimit(last)) {
            return Optional.of(LIMIT_NEAR);
        }
        if (isWanted(setup, last)) {
            return Optional.of(WANTED);
        }
        return Optional.of(RecordTwin.foresees(setup) ? LIMIT_AHEAD : FINISHED);
    }

    /** Returns what it is that the output has come to. */
    private static ClimbEnd outputIsThere(TuneSetup setup) {
        return setup.climbsToW() < setup.licenceW() ? WANTED : LICENCE;
    }

    private static boolean isWanted(TuneSetup setup, Step last) {
        return setup.use() == Use.LONG_CARRIER
                && last.measured(ReadingRole.OUTPUT)
                        .filter(output -> output.likelyHigh() >= setup.climbsToW())
                        .isPresent();
    }

    static ClimbEnd top(TuneSetup setup) {
        return setup.carrierIsShort() ? CARRIER_FULL : FULL_DRIVE;
    }

    static boolean isNearALimit(Step step) {
        return step.room().stream()
                .filter(room -> room.kind() != LimitKind.DRIVE)
                .anyMatch(room -> room.value().value() > room.limit()
                        || (room.value().likelyHigh() > room.limit() && room.kind() != LimitKind.HEAT_PER_TUBE));
    }

    /**
     * Returns the drive of the step after those of a climb, in watts: the next rung, or less where the output would otherwise pass
     * the licence, where a meter came to its stop, or, without a twin that foresees it, where a current would pass its limit.
     */
    public static double nextDriveW(TuneSetup setup, List<Step> climb, Optional<Stopped> stopped) {
        double withinW = withinLicenceW(setup, climb);
        Step last = climb.get(climb.size() - 1);
        double lastW = last.driveW().value();
        double belowStopW = stopped.map(one -> Math.max(lastW, belowStopW(setup, last, one)))
                .orElse(withinW);
        double aheadW = RecordTwin.foresees(setup)
                ? withinW
                : DriveAhead.withinW(setup, climb).map(setup::settableBelowW).orElse(withinW);
        return Math.min(withinW, Math.min(belowStopW, aheadW));
    }

    /**
     * Half the way to a drive that was stopped, as a ratio; from a drive little below it no higher, unless LOAD went heavier since and
     * so took down what was stopped at.
     */
    private static double belowStopW(TuneSetup setup, Step last, Stopped stopped) {
        double lastW = last.driveW().value();
        boolean isHeavier = stopped.heavierHelps()
                && last.position(Control.LOAD)
                        .filter(at -> stopped.isHeavierBy(setup.settings().finishMarks(), setup, at))
                        .isPresent();
        return isHeavier || stopped.driveW() > lastW * NEAR_STOPPED
                ? setup.settableBelowW(Math.sqrt(lastW * stopped.driveW()))
                : lastW;
    }

    /** Returns whether what holds the next step's drive below its rung is a current, not the licence. */
    public static boolean isHeldByCurrent(TuneSetup setup, List<Step> climb, Optional<Stopped> stopped) {
        return nextDriveW(setup, climb, stopped) < withinLicenceW(setup, climb);
    }

    /** Returns how the output grew from the last step but one to the last. */
    private static Optional<Growth> growth(List<Step> climb) {
        int size = climb.size();
        return size < 2 ? Optional.empty() : Growth.between(climb.get(size - 2), climb.get(size - 1));
    }

    /**
     * The growth per doubling is taken to be at most the last one seen, 2 before one is seen. It falls as the stage fills, so what is
     * aimed at lies half-way between the meter's stop and the licence; of a long carrier it is what is wanted.
     */
    private static double withinLicenceW(TuneSetup setup, List<Step> climb) {
        Step last = climb.get(climb.size() - 1);
        double driveW = last.driveW().value();
        double rungW = Ladder.nextAboveW(setup, last.school(), driveW);
        Optional<Quantity> output = last.measured(ReadingRole.OUTPUT).filter(one -> one.value() > 0);
        if (output.isEmpty()) {
            return rungW;
        }
        double perDoubling =
                Math.min(2, growth(climb).map(one -> one.perDoubling().value()).orElse(2.0));
        if (perDoubling <= 1) {
            return rungW;
        }
        double licenceW = setup.station().licenceLimitW();
        double mostW = Math.min(
                setup.climbsToW(),
                (licenceW + Stop.at(setup, ReadingRole.OUTPUT).orElse(licenceW)) / 2);
        double doublingsToLicence = Math.log(mostW / output.get().value()) / Math.log(perDoubling);
        return Math.min(rungW, setup.settableWithinW(driveW * Math.pow(2, Math.max(0, doublingsToLicence))));
    }
}
