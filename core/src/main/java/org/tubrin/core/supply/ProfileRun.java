package org.tubrin.core.supply;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;

/**
 * The measuring of a set's current, reading by reading, begun or done.
 *
 * <p>Method: listening first, then keyed without output, then at a tenth, a quarter, half and all of the greatest output, the
 * least first. Readings between them are welcome. The errors of two readings count as independent of each other, which
 * overstates the uncertainty of their difference. Source: our own.
 *
 * @param name what it is kept as
 * @param set what is measured
 * @param supply what feeds it
 * @param greatestW output up to which it is measured, 0.1 to 5000 W
 * @param listening receiving; absent until read
 * @param keyed in rising order of output
 */
public record ProfileRun(
        String name,
        String set,
        String supply,
        double greatestW,
        Optional<ProfileReading> listening,
        List<ProfileReading> keyed) {
    /** Key-down to aim for, in seconds. */
    public static final double KEY_DOWN_AIM_S = 5;
    /** Key-down never to pass, in seconds. */
    public static final double KEY_DOWN_STOP_S = 10;

    private static final List<Double> RUNGS = List.of(0.0, 0.1, 0.25, 0.5, 1.0);
    private static final double NEAR = 0.3;
    private static final double NEAR_NOTHING = 0.02;
    private static final double SURE = 0.975;

    public ProfileRun {
        keyed = keyed.stream()
                .sorted(Comparator.comparingDouble(ProfileReading::outputW))
                .toList();
        new Checks()
                .name("name", name)
                .name("set", set)
                .name("supply", supply)
                .range("greatestW", greatestW, 0.1, 5000, Unit.WATT)
                .size("keyed", keyed, 0, 200)
                .distinct("keyed", keyed.stream().map(ProfileReading::outputW).toList())
                .done();
    }

    /** What is to be read next. */
    public enum Step {
        /** What the set draws while it receives. */
        LISTEN,
        /** What it draws keyed at an output; 0 for none. */
        KEY,
        /** All was read; one more would tell most at an output, halfway between the two whose currents differ most. */
        ENOUGH,
        /** RF gets into the supply's regulator: nothing more is to be sent with it. */
        STOP
    }

    /**
     * What is to be read next.
     *
     * @param step what
     * @param outputW at this output, in watts; absent where the step has none
     */
    public record Next(Step step, OptionalDouble outputW) {}

    /** Returns what is to be read next. */
    public Next next() {
        if (listening.isEmpty()) {
            return new Next(Step.LISTEN, OptionalDouble.empty());
        }
        if (riseV().isPresent()) {
            return new Next(Step.STOP, OptionalDouble.empty());
        }
        return RUNGS.stream()
                .filter(rung -> keyed.stream().noneMatch(reading -> near(reading, rung)))
                .findFirst()
                .map(rung -> new Next(Step.KEY, OptionalDouble.of(rung * greatestW)))
                .orElseGet(() -> new Next(Step.ENOUGH, OptionalDouble.of(betweenW())));
    }

    private double betweenW() {
        double betweenW = greatestW;
        double mostA = 0;
        for (int i = 1; i < keyed.size(); i++) {
            ProfileReading low = keyed.get(i - 1);
            ProfileReading high = keyed.get(i);
            double apartA = Math.abs(high.currentA() - low.currentA());
            if (apartA > mostA) {
                mostA = apartA;
                betweenW = (low.outputW() + high.outputW()) / 2;
            }
        }
        return betweenW;
    }

    private boolean near(ProfileReading reading, double rung) {
        double off = Math.abs(reading.outputW() - rung * greatestW);
        return off <= (rung > 0 ? NEAR * rung : NEAR_NOTHING) * greatestW;
    }

    /** Returns the same with one more reading, in place of one at the same output. */
    public ProfileRun with(ProfileReading reading, boolean down) {
        List<ProfileReading> others = keyed.stream()
                .filter(one -> !down || one.outputW() != reading.outputW())
                .toList();
        List<ProfileReading> all =
                down ? Stream.concat(others.stream(), Stream.of(reading)).toList() : keyed;
        return new ProfileRun(name, set, supply, greatestW, down ? listening : Optional.of(reading), all);
    }

    /** Returns the profile; empty until the set was read listening and at two outputs. */
    public Optional<CurrentProfile> profile() {
        if (keyed.size() < 2) {
            return Optional.empty();
        }
        double voltageV = keyed.get(keyed.size() - 1).voltageV();
        List<CurrentPoint> points = keyed.stream()
                .map(one -> new CurrentPoint(
                        one.outputW(), one.currentA(), one.currentUncertaintyA(), one.outputUncertaintyW()))
                .toList();
        return listening.map(rest -> new CurrentProfile(set, voltageV, rest.currentA(), points));
    }

    /**
     * Returns by how much the voltage rises when the set transmits, where it surely does: a supply's voltage may only fall under
     * load, so RF gets into its regulator. Empty where it does not rise.
     */
    public Optional<Quantity> riseV() {
        return listening.flatMap(rest -> keyed.stream()
                .filter(one -> one.currentA() >= rest.currentA())
                .map(one -> one.voltage("keyed").minus(rest.voltage("listening")))
                .filter(rise -> rise.probabilityAbove(0) > SURE)
                .max(Comparator.comparingDouble(Quantity::value)));
    }

    /** Returns whether it says if the supply rises: it was stopped by a rise, or gone through to the end without one. */
    public boolean tellsOfRise() {
        return riseV().isPresent() || next().step() == Step.ENOUGH;
    }

    /** Returns by how much the voltage falls with current up to where it was read, in ohms; empty until known, or where it rises. */
    public Optional<Quantity> sourceOhm() {
        return listening
                .filter(rest -> riseV().isEmpty())
                .flatMap(rest -> keyed.stream()
                        .max(Comparator.comparingDouble(ProfileReading::currentA))
                        .filter(most -> most.currentA() > rest.currentA())
                        .map(most -> rest.voltage("listening")
                                .minus(most.voltage("keyed"))
                                .over(most.current("keyed").minus(rest.current("listening")), Unit.OHM)));
    }
}
