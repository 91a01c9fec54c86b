package org.tubrin.core.card;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;

/**
 * Where the dials will go at a frequency, or into an antenna, that was not tuned for yet.
 *
 * <p>Method: with a twin, its own dials there, moved by what the card's rows of this band stand off the twin where they were
 * tuned, nearer rows counting more; without one, PLATE and LOAD of the rows over {@code 1/f²}, in which the capacitance at
 * resonance is straight, between two rows or from one. Standard uncertainty: what a person repeats (0.05 and 0.15 of a mark),
 * a tenth of the twin's shift from the nearest row, the spread of the rows about their mean; without a twin a fifth of the
 * way between two rows at its middle, and beyond them or from one row alone 0.2 of a mark for each per cent of frequency.
 * Source: our own, {@code docs/decisions/5-dials-ahead.md}. Valid: within one band.
 *
 * @param plate PLATE, in marks
 * @param load LOAD, in marks
 * @param basis what it rests on
 * @param rows how many rows of the card had a part in it
 */
public record DialsAhead(Quantity plate, Quantity load, Basis basis, int rows) {
    private static final double PLATE_REPEATS_MARKS = 0.05;
    private static final double LOAD_REPEATS_MARKS = 0.15;
    private static final double TWIN_ALONE_PLATE_MARKS = 0.3;
    private static final double TWIN_ALONE_LOAD_MARKS = 0.6;
    private static final double SHIFT_SHARE = 0.1;
    private static final double BETWEEN_SHARE = 0.2;
    private static final double MARKS_PER_PERCENT = 0.2;
    /** A row so far away, as a share of frequency, counts half. */
    private static final double HALF_WEIGHT_SHARE = 0.01;

    /** What a prediction rests on. */
    public enum Basis {
        TWIN_AND_ROWS,
        TWIN,
        TWO_ROWS,
        ONE_ROW
    }

    /**
     * A place to find dials for, or that dials are known of.
     *
     * @param band the band
     * @param frequencyHz within it
     * @param into what the amplifier works into
     * @param driveW above 0
     */
    public record Spot(Band band, double frequencyHz, ImpedancePoint into, double driveW) {}

    /**
     * A row of the card with what it was tuned into.
     *
     * @param spot where
     * @param plate PLATE
     * @param load LOAD
     */
    public record Known(Spot spot, double plate, double load) {}

    /** Returns the dials for a spot; empty with neither a twin of the band nor a row of it. */
    public static Optional<DialsAhead> at(Amplifier amplifier, List<Known> rows, Spot spot) {
        Stage.Tubes tubes = (Stage.Tubes) amplifier.stage();
        List<Known> near = rows.stream()
                .filter(row -> row.spot().band() == spot.band())
                .sorted(Comparator.comparingDouble(row -> distance(row, spot)))
                .toList();
        return TubeTwin.of(amplifier)
                .flatMap(one -> byTwin(tubes, one, near, spot))
                .or(() -> byRows(tubes, near, spot));
    }

    private static double distance(Known row, Spot spot) {
        return Math.abs(row.spot().frequencyHz() / spot.frequencyHz() - 1);
    }

    private static Optional<DialsAhead> byTwin(Stage.Tubes tubes, TubeTwin twin, List<Known> rows, Spot spot) {
        double mark = tubes.plate().markStep();
        double loadMark = tubes.load().markStep();
        Optional<Double> loadHere = finishLoad(twin, spot);
        Optional<Probe> probe = probe(twin, spot);
        if (loadHere.isEmpty() || probe.isEmpty()) {
            return Optional.empty();
        }
        if (rows.isEmpty()) {
            double load = loadHere.get();
            return Optional.of(dials(
                    tubes,
                    probe.get().resonantPlate(load),
                    load,
                    TWIN_ALONE_PLATE_MARKS * mark,
                    TWIN_ALONE_LOAD_MARKS * loadMark,
                    Basis.TWIN,
                    0));
        }
        Blend loads = new Blend(rows, spot, row -> finishLoad(twin, row.spot()).map(there -> row.load() - there));
        double load = tubes.load().clamp(loadHere.get() + loads.mean);
        Blend plates = new Blend(
                rows, spot, row -> probe(twin, row.spot()).map(there -> row.plate() - there.resonantPlate(row.load())));
        double plate = probe.get().resonantPlate(load) + plates.mean;
        double loadU = Math.hypot(
                Math.hypot(LOAD_REPEATS_MARKS * loadMark, loads.spread),
                SHIFT_SHARE * (load - rows.get(0).load()));
        double slope = (probe.get().resonantPlate(tubes.load().clamp(load + loadU))
                        - probe.get().resonantPlate(tubes.load().clamp(load - loadU)))
                / 2;
        double plateU = Math.hypot(
                Math.hypot(PLATE_REPEATS_MARKS * mark, plates.spread),
                Math.hypot(SHIFT_SHARE * (plate - rows.get(0).plate()), slope));
        return Optional.of(dials(tubes, plate, load, plateU, loadU, Basis.TWIN_AND_ROWS, rows.size()));
    }

