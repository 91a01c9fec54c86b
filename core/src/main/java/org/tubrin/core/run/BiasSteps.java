package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.bias.BiasClimb;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.bias.BiasPoint;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/** The steps of a bias climb, as currents. */
public final class BiasSteps {
    private BiasSteps() {}

    /** Returns what tells of the current: the drop over one resistor for all devices, or an ammeter in the feed of one. */
    public static ReadingRole role(BiasPlan plan) {
        return BiasInRun.role(plan);
    }

    /** Returns where a bias climb stands; empty where it is another kind of run. */
    public static Optional<BiasClimb> climb(TuneSetup setup, List<Step> steps) {
        return setup.customs().bias().map(plan -> BiasClimb.of(plan, points(plan, steps)));
    }

    /**
     * What a current is not to pass while a climb waits for its next reading.
     *
     * @param role that tells of it
     * @param device whose pot then goes down; 0 for all
     * @param most in the unit of the role
     */
    public record Ceiling(ReadingRole role, int device, double most) {}

    /** Returns what the current is not to pass now; empty where it is another kind of run, or over. */
    public static Optional<Ceiling> ceiling(TuneSetup setup, List<Step> steps) {
        return setup.customs()
                .bias()
                .flatMap(plan -> climb(setup, steps)
                        .flatMap(BiasClimb::next)
                        .map(next -> new Ceiling(role(plan), next.device(), plan.shown(next.stopA()))));
    }

    /** Returns the readings of the steps, as currents. */
    public static List<BiasPoint> points(BiasPlan plan, List<Step> steps) {
        List<BiasPoint> points = new ArrayList<>();
        for (Step step : steps) {
            current(plan, step, points.size())
                    .ifPresent(current -> points.add(new BiasPoint(
                            current,
                            step.measured(ReadingRole.GATE_VOLTAGE).map(Quantity::value),
                            step.position(Control.POT))));
        }
        return points;
    }

    private static Optional<Quantity> current(BiasPlan plan, Step step, int number) {
        Optional<Quantity> read = looked(step, role(plan), number);
        return plan.sense()
                .map(sense -> read.map(drop -> drop.over(ohm(sense), Unit.AMPERE)))
                .orElse(read);
    }

    private static Quantity ohm(BiasPlan.Sense sense) {
        return Quantity.of(
                sense.measuredOhm(),
                Unit.OHM,
                Standing.MEASURED,
                ErrorSource.bounded("sense resistor", "OHM", ""),
                sense.boundShare() * sense.measuredOhm() / Math.sqrt(3));
    }

    /** What a reading is worth, with what each look at the meter leaves open for itself. */
    private static Optional<Quantity> looked(Step step, ReadingRole role, int number) {
        return step.measured(role)
                .map(worth -> worth.with(
                        new ErrorSource("eye", role.name(), Integer.toString(number)),
                        Optional.ofNullable(step.readings().get(role))
                                .map(reading -> eye(step, reading))
                                .orElse(0.0)));
    }

    private static double eye(Step step, Reading reading) {
        return step.setup()
                .channelFor(reading.role())
                .flatMap(channel -> channel.range(reading.range()).map(channel::fromPlaceToPlace))
                .orElse(0.0);
    }

    /** Returns where the pot of a device stood last, in turns from its minimum. */
    static double potTurns(List<Step> steps, double device) {
        double turns = 0;
        for (Step step : steps) {
            if (step.position(Control.DEVICE).filter(one -> one == device).isPresent()) {
                turns = step.position(Control.POT).orElse(turns);
            }
        }
        return turns;
    }
}
