package org.tubrin.core.foresee;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.run.LoadTarget;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Stage;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Remembered;
import org.tubrin.core.twin.TargetSearch;
import org.tubrin.core.twin.TubePoint;

/**
 * What the twin says of steps to come, set right by the steps done: where LOAD is to end, what output to expect, and how much
 * drive the limits bear.
 *
 * <p>Method: the twin that the readings point to ({@link RunFit}), with what its fit leaves open. The peak of output over LOAD
 * is flat, but grid current (of a tetrode screen current) falls steadily with heavier coupling, and PLATE's place at resonance
 * tells of the load; so it knows where LOAD should end before LOAD was ever turned. A drive is within limits where output and
 * currents with two and a half of their standard uncertainties, and heat, stay below them. Source: our own, {@code
 * docs/decisions/4-the-finish-from-grid-current.md}. Valid: where {@link RunFit} is. May be shared by threads; what it found
 * once it answers at once.
 */
public final class Foresight {
    /** Where plates would get hotter than this share of their rating, LOAD ends where output is most. */
    private static final double HOT_SHARE = 0.93;

    /** Heat is planned no nearer to its limit than this. */
    private static final double PLANNED_SHARE = 0.97;

    private static final double MOST_FINISH_MARKS = 2.5;
    /** An output alone says little of LOAD: so far at most it takes LOAD from where the record's twin has it. */
    private static final double MOST_BLIND_MARKS = 1;
    /** So many standard uncertainties output and currents are planned to stay below their limits. */
    private static final double PLANNED_SIGMAS = 2.5;

    private static final int HALVINGS = 7;

    /** A run is looked at many times between two steps, and by several at once. */
    private static final int MOST_REMEMBERED = 32;

    private static final Remembered<Asked, Optional<Foresight>> FOUND = new Remembered<>(MOST_REMEMBERED, Asked::find);

    private final TuneSetup setup;
    private final School school;
    private final Stage.Tubes tubes;
    private final RunFit fit;
    private final Probe probe;
    /** The ends looked for so far, by drive in watts. */
    private final Map<Double, Optional<Peak>> finishes = new HashMap<>();

    private Foresight(TuneSetup setup, School school, RunFit fit) {
        this.setup = setup;
        this.school = school;
        this.tubes = setup.tubes();
        this.fit = fit;
        this.probe = fit.probe();
    }

    /** Returns the foresight of a school after some whole steps; empty where it does not apply. */
    public static Optional<Foresight> of(TuneSetup setup, School school, List<Step> steps) {
        return RecordTwin.foresees(setup) ? FOUND.of(new Asked(setup, school, List.copyOf(steps))) : Optional.empty();
    }

    /** All that a foresight depends on. */
    private record Asked(TuneSetup setup, School school, List<Step> steps) {
        private Optional<Foresight> find() {
            return RunFit.of(setup, steps, RunFit.MeterError.ALIKE).map(fit -> new Foresight(setup, school, fit));
        }
    }

    private Optional<Peak> most(double driveW) {
        probe.forget();
        return settled(PeakSearch.most(probe, driveW));
    }

    private Optional<Peak> finish(double driveW) {
        return finishes.computeIfAbsent(driveW, this::findFinish);
    }

    private Optional<Peak> findFinish(double driveW) {
        return switch (school.aim()) {
            case OUTPUT -> heavier(driveW);
            case DIP ->
                heavier(driveW).flatMap(most -> {
                    // More current than the best linear place draws would only be heat.
                    double targetA = Math.min(
                            LoadTarget.dipA(setup, driveW),
                            most.point().meters().plateCurrentA());
                    return settled(TargetSearch.dip(probe, driveW, targetA));
                });
            case GRID -> {
                probe.forget();
                double share = Math.min(1, driveW / setup.topDriveW());
                yield settled(TargetSearch.grid(probe, driveW, share * LoadTarget.gridA(setup)));
            }
        };
    }

    private static Optional<Peak> settled(Outcome<Peak> outcome) {
        return outcome instanceof Outcome.Settled<Peak> settled ? Optional.of(settled.point()) : Optional.empty();
    }