    private static Optional<Probe> probe(TubeTwin twin, Spot spot) {
        return twin.probe(new Setting(
                spot.band(),
                spot.frequencyHz(),
                spot.driveW(),
                0,
                0,
                spot.into().ohm(),
                spot.into().reactanceOhm()));
    }

    private static Optional<Double> finishLoad(TubeTwin twin, Spot spot) {
        return probe(twin, spot)
                .flatMap(probe -> PeakSearch.finish(probe, spot.driveW()) instanceof Outcome.Settled<Peak> settled
                        ? Optional.of(settled.point().load())
                        : Optional.empty());
    }

    /** A mean over rows in which the nearer count more, and how far they lie about it. */
    private static final class Blend {
        private final double mean;
        private final double spread;

        Blend(List<Known> rows, Spot spot, Function<Known, Optional<Double>> value) {
            List<double[]> weighted = new ArrayList<>();
            for (Known row : rows) {
                double far = distance(row, spot) / HALF_WEIGHT_SHARE;
                value.apply(row).ifPresent(one -> weighted.add(new double[] {one, 1 / (1 + far * far)}));
            }
            double weights = weighted.stream().mapToDouble(one -> one[1]).sum();
            mean = weights == 0
                    ? 0
                    : weighted.stream().mapToDouble(one -> one[0] * one[1]).sum() / weights;
            double square = weights == 0
                    ? 0
                    : weighted.stream()
                                    .mapToDouble(one -> one[1] * (one[0] - mean) * (one[0] - mean))
                                    .sum()
                            / weights;
            spread = Math.sqrt(square);
        }
    }

    private static Optional<DialsAhead> byRows(Stage.Tubes tubes, List<Known> rows, Spot spot) {
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        Known near = rows.get(0);
        double here = abscissa(spot.frequencyHz());
        double from = abscissa(near.spot().frequencyHz());
        Optional<Known> other = rows.stream()
                .filter(row ->
                        Math.abs(row.spot().frequencyHz() / near.spot().frequencyHz() - 1) > CardLine.SEGMENT_SHARE)
                .findFirst();
        double beyond = 100 * MARKS_PER_PERCENT * distance(near, spot);
        double plateMark = tubes.plate().markStep();
        double loadMark = tubes.load().markStep();
        if (other.isEmpty()) {
            return Optional.of(dials(
                    tubes,
                    near.plate(),
                    near.load(),
                    plateMark * Math.hypot(PLATE_REPEATS_MARKS, beyond),
                    loadMark * Math.hypot(LOAD_REPEATS_MARKS, beyond),
                    Basis.ONE_ROW,
                    1));
        }
        double to = abscissa(other.get().spot().frequencyHz());
        double share = (here - from) / (to - from);
        double plateRise = other.get().plate() - near.plate();
        double loadRise = other.get().load() - near.load();
        // Nothing at the rows themselves, most half way between them; beyond them as from one row.
        double bow = share >= 0 && share <= 1 ? 4 * share * (1 - share) * BETWEEN_SHARE : 0;
        double outside = share < 0 || share > 1 ? beyond : 0;
        return Optional.of(dials(
                tubes,
                near.plate() + share * plateRise,
                near.load() + share * loadRise,
                Math.hypot(plateMark * Math.hypot(PLATE_REPEATS_MARKS, outside), bow * plateRise),
                Math.hypot(loadMark * Math.hypot(LOAD_REPEATS_MARKS, outside), bow * loadRise),
                Basis.TWO_ROWS,
                2));
    }

    private static double abscissa(double frequencyHz) {
        return 1 / (frequencyHz * frequencyHz);
    }

    private static DialsAhead dials(
            Stage.Tubes tubes, double plate, double load, double plateU, double loadU, Basis basis, int rows) {
        return new DialsAhead(
                predicted(tubes.plate(), plate, plateU, "PLATE"),
                predicted(tubes.load(), load, loadU, "LOAD"),
                basis,
                rows);
    }

    private static Quantity predicted(Dial dial, double position, double uncertainty, String name) {
        return Quantity.of(
                dial.clamp(position), Unit.MARK, Standing.PREDICTED, new ErrorSource(name, "ahead", ""), uncertainty);
    }
}
