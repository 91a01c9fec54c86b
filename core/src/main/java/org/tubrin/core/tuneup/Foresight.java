package org.tubrin.core.tuneup;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Stage;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;

/**
 * What the twin says of steps to come, set right by the steps done: where LOAD is to end, what output to expect, and how much
 * drive the limits bear.
 *
 * <p>Method: the peak of output over LOAD is flat, but grid current (of a tetrode screen current) falls steadily with heavier
 * coupling. So the current read at the last step says where on its own LOAD scale the twin would have to stand; the marks
 * between are taken to hold at other drives, as far as the meter is sure of the current against how far a knob may stand
 * off. What the meter read over what the twin has there, weighted with the twin's own claim, is taken to hold for the output.
 * A drive is within limits where output with twice its uncertainty, currents and heat stay below them. Source: our own, {@code
 * docs/decisions/4-the-finish-from-grid-current.md}. Valid: a knob that is set a little otherwise, a load that is not quite
 * 50 Ω, tubes that are a little weaker; PLATE peaked. Cost: about 50 operating points at first, a hundred for each question of
 * a finish.
 */
final class Foresight {
    /** Where plates would get hotter than this share of their rating, LOAD ends where output is most. */
    private static final double HOT_SHARE = 0.93;

    /** Currents and heat are planned no nearer to their limits than this. */
    private static final double PLANNED_SHARE = 0.97;

    private static final double MOST_FINISH_MARKS = 2.5;
    private static final double MOST_HEAVIER_MARKS = 2;
    private static final double MOST_LIGHTER_MARKS = 1;
    /** A current below so many of its standard uncertainties says nothing of LOAD. */
    private static final double LEAST_SIGMAS = 3;

    /** By so much of itself the current that tells of LOAD falls for each mark heavier. */
    private static final double CURRENT_PER_MARK = 0.25;
    /** How far LOAD of an amplifier may stand off its twin's, as a standard deviation in marks. */
    private static final double KNOB_MARKS = 0.35;

    /** Standard uncertainty of the twin's output, as a share of it, before anything was read. */
    private static final double TWIN_SHARE = 0.04;
    /** So many standard uncertainties the output is planned to stay below the licence. */
    private static final double PLANNED_SIGMAS = 2;

    private static final int HALVINGS = 7;
    private static final int LOAD_HALVINGS = 12;

    private final TuneSetup setup;
    private final Stage.Tubes tubes;
    private final Probe probe;
    private final double loadOffset;
    private final double outputScale;
    private final double outputShare;

    private Foresight(TuneSetup setup, Probe probe, List<Step> steps) {
        this.setup = setup;
        this.tubes = setup.tubes();
        this.probe = probe;
        this.loadOffset = offset(steps);
        double[] scale = scale(steps);
        this.outputScale = scale[0];
        this.outputShare = scale[1];
    }

    /** Returns the foresight after some steps; empty without a twin for the band, or a meter that tells. */
    static Optional<Foresight> of(TuneSetup setup, List<Step> steps) {
        boolean tells = setup.channelFor(tellingRole(setup.tubes())).isPresent();
        return Expected.twin(setup)
                .filter(twin -> tells)
                .flatMap(twin -> twin.probe(Expected.setting(
                        setup, 1, setup.preset().plate(), setup.preset().load())))
                .map(probe -> new Foresight(setup, probe, steps));
    }

    private static ReadingRole tellingRole(Stage.Tubes tubes) {
        return tubes.screenCurrentLimitA().isPresent() ? ReadingRole.SCREEN_CURRENT : ReadingRole.GRID_CURRENT;
    }

    /** Returns how far LOAD stands from where the twin would stand with the current that was read at the last step. */
    private double offset(List<Step> steps) {
        if (steps.isEmpty()) {
            return 0;
        }
        Step last = steps.get(steps.size() - 1);
        Optional<Quantity> current =
                last.measured(tellingRole(tubes)).filter(one -> one.value() > LEAST_SIGMAS * one.standardUncertainty());
        Optional<Double> load = last.position(Control.LOAD);
        if (current.isEmpty() || load.isEmpty()) {
            return 0;
        }
        double seen = load.get() - loadOf(current.get().value(), last.driveW().value());
        return bounded(seen * weight(current.get()));
    }

    /** Returns how much of what a current says of LOAD is to be believed, 0 to 1, against how far a knob may stand off at all. */
    private static double weight(Quantity current) {
        double marks = current.standardUncertainty() / Math.abs(current.value()) / CURRENT_PER_MARK;
        return KNOB_MARKS * KNOB_MARKS / (KNOB_MARKS * KNOB_MARKS + marks * marks);
    }

    /** Returns the twin's LOAD at which the current that tells of it has a value, with PLATE at resonance. */
    private double loadOf(double currentA, double driveW) {
        boolean moreIsHeavier = tubes.loadSense().heavierSign() > 0;
        double light = moreIsHeavier ? tubes.load().least() : tubes.load().most();
        double heavy = moreIsHeavier ? tubes.load().most() : tubes.load().least();
        for (int i = 0; i < LOAD_HALVINGS; i++) {
            double middle = (light + heavy) / 2;
            if (tellingA(driveW, middle) > currentA) {
                light = middle;
            } else {
                heavy = middle;
            }
        }
        return (light + heavy) / 2;
    }

