package org.tubrin.core.signs;

import java.util.Optional;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Growth;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Band;
import org.tubrin.core.twin.Peak;

/** What the rules of the signs ask about a step. */
final class StepFacts {
    private static final double FULL_DRIVE = 0.95;

    /** A quarter of a doubling. */
    private static final double TELLING_RAISE = Math.pow(2, 0.25);

    final Step step;
    final Optional<Step> before;
    final TuneSetup setup;
    final Budget budget;

    StepFacts(Step step, Optional<Step> before) {
        this.step = step;
        this.before = before;
        setup = step.setup();
        budget = step.budget();
    }

    Optional<Quantity> measured(ReadingRole role) {
        return step.measured(role);
    }

    /** Returns the output that the claim lets expect at this drive, in watts. */
    double likelyOutputW() {
        return setup.claimedW(step.driveW().value());
    }

    boolean isFullDrive() {
        return step.driveW().value() >= FULL_DRIVE * setup.topDriveW();
    }

    boolean isHighestBand() {
        return setup.band().lowestHz() >= Band.MHZ_28.lowestHz();
    }

    Optional<Quantity> screenToPlate() {
        return measured(ReadingRole.SCREEN_CURRENT)
                .flatMap(screen -> measured(ReadingRole.PLATE_CURRENT)
                        .filter(plate -> plate.value() > 0)
                        .map(plate -> screen.over(plate, Unit.ONE)));
    }

    /** Returns the growth since the step before; empty where the drive went up so little that dials and eye tell more than it. */
    Optional<Growth> growth() {
        return before.filter(last ->
                        step.driveW().value() > TELLING_RAISE * last.driveW().value())
                .flatMap(last -> Growth.between(last, step));
    }

    /** Returns the twin's place a little heavier than the peak at this drive. */
    Optional<Peak> twinFinish() {
        return RecordTwin.finish(setup, step.driveW().value());
    }

    /** Returns what the twin has at this drive and LOAD with PLATE peaked, in watts. */
    Optional<Double> twinPeakedW() {
        return peakedW(step);
    }

    static Optional<Double> peakedW(Step step) {
        return step.position(Control.LOAD)
                .flatMap(load ->
                        RecordTwin.peakedOutputW(step.setup(), step.driveW().value(), load));
    }
}
