package org.tubrin.core.advice;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;

/** What is turned while the key is down, for what, and why. */
final class Peaking {
    private static final List<Control> BOTH = List.of(Control.PLATE, Control.LOAD, Control.PLATE);

    /** A turn as small as this was none. */
    static final double LEAST_MARKS = 0.2;

    /** Drives closer than this ratio are the same. */
    static final double SAME_DRIVE = 1.02;

    private final RunState state;
    private final TuneSetup setup;
    private final Step draft;
    private final boolean foresees;

    Peaking(RunState state) {
        this.state = state;
        this.setup = state.setup();
        this.draft = state.draft();
        foresees = RecordTwin.foresees(setup);
    }

    /** Returns the move that peaks both dials afresh at the drive in hand. */
    Move.KeyAndPeak both() {
        return move(BOTH);
    }

    /** Returns whether the twin chose LOAD for the last step, meters tell of it, and no hand has peaked it yet. */
    boolean mayBeByHand() {
        return foresees
                && RecordTwin.tellsOfLoad(setup)
                && state.school().aim() == School.Aim.OUTPUT
                && draft.kind() == Step.Kind.FINISH
                && state.triesInStep() < 2;
    }

    /** Returns the move that turns these, in this order. */
    Move.KeyAndPeak move(List<Control> order) {
        Optional<Double> target = order.size() > 1 ? TargetAdvice.targetA(state) : Optional.empty();
        return new Move.KeyAndPeak(order, draft.driveW().value(), aim(), target);
    }

    /** Returns what to turn while keyed: LOAD too where the school tunes it at this drive. */
    List<Control> order() {
        boolean tunesLoad = !foresees
                && !wasTurnedHeavier()
                && !wasTurnedLighter()
                && (state.school().tunesLoadEachStep() || draft.isAtTheTop() || isBelowAStop());
        return tunesLoad || isAfresh() ? BOTH : List.of(Control.PLATE);
    }

    /** A whole try that was struck with nothing turned since is peaked afresh, LOAD too, whoever chose it. */
    boolean isAfresh() {
        return struckAtThisDrive(state)
                .filter(before -> (before.isComplete() || before.takesAnotherKeyDown())
                        && sameDials(before)
                        && sameRanges(before))
                .isPresent();
    }

    private boolean sameDials(Step before) {
        return Stream.of(Control.PLATE, Control.LOAD)
                .allMatch(dial -> before.position(dial).equals(draft.position(dial)));
    }

    private boolean sameRanges(Step before) {
        return before.readings().values().stream()
                .allMatch(reading -> reading.range().equals(state.ranges().get(reading.role())));
    }

    /** After a try that asked for heavier coupling LOAD stays: who peaks it for output undoes what was asked for. */
    private boolean wasTurnedHeavier() {
        return aim() == School.Aim.OUTPUT
                && state.struck()
                        .filter(before -> marksHeavierThan(state, before) > LEAST_MARKS)
                        .isPresent();
    }

    /** After a try that asked for lighter coupling LOAD stays too: a hand that peaks it may go back to where it was too heavy. */
    private boolean wasTurnedLighter() {
        return aim() == School.Aim.OUTPUT
                && struckAtThisDrive(state)
                        .filter(before -> marksHeavierThan(state, before) < -LEAST_MARKS)
                        .isPresent();
    }

    /** Returns the try before, where it had the drive in hand; a drive that is read moves a little. */
    static Optional<Step> struckAtThisDrive(RunState state) {
        double driveW = state.draft().driveW().value();
        return state.struck()
                .filter(before -> Math.abs(Math.log(before.driveW().value() / driveW)) < Math.log(SAME_DRIVE));
    }

    /** Returns how many marks heavier LOAD stands than it did at a try before; 0 where either is not known. */
    static double marksHeavierThan(RunState state, Step before) {
        return before.position(Control.LOAD)
                .flatMap(was -> state.draft()
                        .position(Control.LOAD)
                        .map(at -> state.setup().tubes().marksHeavier(was, at)))
                .orElse(0.0);
    }

    /** Below a drive at which the plates drew too much LOAD is tuned as at the top: heavier than need be costs plate current too. */
    private boolean isBelowAStop() {
        return state.stopped()
                .filter(stopped -> stopped.role() == ReadingRole.PLATE_CURRENT
                        && draft.driveW().value() < stopped.driveW())
                .isPresent();
    }

    /** Returns what PLATE is turned for at this drive: low down there is no grid current to see yet. */
    School.Aim aim() {
        School.Aim aim = state.school().aim();
        return aim == School.Aim.GRID && !draft.gridShows() ? School.Aim.OUTPUT : aim;
    }

    Reason reason() {
        return switch (aim()) {
            case OUTPUT ->
                order().size() > 1
                        ? Reason.PEAK_FOR_OUTPUT
                        : foresees && state.school().tunesLoadEachStep()
                                ? Reason.PEAK_PLATE_TWIN
                                : Reason.PEAK_PLATE_ONLY;
            case DIP -> order().size() > 1 ? Reason.DIP_AND_LOAD : Reason.DIP_PLATE_ONLY;
            case GRID -> order().size() > 1 ? Reason.GRID_TO_WINDOW : Reason.GRID_FOR_RESONANCE;
        };
    }
}