    private double tellingA(double driveW, double load) {
        probe.forget();
        boolean settled = probe.settle(driveW, probe.resonantPlate(load), load);
        boolean byScreen = tellingRole(tubes) == ReadingRole.SCREEN_CURRENT;
        return !settled ? 0 : byScreen ? probe.screenCurrentA() : probe.gridCurrentA();
    }

    private double bounded(double offset) {
        int sign = tubes.loadSense().heavierSign();
        double mark = tubes.load().markStep();
        double heavier = Math.max(-MOST_LIGHTER_MARKS * mark, Math.min(MOST_HEAVIER_MARKS * mark, sign * offset));
        return sign * heavier;
    }

    /**
     * Returns what the output is over what the twin has, and how sure that is as a share: the meter at the last step and the
     * twin's own claim, each weighted by its certainty.
     */
    private double[] scale(List<Step> steps) {
        double[] twinAlone = {1, TWIN_SHARE};
        if (steps.isEmpty()) {
            return twinAlone;
        }
        Step last = steps.get(steps.size() - 1);
        Optional<Quantity> output = last.measured(ReadingRole.OUTPUT).filter(one -> one.value() > 0);
        double load = tubes.load().clamp(last.position(Control.LOAD).orElse(0.0) - loadOffset);
        probe.forget();
        if (output.isEmpty() || !probe.settle(last.driveW().value(), probe.resonantPlate(load), load)) {
            return twinAlone;
        }
        double ratio = output.get().value() / Math.max(1e-9, probe.outputW());
        double share = output.get().standardUncertainty() / output.get().value();
        double byMeter = 1 / (share * share);
        double byTwin = 1 / (TWIN_SHARE * TWIN_SHARE);
        return new double[] {(byMeter * ratio + byTwin) / (byMeter + byTwin), Math.sqrt(1 / (byMeter + byTwin))};
    }

    private Optional<Peak> most(double driveW) {
        probe.forget();
        return PeakSearch.most(probe, driveW) instanceof Outcome.Settled<Peak> settled
                ? Optional.of(settled.point())
                : Optional.empty();
    }

    private Optional<Peak> finish(double driveW) {
        Optional<Peak> most = most(driveW);
        probe.forget();
        Optional<Peak> finish = PeakSearch.finish(probe, driveW) instanceof Outcome.Settled<Peak> settled
                ? Optional.of(settled.point())
                : Optional.empty();
        if (most.isEmpty() || finish.filter(end -> heatShare(end) > HOT_SHARE).isPresent()) {
            return most;
        }
        // Where LOAD hardly matters, two per cent of output would lead far away.
        double farthest = tubes.heavier(most.get().load(), MOST_FINISH_MARKS);
        int sign = tubes.loadSense().heavierSign();
        return finish.filter(end -> sign * end.load() <= sign * farthest).or(() -> at(driveW, farthest));
    }

    private Optional<Peak> at(double driveW, double load) {
        double plate = probe.resonantPlate(load);
        probe.forget();
        return probe.settle(driveW, plate, load)
                ? Optional.of(new Peak(plate, load, Set.of(), probe.point(), 1))
                : Optional.empty();
    }

    private double heatShare(Peak end) {
        return end.point().powers().plateHeatPerTubeW() / tubes.plateDissipationPerTubeW();
    }

    /** Returns where LOAD is to end at a drive in watts. */
    Optional<Double> loadFinish(double driveW) {
        return finish(driveW).map(peak -> placed(peak.load()));
    }

    private double placed(double load) {
        return tubes.load().turned(tubes.load().clamp(load + loadOffset), 0);
    }

    /** Returns the output to expect at a drive in watts and a LOAD position, with PLATE peaked. */
    Optional<Double> outputW(double driveW, double loadAt) {
        double load = tubes.load().clamp(loadAt - loadOffset);
        probe.forget();
        return probe.settle(driveW, probe.resonantPlate(load), load)
                ? Optional.of(outputScale * probe.outputW())
                : Optional.empty();
    }

    /** Returns the most drive, up to a wanted one, at which the limits bear the finish, in watts. */
    double driveWithinW(double wantedW) {
        if (bears(wantedW)) {
            return wantedW;
        }
        double low = 0;
        double high = wantedW;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (bears(middle)) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Ladder.settable(low);
    }

    private boolean bears(double driveW) {
        Peak end = finish(driveW).orElse(null);
        if (end == null) {
            return true;
        }
        double outputW = outputScale * end.point().outputW();
        return outputW * (1 + PLANNED_SIGMAS * outputShare) <= setup.station().licenceLimitW()
                && end.point().meters().plateCurrentA() <= PLANNED_SHARE * tubes.plateCurrentLimitA()
                && end.point().meters().gridCurrentA() <= PLANNED_SHARE * tubes.gridCurrentLimitA()
                && Math.abs(end.point().meters().screenCurrentA().orElse(0))
                        <= PLANNED_SHARE * tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE)
                && heatShare(end) <= PLANNED_SHARE;
    }
}
