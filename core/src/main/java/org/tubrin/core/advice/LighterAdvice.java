package org.tubrin.core.advice;

import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;

/**
 * LOAD turned lighter where it stands too heavy, for the plates' heat or for output, and back where that cost output. All of it is for
 * stages of which no twin says where LOAD belongs.
 */
final class LighterAdvice {
    /** A grid whose current is below this share of its limit is not what holds the output down. */
    private static final double FAR_BELOW = 0.7;

    /** Below this share of its limit a current is to stay. */
    static final double MARGIN = 0.97;

    /** By so much of itself a grid's current rises for each mark lighter, and falls for each mark heavier. */
    static final double CURRENT_PER_MARK = 0.25;

    /** In so many key-downs turns lighter take the heat away, or something else does. */
    private static final int MOST_FOR_HEAT = 5;

    /** When little output was answered so often, something else must help. */
    private static final int MOST_FOR_OUTPUT = 3;

    /** Share of the output that lighter coupling may not cost. */
    private static final double KEPT = 0.97;

    /** Output goes with drive to this power at least: 1.2 for each doubling. */
    private static final double LEAST_POWER = 0.25;

    private final RunState state;
    private final TuneSetup setup;
    private final Step draft;

    private LighterAdvice(RunState state) {
        this.state = state;
        this.setup = state.setup();
        this.draft = state.draft();
    }

    /** Lighter by half a mark takes heat from the plates and keeps the output, as long as the grid's current may rise by so much. */
    static Optional<Advice> forHeat(RunState state) {
        return new LighterAdvice(state).withinGrid();
    }

    /** Little output where the grids draw far less than they may: LOAD stands too heavy, and goes half a mark lighter. */
    static Optional<Advice> forOutput(RunState state) {
        return new LighterAdvice(state).poor();
    }

    /** Lighter takes heat away on the heavy side of the peak alone; where it cost output instead, LOAD goes back. */
    static Optional<Advice> back(RunState state) {
        return new LighterAdvice(state).goesBack();
    }

    private Optional<Advice> withinGrid() {
        double marks = setup.settings().finishMarks();
        boolean gridBears = draft.measured(ReadingRole.GRID_CURRENT)
                .filter(current -> current.value() * (1 + CURRENT_PER_MARK * marks)
                        < MARGIN * setup.tubes().gridCurrentLimitA())
                .isPresent();
        return gridBears && followsOutput() && state.keyDownsInStep() < MOST_FOR_HEAT
                ? lighter(marks, Reason.HEAT_GRID_HAS_ROOM)
                : Optional.empty();
    }

    private Optional<Advice> poor() {
        boolean gridsAreFarBelow = Stream.of(ReadingRole.GRID_CURRENT, ReadingRole.SCREEN_CURRENT)
                .flatMap(role -> draft.measured(role).stream()
                        .flatMap(current -> setup.limitOf(role).stream()
                                .map(limit -> Math.abs(current.value()) < FAR_BELOW * limit)))
                .reduce((first, second) -> first && second)
                .orElse(false);
        return gridsAreFarBelow && state.keyDownsInStep() < MOST_FOR_OUTPUT
                ? lighter(setup.settings().finishMarks(), Reason.POOR_LIGHTER)
                : Optional.empty();
    }

    private Optional<Advice> goesBack() {
        return Peaking.struckAtThisDrive(state)
                .filter(before -> costOutput(before, KEPT))
                .or(() -> state.lastStep()
                        .filter(before -> !state.school().tunesLoadEachStep()
                                && state.struck().isEmpty()
                                && costOutput(before, leastGrowth(before))))
                .flatMap(before -> before.position(Control.LOAD))
                .map(was -> turn(draft.position(Control.LOAD).orElseThrow(), was, Reason.LIGHTER_COSTS_OUTPUT));
    }

    /** Returns whether LOAD stands lighter than it did, and less came out than this share of what did. */
    private boolean costOutput(Step before, double share) {
        double outputW = draft.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(Double.MAX_VALUE);
        return followsOutput()
                && Peaking.marksHeavierThan(state, before) < -Peaking.LEAST_MARKS
                && before.measured(ReadingRole.OUTPUT)
                        .filter(was -> outputW < share * was.value())
                        .isPresent();
    }

    /** More drive brings this much at least, be the stage near its end. */
    private double leastGrowth(Step before) {
        return Math.pow(draft.driveW().value() / before.driveW().value(), LEAST_POWER);
    }

    /** Returns whether LOAD is turned for the most output, and no twin says where it belongs. */
    private boolean followsOutput() {
        return setup.stage().isTuned()
                && !RecordTwin.foresees(setup)
                && state.school().aim() == School.Aim.OUTPUT;
    }

    /** Who just came back from there is not sent lighter again. */
    private Optional<Advice> lighter(double marks, Reason reason) {
        boolean cameBack = state.struck()
                .filter(before -> Peaking.marksHeavierThan(state, before) > Peaking.LEAST_MARKS)
                .isPresent();
        return draft.position(Control.LOAD)
                .filter(at -> !cameBack && !RecordTwin.foresees(setup))
                .filter(at -> setup.tubes().heavier(at, -marks) != at)
                .map(at -> turn(at, setup.tubes().heavier(at, -marks), reason));
    }

    private Advice turn(double from, double to, Reason reason) {
        return Advice.striking(
                new Move.Turn(Control.LOAD, from, to, setup.tubes().marksHeavier(from, to)), reason);
    }
}
