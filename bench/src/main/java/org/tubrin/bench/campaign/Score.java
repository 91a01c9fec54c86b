package org.tubrin.bench.campaign;

import java.util.List;
import java.util.OptionalDouble;
import org.tubrin.core.practice.TrueStage;
import org.tubrin.core.practice.WithinLimits;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
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
 * @param signs what the app said of the last step that needs attention; empty for plain schools
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
        List<Sign.Code> signs,
        String story) {
    /** Returns what a person left behind. */
    static Score of(CaseShack shack, String procedure, List<Boolean> covered, List<Sign.Code> signs, String story) {
        Case given = shack.given;
        TuneSetup setup = given.setup();
        Setting setting =
                new Setting(setup.band(), setup.frequencyHz(), 1, 0, 0, given.loadOhm(), given.loadReactanceOhm());
        TrueStage stage = given.stage();
        WithinLimits limits = new WithinLimits(stage, setup);
        double bestW = limits.best().outputW();
        double plate = clamp(shack, Control.PLATE, given.plateOffsetMarks());
        double load = clamp(shack, Control.LOAD, given.loadOffsetMarks());
        WithinLimits.At left = limits.at(plate, load);
        double allowedW = left.driveW();
        double outputW = left.outputW();
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
                signs,
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

    private static double clamp(CaseShack shack, Control control, double offset) {
        return shack.dial(control).clamp(shack.behind(control) + offset);
    }
}
