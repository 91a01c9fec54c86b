package org.tubrin.core.practice;

import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Stage;

/**
 * What a stage may be driven to: every current and the licence kept with a twentieth to spare, each plate within its rated heat. Source:
 * our own.
 *
 * @param stage as it really is
 * @param setup whose limits hold
 */
public record WithinLimits(TrueStage stage, TuneSetup setup) {
    private static final double MARGIN = 0.95;
    private static final int LOADS = 60;
    private static final int HALVINGS = 14;

    /** Two dials, the most drive that is allowed there, in watts, and its output, in watts; 0 where none is. */
    public record At(double plate, double load, double driveW, double outputW) {}

    /** Returns what is allowed at two places behind the dials. */
    public At at(double plate, double load) {
        stage.forget();
        double driveW = allowedDriveW(plate, load);
        return new At(plate, load, driveW, driveW > 0 && stage.settle(driveW, plate, load) ? stage.outputW() : 0);
    }

    /** Returns where most output is allowed, over all loadings along resonance. */
    public At best() {
        Stage.Tubes tubes = setup.tubes();
        At best = new At(tubes.plate().least(), tubes.load().least(), 0, 0);
        for (int i = 0; i <= LOADS; i++) {
            double load =
                    tubes.load().least() + (tubes.load().most() - tubes.load().least()) * i / LOADS;
            At here = at(stage.resonantPlate(load), load);
            best = here.outputW() > best.outputW() ? here : best;
        }
        return best;
    }

    /** Returns whether the stage, as it settled last, is beyond a current's limit or the licence, without anything to spare. */
    public boolean isPassed() {
        Stage.Tubes tubes = setup.tubes();
        return stage.gridCurrentA() > tubes.gridCurrentLimitA()
                || stage.plateCurrentA() > tubes.plateCurrentLimitA()
                || Math.abs(stage.screenCurrentA())
                        > tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE)
                || stage.outputW() > setup.station().licenceLimitW();
    }

    private double allowedDriveW(double plate, double load) {
        double most = setup.topDriveW();
        if (keeps(most, plate, load)) {
            return most;
        }
        double low = 0;
        double high = most;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (keeps(middle, plate, load)) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private boolean keeps(double driveW, double plate, double load) {
        Stage.Tubes tubes = setup.tubes();
        return stage.settle(driveW, plate, load)
                && stage.gridCurrentA() <= MARGIN * tubes.gridCurrentLimitA()
                && stage.plateCurrentA() <= MARGIN * tubes.plateCurrentLimitA()
                && Math.abs(stage.screenCurrentA())
                        <= MARGIN * tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE)
                && stage.plateHeatPerTubeW() <= tubes.plateDissipationPerTubeW()
                && stage.outputW() <= MARGIN * setup.station().licenceLimitW();
    }
}
