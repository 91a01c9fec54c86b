package org.tubrin.core.foresee;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.Root;
import org.tubrin.core.twin.TransistorPoint;
import org.tubrin.core.twin.TubePoint;

/**
 * What lies ahead of a run that has not begun, by the record's twin.
 *
 * @param rungs its drives in rising order
 * @param carrierS a key-down of the length aimed for at each of them, in seconds: at least so long a carrier stands
 * @param end heat of a tube, and the limit that the end comes nearest to where that is another; empty where no twin tells
 */
public record Ahead(List<Rung> rungs, double carrierS, List<Against> end) {
    private static final double SETTABLE_W = 0.01;

    public Ahead {
        rungs = List.copyOf(rungs);
        end = List.copyOf(end);
    }

    /** One drive, with the output that it brings, both in watts; absent where no twin tells. */
    public record Rung(double driveW, Optional<Double> outputW) {}

    /** How near the end comes to a limit, both in the limit's own unit. */
    public record Against(LimitKind kind, double value, double limit) {}

    /** Returns what lies ahead of a run. */
    public static Ahead of(TuneSetup setup) {
        List<Rung> rungs = upToOutput(
                setup,
                Ladder.drivesW(setup, setup.school()).stream()
                        .map(driveW -> new Rung(driveW, outputW(setup, driveW)))
                        .toList());
        return new Ahead(
                rungs,
                rungs.size() * setup.settings().keyDownAimS(),
                RecordTwin.finish(setup, rungs.get(rungs.size() - 1).driveW())
                        .map(Peak::point)
                        .map(point -> end(setup, point))
                        .orElse(List.of()));
    }

    /** A climb with dials ends where its output is there: returns the rungs below it, and the drive that brings it. */
    private static List<Rung> upToOutput(TuneSetup setup, List<Rung> rungs) {
        if (!setup.stage().isTuned()) {
            return rungs;
        }
        double mostW = setup.climbsToW();
        for (int i = 0; i < rungs.size(); i++) {
            if (rungs.get(i).outputW().filter(output -> output > mostW).isPresent()) {
                double belowW = i == 0 ? 0 : rungs.get(i - 1).driveW();
                double driveW = setup.settableWithinW(Root.between(
                        watt -> outputW(setup, watt).orElse(0.0) - mostW,
                        belowW,
                        rungs.get(i).driveW(),
                        SETTABLE_W));
                List<Rung> ended = new ArrayList<>(rungs.subList(0, i));
                if (driveW > ClimbEnd.WORTH_A_STEP * belowW) {
                    ended.add(new Rung(driveW, outputW(setup, driveW)));
                }
                return ended;
            }
        }
        return rungs;
    }

    private static Optional<Double> outputW(TuneSetup setup, double driveW) {
        return RecordTwin.peak(setup, driveW)
                .map(peak -> peak.point().powers().outputW())
                .or(() -> RecordTwin.transistors(setup, driveW).map(TransistorPoint::outputW));
    }

    private static List<Against> end(TuneSetup setup, TubePoint point) {
        List<Against> said = new ArrayList<>();
        Against heat = new Against(
                LimitKind.HEAT_PER_TUBE,
                point.powers().plateHeatPerTubeW(),
                setup.tubes().plateDissipationPerTubeW());
        said.add(heat);
        Stream.of(
                        against(setup, LimitKind.PLATE_CURRENT, point.meters().plateCurrentA()),
                        against(setup, LimitKind.GRID_CURRENT, point.meters().gridCurrentA()),
                        against(
                                setup,
                                LimitKind.SCREEN_CURRENT,
                                Math.abs(point.meters().screenCurrentA().orElse(0))),
                        against(setup, LimitKind.OUTPUT, point.powers().outputW()))
                .flatMap(Optional::stream)
                .max(Comparator.comparingDouble(Ahead::share))
                .filter(closest -> share(closest) > share(heat))
                .ifPresent(said::add);
        return said;
    }

    private static Optional<Against> against(TuneSetup setup, LimitKind kind, double value) {
        return kind.role().flatMap(setup::limitOf).map(limit -> new Against(kind, value, limit));
    }

    private static double share(Against one) {
        return one.value() / one.limit();
    }
}
