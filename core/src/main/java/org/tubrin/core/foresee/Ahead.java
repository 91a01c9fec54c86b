package org.tubrin.core.foresee;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Stage;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.TransistorPoint;
import org.tubrin.core.twin.TubePoint;

/**
 * What lies ahead of a run that has not begun, by the record's twin.
 *
 * @param rungs its drives in rising order
 * @param heatPerTubeW at the end of the climb; absent where no twin tells
 * @param closest the limit that the end comes nearest to; absent where no twin tells
 */
public record Ahead(List<Rung> rungs, Optional<Double> heatPerTubeW, Optional<Closest> closest) {
    public Ahead {
        rungs = List.copyOf(rungs);
    }

    /** One drive, with the output that it brings, both in watts; absent where no twin tells. */
    public record Rung(double driveW, Optional<Double> outputW) {}

    /** A limit, and how near it one comes, both in its own unit. */
    public record Closest(LimitKind kind, double value, double limit) {}

    /** Returns what lies ahead of a run. */
    public static Ahead of(TuneSetup setup) {
        List<Double> drivesW = Ladder.drivesW(setup, setup.school());
        List<Rung> rungs = new ArrayList<>();
        for (double driveW : drivesW) {
            rungs.add(new Rung(
                    driveW,
                    RecordTwin.peak(setup, driveW)
                            .map(peak -> peak.point().powers().outputW())
                            .or(() -> RecordTwin.transistors(setup, driveW).map(TransistorPoint::outputW))));
        }
        Optional<TubePoint> end =
                RecordTwin.finish(setup, drivesW.get(drivesW.size() - 1)).map(Peak::point);
        return new Ahead(
                rungs,
                end.map(point -> point.powers().plateHeatPerTubeW()),
                end.map(point -> closest(setup.tubes(), point, setup)));
    }

    private static Closest closest(Stage.Tubes tubes, TubePoint end, TuneSetup setup) {
        Map<LimitKind, Double> values = Map.of(
                LimitKind.PLATE_CURRENT, end.meters().plateCurrentA(),
                LimitKind.GRID_CURRENT, end.meters().gridCurrentA(),
                LimitKind.HEAT_PER_TUBE, end.powers().plateHeatPerTubeW(),
                LimitKind.OUTPUT, end.powers().outputW());
        Map<LimitKind, Double> limits = Map.of(
                LimitKind.PLATE_CURRENT, tubes.plateCurrentLimitA(),
                LimitKind.GRID_CURRENT, tubes.gridCurrentLimitA(),
                LimitKind.HEAT_PER_TUBE, tubes.plateDissipationPerTubeW(),
                LimitKind.OUTPUT, setup.licenceW());
        return values.entrySet().stream()
                .map(one -> new Closest(one.getKey(), one.getValue(), limits.getOrDefault(one.getKey(), 1.0)))
                .max(Comparator.comparingDouble(one -> one.value() / one.limit()))
                .orElseThrow();
    }
}
