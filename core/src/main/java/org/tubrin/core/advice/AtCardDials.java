package org.tubrin.core.advice;

import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.Root;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.core.twin.TubeTwin;

/**
 * What less drive brings at the dials that a run ended with: not what the steps of its climb brought, each of which was peaked at
 * its own dials.
 *
 * <p>Method: the output that was read at the end, in the twin's ratio of output at the two drives; without a twin in proportion
 * to drive, which the stage exceeds (it is a bound from below). Source: our own.
 */
final class AtCardDials {
    private static final double SETTABLE_W = 1e-6;

    private final TuneSetup setup;
    private final double tunedW;
    private final double tunedOutputW;
    private final double plate;
    private final double load;
    private final Optional<TubePoint> tuned;

    private AtCardDials(TuneSetup setup, Step last) {
        this.setup = setup;
        tunedW = last.driveW().value();
        tunedOutputW = last.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(0.0);
        plate = last.position(Control.PLATE).orElse(setup.preset().plate());
        load = last.position(Control.LOAD).orElse(setup.preset().load());
        tuned = point(tunedW);
    }

    /** Returns this for the last step of a run; empty before there is one. */
    static Optional<AtCardDials> of(RunState state) {
        return state.lastStep().map(step -> new AtCardDials(state.setup(), step));
    }

    double tunedW() {
        return tunedW;
    }

    double tunedOutputW() {
        return tunedOutputW;
    }

    private Optional<TubePoint> point(double driveW) {
        return RecordTwin.of(setup).flatMap(twin -> settled(twin, driveW));
    }

    private Optional<TubePoint> settled(TubeTwin twin, double driveW) {
        return twin.at(RecordTwin.setting(setup, driveW, plate, load)) instanceof Outcome.Settled<TubePoint> settled
                ? Optional.of(settled.point())
                : Optional.empty();
    }

    /** Returns the output at a drive in watts, these dials. */
    double outputW(double driveW) {
        Optional<Double> ratio = tuned.flatMap(full -> point(driveW).map(less -> less.outputW() / full.outputW()));
        return tunedOutputW * ratio.orElse(driveW / tunedW);
    }

    /** Returns the drive in watts that brings an output at these dials, at most the tuned drive. */
    double driveForW(double outputW) {
        return solved(this::outputW, outputW);
    }

    private double solved(DoubleUnaryOperator outputOf, double outputW) {
        if (outputOf.applyAsDouble(tunedW) <= outputW) {
            return tunedW;
        }
        return Root.between(drive -> outputOf.applyAsDouble(drive) - outputW, 0, tunedW, SETTABLE_W);
    }

    /** Returns the plate heat per tube at a drive in watts, these dials, by the twin; empty without one. */
    Optional<Double> heatPerTubeW(double driveW) {
        return point(driveW).map(one -> one.powers().plateHeatPerTubeW());
    }

    /** Returns the plate heat per tube at the tuned drive, by the twin; empty without one. */
    Optional<Double> tunedHeatPerTubeW() {
        return tuned.map(one -> one.powers().plateHeatPerTubeW());
    }

    /**
     * Dials and drive for an output that is held long.
     *
     * @param driveW drive in watts
     * @param place dials and operating point by the twin
     */
    record OwnDials(double driveW, Peak place) {}

    /** Returns where the twin tunes for an output in watts, a little heavier than its peak; empty without a twin. */
    Optional<OwnDials> ownDials(double outputW) {
        if (tuned.isEmpty()) {
            return Optional.empty();
        }
        double readOverTwin = tunedOutputW / tuned.get().outputW();
        double driveW = solved(
                drive -> RecordTwin.finish(setup, drive)
                        .map(place -> readOverTwin * place.point().outputW())
                        .orElse(0.0),
                outputW);
        return RecordTwin.finish(setup, driveW).map(place -> new OwnDials(driveW, place));
    }
}