    /** Returns the dials of most output, or a little heavier where the heat allows. */
    private Optional<Peak> heavier(double driveW) {
        Optional<Peak> most = most(driveW);
        probe.forget();
        Optional<Peak> finish = settled(PeakSearch.finish(probe, driveW));
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

    /** Returns where LOAD is to end at a drive in watts; where no meter tells of LOAD, not far from where the record's twin has it. */
    public synchronized Optional<Double> loadFinish(double driveW) {
        Optional<Double> found = finish(driveW).map(peak -> placed(peak.load()));
        return RecordTwin.tellsOfLoad(setup)
                ? found
                : found.map(load -> RecordTwin.finish(setup, driveW)
                        .map(record -> near(record.load(), load))
                        .orElse(load));
    }

    /** Returns how many marks heavier than at the most output LOAD is to end at a drive in watts; 0 where the plates are hot there. */
    public synchronized double finishMarks(double driveW) {
        Optional<Peak> finish = finish(driveW);
        return most(driveW)
                .flatMap(most -> finish.map(end -> tubes.marksHeavier(most.load(), end.load())))
                .orElse(0.0);
    }

    private double near(double known, double load) {
        double reach = MOST_BLIND_MARKS * tubes.load().markStep();
        return tubes.load().clamp(Math.max(known - reach, Math.min(known + reach, load)));
    }

    private double placed(double load) {
        return tubes.load().turned(tubes.load().clamp(load + fit.loadOffset()), 0);
    }

    /** Returns the output to expect at a drive in watts and a LOAD position, with PLATE peaked. */
    public synchronized Optional<Double> outputW(double driveW, double loadAt) {
        double load = tubes.load().clamp(loadAt - fit.loadOffset());
        probe.forget();
        return probe.settle(driveW, probe.resonantPlate(load), load) ? Optional.of(probe.outputW()) : Optional.empty();
    }

    /** Returns the most drive, up to a wanted one, at which the limits bear the finish, in watts. */
    public synchronized double driveWithinW(double wantedW) {
        Peak end = finish(wantedW).orElse(null);
        if (end == null) {
            return wantedW;
        }
        RunFit.Prospect prospect = fit.prospect(wantedW, end.load() + fit.loadOffset());
        if (bears(end, prospect)) {
            return wantedW;
        }
        double low = 0;
        double high = wantedW;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (finish(middle).map(one -> bears(one, prospect)).orElse(true)) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return setup.settableWithinW(low);
    }

    /** Returns whether a point keeps the limits with room for what is unsure, as a share as unsure as a point like it. */
    private boolean bears(Peak end, RunFit.Prospect like) {
        TubePoint.Meters meters = end.point().meters();
        return withRoom(end.point().outputW(), like.outputW())
                        <= setup.station().licenceLimitW()
                && end.point().outputW() <= setup.climbsToW()
                && within(
                        withRoom(meters.plateCurrentA(), like.plateA()),
                        withRoom(meters.gridCurrentA(), like.gridA()),
                        withRoom(Math.abs(meters.screenCurrentA().orElse(0)), like.screenA()))
                && heatShare(end) <= PLANNED_SHARE;
    }

    private static double withRoom(double value, RunFit.Prospect.One like) {
        return value * (1 + PLANNED_SIGMAS * like.uncertainty() / Math.max(1e-9, like.value()));
    }

    private boolean within(double plateA, double gridA, double screenA) {
        return plateA <= tubes.plateCurrentLimitA()
                && gridA <= tubes.gridCurrentLimitA()
                && screenA <= tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE);
    }

    /** Returns whether a drive in watts keeps the currents within their limits, with room for what is unsure, at a LOAD as it stands. */
    public synchronized boolean currentsHold(double driveW, double loadAt) {
        RunFit.Prospect prospect = fit.prospect(driveW, loadAt);
        return within(
                prospect.plateA().with(PLANNED_SIGMAS),
                prospect.gridA().with(PLANNED_SIGMAS),
                prospect.screenA().with(PLANNED_SIGMAS));
    }
}
