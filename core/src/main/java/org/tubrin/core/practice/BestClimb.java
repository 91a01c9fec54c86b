package org.tubrin.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;

/**
 * The climb that somebody would make who knows the station as it really is.
 *
 * @param rungs at each drive the dials of most output, in rising order
 * @param end where most output is allowed
 * @param ridge the dials at which the tank is in resonance, from one end of LOAD to the other
 * @param carrierS how long a carrier stands meanwhile, in seconds: one key-down at each drive and at the end
 */
public record BestClimb(List<Rung> rungs, Rung end, List<Dials> ridge, double carrierS) {
    private static final int RIDGE = 40;

    public BestClimb {
        rungs = List.copyOf(rungs);
        ridge = List.copyOf(ridge);
    }

    /** A drive at the amplifier by what the exciter is set to and the output, in watts, and the marks that the dials show. */
    public record Rung(double driveW, double outputW, double plate, double load) {}

    /** Marks that both dials show. */
    public record Dials(double plate, double load) {}

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
                rungs,
                end,
                ridge(play),
                (rungs.size() + 1) * play.setup().settings().keyDownAimS());
    }

    private static List<Dials> ridge(Play play) {
        HiddenTruth truth = play.truth();
        TrueStage stage = play.stage();
        Dial load = truth.dial(Control.LOAD);
        return IntStream.rangeClosed(0, RIDGE)
                .mapToObj(i -> load.least() + (load.most() - load.least()) * i / RIDGE)
                .map(at -> new Dials(
                        stage.resonantPlate(at) - truth.offset(Control.PLATE), at - truth.offset(Control.LOAD)))
                .toList();
    }

    private static Rung shown(HiddenTruth truth, double driveW, double outputW, double plate, double load) {
        return new Rung(
                driveW / truth.driveShare(),
                outputW,
                truth.dial(Control.PLATE).clamp(plate - truth.offset(Control.PLATE)),
                truth.dial(Control.LOAD).clamp(load - truth.offset(Control.LOAD)));
    }
}
