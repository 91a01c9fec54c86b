package org.tubrin.core.practice;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;

/**
 * The climb that somebody would make who knows the station as it really is.
 *
 * @param rungs at each drive the dials of most output, in rising order
 * @param end where most output is allowed
 * @param carrierS how long a carrier stands meanwhile, in seconds: one key-down at each drive and at the end
 */
public record BestClimb(List<Rung> rungs, Rung end, double carrierS) {
    public BestClimb {
        rungs = List.copyOf(rungs);
    }

    /** A drive at the amplifier and its output, in watts, and the marks that the dials show. */
    public record Rung(double driveW, double outputW, double plate, double load) {}

    /** Returns the one of a play, with what is broken in it by now. */
    static BestClimb of(Play play) {
        HiddenTruth truth = play.truth();
        Probe probe = truth.twin()
                .probe(truth.setting(play.setup().band(), truth.into(true, 0)))
                .orElseThrow();
        WithinLimits.At best = play.best();
        List<Rung> rungs = new ArrayList<>();
        for (double driveW : Ladder.drivesW(play.setup(), play.setup().school())) {
            double trueW = driveW * truth.driveShare();
            if (trueW <= best.driveW() && PeakSearch.most(probe, trueW) instanceof Outcome.Settled<Peak> settled) {
                rungs.add(shown(
                        truth,
                        trueW,
                        settled.point().point().powers().outputW(),
                        settled.point().plate(),
                        settled.point().load()));
            }
        }
        Rung end = shown(truth, best.driveW(), best.outputW(), best.plate(), best.load());
        return new BestClimb(
                rungs, end, (rungs.size() + 1) * play.setup().settings().keyDownAimS());
    }

    private static Rung shown(HiddenTruth truth, double driveW, double outputW, double plate, double load) {
        return new Rung(
                driveW,
                outputW,
                truth.dial(Control.PLATE).clamp(plate - truth.offset(Control.PLATE)),
                truth.dial(Control.LOAD).clamp(load - truth.offset(Control.LOAD)));
    }
}
