package org.tubrin.core.advice;

import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.DriveAhead;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;

/** How many marks heavier make room for a grid's current: at least the customary ones of a finish, and four times them at most. */
final class HeavierForGrid {
    private static final double MOST_STEPS = 4;

    private HeavierForGrid() {}

    /** Returns the marks that bring a current back within a bound, both in amperes. */
    static double within(TuneSetup setup, double currentA, double boundA) {
        double step = setup.settings().finishMarks();
        double marks = Math.log(currentA / (LighterAdvice.MARGIN * boundA)) / LighterAdvice.CURRENT_PER_MARK;
        return Math.max(step, Math.min(MOST_STEPS * step, marks));
    }

    /**
     * Returns the marks for a grid that holds the drive of a climb in which LOAD stays: as many as full drive will want, since only
     * there it is tuned again; elsewhere the customary ones.
     */
    static double onTheWayUp(RunState state) {
        TuneSetup setup = state.setup();
        Step draft = state.draft();
        boolean loadStays = !RecordTwin.foresees(setup)
                && !state.school().tunesLoadEachStep()
                && state.school().aim() == School.Aim.OUTPUT
                && draft.kind() == Step.Kind.CLIMB
                && !draft.isAtTheTop();
        double atTheTop = Math.pow(setup.topDriveW() / draft.driveW().value(), DriveAhead.USUAL_GRID_POWER);
        return draft.measured(ReadingRole.GRID_CURRENT)
                .map(Quantity::value)
                .filter(currentA -> loadStays && currentA > 0)
                .map(currentA ->
                        within(setup, currentA * atTheTop, setup.tubes().gridCurrentLimitA()))
                .orElse(setup.settings().finishMarks());
    }
}
