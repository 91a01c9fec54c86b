package org.tubrin.core.run;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Verdict;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

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
    /** More drive would pass a limit, by what was read and the twin. */
    LIMIT_AHEAD,
    /** The drive was not raised from one step to the next. */
    STAYED,
    /** The last step was taken as such. */
    FINISHED;

    private static final double WORTH_RAISING = 1.05;
    private static final double SAME = 1.02;
    private static final double STILL_EXPANDS = 1.9;
    /** Standard uncertainties on either side of which 95 % lie. */
    private static final double COVERED = 1.96;
    /** A decibel below where it tripped. */
    private static final double BELOW_TRIP = 0.8;
    /** Share of the full drive below which no stage saturates that is tuned and wired as it should. */
    private static final double LEAST_SATURATING_SHARE = 0.12;

    /**
     * Returns why the drive is not raised beyond the last step of the climb, where that is so.
     *
     * @param trips when the protection acted
     */
    public static Optional<ClimbEnd> of(TuneSetup setup, List<Step> steps, List<Trip> trips) {
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
        if (last.driveW().value() * WORTH_RAISING > capW(trips)) {
            return Optional.of(TRIPPED);
        }
        // After a trip a table goes on from lower down.
        boolean stayed = setup.stage().isTuned()
                && climb.size() > 1
                && last.driveW().value()
                        < SAME * climb.get(climb.size() - 2).driveW().value();
        if (stayed) {
            return Optional.of(STAYED);
        }
        Optional<Growth> growth =
                climb.size() < 2 ? Optional.empty() : Growth.between(climb.get(climb.size() - 2), last);
        double saturation = setup.settings().saturationGrowth();
        if (maySaturate(setup, last)
                && growth.filter(one -> one.perDoubling().high() < saturation).isPresent()) {
            return Optional.of(SATURATION);
        }
        if (isNearALimit(last)) {
            return Optional.of(LIMIT_NEAR);
        }
        return nextDriveW(setup, last, growth) < last.driveW().value() * WORTH_RAISING
                ? Optional.of(setup.mostOutputW() < setup.station().licenceLimitW() ? RATED : LICENCE)
                : Optional.empty();
    }

    /** Returns whether a step has drive enough that little growth can be saturation. */
    public static boolean maySaturate(TuneSetup setup, Step step) {
        return step.driveW().value() >= LEAST_SATURATING_SHARE * setup.topDriveW();
    }

    /**
     * Returns why the climb of a run ended where it did; empty while it goes on. Where it ended with a step that was taken for the
     * last one, that step says why: its drive is the top, a limit is near, or the twin held it back from one.
     */
    static Optional<ClimbEnd> reached(TuneSetup setup, List<Step> steps, List<Trip> trips) {
        Optional<ClimbEnd> before = of(
                setup,
                steps.stream().filter(step -> step.kind() == Step.Kind.CLIMB).toList(),
                trips);
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
        return Optional.of(RecordTwin.tellsOfLoad(setup) ? LIMIT_AHEAD : FINISHED);
    }

    private static ClimbEnd top(TuneSetup setup) {
        return setup.carrierIsShort() ? CARRIER_FULL : FULL_DRIVE;
    }

    /** Returns the drive that trips let pass, in watts: a little below the lowest at which the protection acted on what the drive does. */
    public static double capW(List<Trip> trips) {
        return trips.stream()
                .filter(trip -> trip.kind() != SeenSign.TRIP_FILTER)
                .mapToDouble(trip -> BELOW_TRIP * trip.driveW().value())
                .filter(capW -> capW > 0)
                .min()
                .orElse(Double.MAX_VALUE);
    }

    private static boolean isNearALimit(Step step) {
        return step.room().stream()
                .filter(room -> room.kind() != LimitKind.DRIVE)
                .anyMatch(room -> room.verdict() == Verdict.EXCEEDS
                        || (room.verdict() == Verdict.MAY_EXCEED && room.kind() != LimitKind.HEAT_PER_TUBE));
    }

    /**
     * Returns the drive of the next step, in watts: the next rung, or less where the output would otherwise pass the licence, or
     * what the stage is rated for by the upper end of what the meter leaves open; taking the growth per doubling to be at most
     * the last one seen (the most that a stage has before one is seen).
     */
    public static double nextDriveW(TuneSetup setup, Step last, Optional<Growth> growth) {
        double driveW = last.driveW().value();
        double rungW = Ladder.nextAboveW(setup, last.school(), driveW);
        Optional<Quantity> output = last.measured(ReadingRole.OUTPUT).filter(one -> one.value() > 0);
        if (output.isEmpty()) {
            return rungW;
        }
        double most = setup.stage().mostGrowthPerDoubling();
        double perDoubling = growth.map(one -> one.perDoubling().value())
                // A stage that still expands may do so once more.
                .filter(seen -> seen < STILL_EXPANDS || most <= 2)
                .map(seen -> Math.min(most, seen))
                .orElse(most);
        if (perDoubling <= 1) {
            return rungW;
        }
        double unsureW =
                setup.stage().mostOutputW().isPresent() ? COVERED * output.get().standardUncertainty() : 0;
        double doublings = Math.log(setup.mostOutputW() / (output.get().value() + unsureW)) / Math.log(perDoubling);
        return Math.min(rungW, Ladder.settable(driveW * Math.pow(2, Math.max(0, doublings))));
    }
}
