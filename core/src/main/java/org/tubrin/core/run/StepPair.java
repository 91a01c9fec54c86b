package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;

/**
 * Steps of two runs at the same drive, tone and level, or of the same device.
 *
 * @param driveW the drive, in watts
 * @param first of the one run; absent where it has none there
 * @param second of the other
 */
public record StepPair(double driveW, Optional<Step> first, Optional<Step> second) {
    private static final double SAME_DRIVE = 0.08;
    private static final double SAME_LEVEL = 0.005;
    private static final double SIGMAS = 2;
    private static final double EYE_SHARE = 0.003;

    /** Which run. */
    public enum Side {
        FIRST,
        SECOND
    }

    /**
     * The second less the first.
     *
     * @param value with what both leave open; readings of one meter on one range share its class and differ by less
     * @param beyond whether it lies beyond twice that
     */
    public record Difference(Quantity value, boolean beyond) {}

    /** Returns the pairs of two runs in rising drive; the last step of several at one drive counts. */
    public static List<StepPair> of(List<Step> first, List<Step> second) {
        List<Step> ones = lastOfEachDrive(first);
        List<Step> others = new ArrayList<>(lastOfEachDrive(second));
        List<StepPair> pairs = new ArrayList<>();
        for (Step one : ones) {
            Optional<Step> match =
                    others.stream().filter(other -> isSame(one, other)).findFirst();
            match.ifPresent(others::remove);
            pairs.add(new StepPair(one.driveW().value(), Optional.of(one), match));
        }
        others.forEach(other -> pairs.add(new StepPair(other.driveW().value(), Optional.empty(), Optional.of(other))));
        pairs.sort(Comparator.comparingDouble(StepPair::driveW).thenComparingDouble(StepPair::level));
        return List.copyOf(pairs);
    }

    private static boolean isSame(Step one, Step other) {
        double drivesW = one.driveW().value() - other.driveW().value();
        return Math.abs(drivesW) <= SAME_DRIVE * other.driveW().value()
                && one.position(Control.DEVICE).equals(other.position(Control.DEVICE))
                && one.position(Control.TONE).equals(other.position(Control.TONE))
                && Math.abs(level(one) - level(other)) <= SAME_LEVEL;
    }

    private double level() {
        return first.or(() -> second).map(StepPair::level).orElse(0.0);
    }

    private static double level(Step step) {
        return step.position(Control.LEVEL)
                .or(() -> step.position(Control.DEVICE))
                .orElse(0.0);
    }

    private static List<Step> lastOfEachDrive(List<Step> steps) {
        List<Step> kept = new ArrayList<>();
        for (Step step : steps) {
            kept.removeIf(one -> isSame(one, step));
            kept.add(step);
        }
        return kept;
    }

    /** Returns what a role reads in each that has it. */
    public Map<Side, Quantity> measured(ReadingRole role) {
        Map<Side, Quantity> both = new EnumMap<>(Side.class);
        first.flatMap(step -> step.measured(role)).ifPresent(one -> both.put(Side.FIRST, one));
        second.flatMap(step -> step.measured(role)).ifPresent(one -> both.put(Side.SECOND, one));
        return both;
    }

    /** Returns the difference of a role, where both have it: what two looks at a scale leave open is added. */
    public Optional<Difference> difference(ReadingRole role) {
        return first.flatMap(step -> step.measured(role))
                .flatMap(one -> second.flatMap(step -> step.measured(role)).map(other -> other.minus(one)))
                .map(value -> value.plus(Quantity.of(
                        0,
                        value.unit(),
                        value.standing(),
                        new ErrorSource("eye", role.name(), ""),
                        EYE_SHARE * Math.hypot(scale(first, role), scale(second, role)))))
                .map(value -> new Difference(value, Math.abs(value.value()) > SIGMAS * value.standardUncertainty()));
    }

    private static double scale(Optional<Step> step, ReadingRole role) {
        return step.flatMap(one -> one.setup()
                        .channelFor(role)
                        .flatMap(channel -> Optional.ofNullable(one.readings().get(role))
                                .flatMap(reading -> channel.range(reading.range()))))
                .map(MeterRange::fullScale)
                .orElse(0.0);
    }
}
