package org.tubrin.bench.campaign;

import java.util.List;
import java.util.OptionalDouble;
import org.tubrin.bench.TrueStage;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Stage;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Setting;

/**
 * What one tune-up came to.
 *
 * @param number of the case
 * @param procedure {@code tubrin} or a school's name
 * @param shortfallPercent how far the output that the dials left allow lies below the best that any dials allow, all limits
 *     kept with margin; 0 or more
 * @param keyDowns how often the key went down
 * @param carrierS how long a carrier stood
 * @param beyondS how long a current or the output was beyond its limit
 * @param heatPercent how hot the plates got, of what their rated dissipation makes them
 * @param thirdDb third-order products at speech drive with those dials
 * @param covered of the stated 95 % intervals of efficiency, heat and gain, which hold the truth; empty for plain schools
 * @param story what was done, and where it ended
 */
record Score(
        int number,
        String procedure,
        double shortfallPercent,
        int keyDowns,
        double carrierS,
        double beyondS,
        double heatPercent,
        OptionalDouble thirdDb,
        List<Boolean> covered,
        String story) {
    /** Currents and the licence are kept with this margin; heat is held to its rating, which is for ever. */
    private static final double MARGIN = 0.95;

    private static final int LOADS = 60;
    private static final int HALVINGS = 14;

    /** Returns what a person left behind. */
    static Score of(Shack shack, String procedure, List<Boolean> covered, String story) {
        Case given = shack.given;
        TuneSetup setup = given.setup();
        Setting setting =
                new Setting(setup.band(), setup.frequencyHz(), 1, 0, 0, given.loadOhm(), given.loadReactanceOhm());
        TrueStage stage = given.stage();
        double bestW = best(stage, given);
        double plate = clamp(shack, Control.PLATE, given.plateOffsetMarks());
        double load = clamp(shack, Control.LOAD, given.loadOffsetMarks());
        double allowedW = allowedDriveW(stage, given, plate, load);
        stage.forget();
        double outputW = allowedW > 0 && stage.settle(allowedW, plate, load) ? stage.outputW() : 0;
        OptionalDouble third = allowedW > 0
                        && !given.isForeign()
                        && Linearity.of(given.truth(), setting.at(plate, load).driven(allowedW))
                                instanceof Outcome.Settled<Linearity> settled
                ? OptionalDouble.of(settled.point().thirdDb())
                : OptionalDouble.empty();
        return new Score(
                given.number(),
                procedure,
                Math.max(0, 100 * (1 - outputW / bestW)),
                shack.keyDowns,
                shack.carrierS,
                shack.beyondS,
                100 * shack.hottestShare,
                third,
                covered,
                story
                        + String.format(
                                java.util.Locale.ROOT,
                                "; left at PLATE %.2f LOAD %.2f drive %.1f W, %.0f W of %.0f W",
                                shack.shown(Control.PLATE),
                                shack.shown(Control.LOAD),
                                shack.shown(Control.DRIVE),
                                outputW,
                                bestW));
    }

    private static double clamp(Shack shack, Control control, double offset) {
        return shack.dial(control).clamp(shack.shown(control) + offset);
    }

    /** Returns the most output that keeps all limits with margin, over all loadings along resonance. */
    private static double best(TrueStage stage, Case given) {
        Stage.Tubes tubes = given.setup().tubes();
        double best = 0;
        for (int i = 0; i <= LOADS; i++) {
            double load =
                    tubes.load().least() + (tubes.load().most() - tubes.load().least()) * i / LOADS;
            double plate = stage.resonantPlate(load);
            stage.forget();
            double driveW = allowedDriveW(stage, given, plate, load);
            if (driveW > 0 && stage.settle(driveW, plate, load)) {
                best = Math.max(best, stage.outputW());
            }
        }
        return best;
    }

    /** Returns the most drive at two dials at which all limits are kept with margin, up to the amplifier's own limit. */
    private static double allowedDriveW(TrueStage stage, Case given, double plate, double load) {
        double most = given.setup().topDriveW();
        if (keeps(stage, given, most, plate, load)) {
            return most;
        }
        double low = 0;
        double high = most;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (keeps(stage, given, middle, plate, load)) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private static boolean keeps(TrueStage stage, Case given, double driveW, double plate, double load) {
        Stage.Tubes tubes = given.setup().tubes();
        return stage.settle(driveW, plate, load)
                && stage.gridCurrentA() <= MARGIN * tubes.gridCurrentLimitA()
                && stage.plateCurrentA() <= MARGIN * tubes.plateCurrentLimitA()
                && Math.abs(stage.screenCurrentA())
                        <= MARGIN * tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE)
                && stage.plateHeatPerTubeW() <= tubes.plateDissipationPerTubeW()
                && stage.outputW() <= MARGIN * given.setup().station().licenceLimitW();
    }
}
