package org.tubrin.core.drive;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Decibels;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.MonotoneCubic;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.HeldBack;
import org.tubrin.core.run.NextRow;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Trip;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Band;
import org.tubrin.core.twin.Root;
import org.tubrin.core.twin.SaturationLaw;
import org.tubrin.core.twin.TransistorTwin;

/**
 * What the key-downs of one run brought: one band, one frequency.
 *
 * <p>Method: between rows {@link GainCurve}, outside them {@link SaturationLaw}. The output at a drive by monotone cubic interpolation
 * of logarithms.
 *
 * @param setup of the run
 * @param at when it began
 * @param rows in rising order of drive; of drives that are as good as one the last
 * @param trips when the protection acted
 */
public record DriveBand(TuneSetup setup, Instant at, List<DriveRow> rows, List<Trip> trips) {
    /** Drives closer than this ratio are one. */
    private static final double SAME = 1.05;

    private static final double DECIBELS_PER_E = 10 / Math.log(10);
    /** A drive that is not known better than this is not known. */
    private static final double KNOWN_SHARE = 0.25;

    private static final double COMPRESSION_DB = 1;
    private static final int LAW_PLACES = 6;
    private static final int CONTINUOUS_PLACES = 200;
    private static final double DRIVES_LOOKED_OVER = 1000;
    private static final double SAME_ROOT = 1e-6;
    /** Within this share of it a frequency is the same: gain slopes within a band. */
    private static final double SAME_FREQUENCY = 0.005;

    public DriveBand {
        rows = List.copyOf(rows);
        trips = List.copyOf(trips);
    }

    /** Returns what a run brought; empty where it tunes dials, or has no row and no trip. */
    public static Optional<DriveBand> of(RunState run) {
        if (run.setup().stage().kind() != RunKind.DRIVE_TABLE) {
            return Optional.empty();
        }
        List<DriveRow> rows = new ArrayList<>();
        run.steps()
                .forEach(step -> DriveRow.of(step).ifPresent(row -> {
                    rows.removeIf(other -> isSame(other, row));
                    rows.add(row);
                }));
        rows.sort(Comparator.comparingDouble(row -> row.driveW().value()));
        return rows.isEmpty() && run.trips().isEmpty()
                ? Optional.empty()
                : Optional.of(new DriveBand(run.setup(), run.startedAt(), rows, run.trips()));
    }

    private static boolean isSame(DriveRow one, DriveRow other) {
        double ratio = one.driveW().value() / other.driveW().value();
        return ratio < SAME && ratio > 1 / SAME;
    }

    /** Returns the band. */
    public Band band() {
        return setup.band();
    }

    /** Returns what its rows are of. */
    public DriveKind kind() {
        return DriveKind.of(setup);
    }

    /** Returns whether another table was measured at the same frequency, as near as gain cares. */
    boolean isAtFrequencyOf(DriveBand other) {
        return Math.abs(setup.frequencyHz() / other.setup.frequencyHz() - 1) < SAME_FREQUENCY;
    }

    /** Returns the row of the greatest gain; compression is counted from it. */
    public Optional<DriveRow> greatestGain() {
        return rows.stream()
                .filter(row -> row.gainDb().isPresent())
                .max(Comparator.comparingDouble(
                        row -> row.gainDb().orElseThrow().value()));
    }

    /** Returns by how much the gain of a row lies below the greatest. */
    public Optional<Quantity> compressionDb(DriveRow row) {
        return greatestGain()
                .flatMap(DriveRow::gainDb)
                .flatMap(most -> row.gainDb().map(most::minus));
    }

    /** Returns the output at which the gain has fallen by 1 dB from its greatest; empty where no row has come so far. */
    public Optional<Quantity> compressionW() {
        List<DriveRow> from = rows.subList(greatestGain().map(rows::indexOf).orElse(rows.size()), rows.size());
        for (int i = 1; i < from.size(); i++) {
            DriveRow low = from.get(i - 1);
            DriveRow high = from.get(i);
            if (compressionDb(high).filter(one -> one.value() >= COMPRESSION_DB).isPresent()) {
                DriveRow greatest = from.get(0);
                return Optional.of(Quantity.of(
                        List.of(
                                low.outputW(),
                                low.driveW(),
                                high.outputW(),
                                high.driveW(),
                                greatest.outputW(),
                                greatest.driveW()),
                        Unit.WATT,
                        DriveBand::compressed));
            }
        }
        return Optional.empty();
    }

    /** Output and drive of the row below, of the row above, and of the greatest gain. */
    private static double compressed(double[] at) {
        double greatest = Math.log(at[4] / at[5]);
        double low = DECIBELS_PER_E * (greatest - Math.log(at[0] / at[1]));
        double high = DECIBELS_PER_E * (greatest - Math.log(at[2] / at[3]));
        double share = (COMPRESSION_DB - low) / (high - low);
        return at[0] * Math.pow(at[2] / at[0], Math.max(0, Math.min(1, share)));
    }

    /**
     * Where an exciter that is set higher gives no more.
     *
     * @param outputW there
     * @param mayFoldBack whether it may be the exciter itself, at a match that is not acceptable; else the amplifier's line does it
     */
    public record Held(Quantity outputW, boolean mayFoldBack) {}

    /** Returns where the exciter is held back first; empty where it never was. */
    public Optional<Held> heldBack() {
        for (int i = 1; i < rows.size(); i++) {
            DriveRow before = rows.get(i - 1);
            DriveRow row = rows.get(i);
            if (HeldBack.between(before.setW(), before.driveW(), row.setW(), row.driveW())) {
                boolean mayFoldBack = row.inputSwr()
                        .filter(swr -> swr.value() > setup.settings().inputSwrHigh())
                        .isPresent();
                return Optional.of(new Held(row.outputW(), mayFoldBack));
            }
        }
        return Optional.empty();
    }

    /** Returns the lowest drive at which it tripped on what the drive does. */
    public Optional<Double> tripW() {
        return NextRow.tripW(trips);
    }

    /** Returns by how many decibels a drive in watts is below where it tripped, negative above; empty where it never did. */
    public Optional<Double> belowTripDb(double driveW) {
        return tripW().map(tripW -> Decibels.of(tripW / driveW));
    }

    /** Returns the drive that the trips let pass, in watts; the greatest number where it never tripped. */
    public double capW() {
        return NextRow.capW(trips);
    }

    /** Returns the drive for a wanted output in watts, as the meters in use will show both. */
    public DriveFor driveFor(double wantedW) {
        if (rows.isEmpty()) {
            return DriveFor.without(DriveFor.Basis.UNKNOWN);
        }
        if (kind() == DriveKind.UNFILTERED) {
            return DriveFor.without(DriveFor.Basis.HARMONICS);
        }
        if (kind() == DriveKind.LONG
                && continuousW().filter(most -> wantedW > most).isPresent()) {
            return DriveFor.without(DriveFor.Basis.TOO_HOT);
        }
        DriveRow first = rows.get(0);
        DriveRow last = rows.get(rows.size() - 1);
        boolean measured = rows.size() > 1
                && wantedW >= first.outputW().value()
                && wantedW <= last.outputW().value();
        Optional<Quantity> drive = measured
                ? Optional.of(between(wantedW))
                : byLaw(wantedW < first.outputW().value() ? rows.subList(0, 1) : rows, wantedW);
        if (drive.isEmpty()
                || drive.get().standardUncertainty() > KNOWN_SHARE * drive.get().value()) {
            return DriveFor.without(tripW().isPresent() ? DriveFor.Basis.TRIPS : DriveFor.Basis.UNKNOWN);
        }
        double driveW = drive.get().value();
        if (driveW > capW()) {
            return DriveFor.without(DriveFor.Basis.TRIPS);
        }
        if (driveW > setup.driveLimitW()) {
            return DriveFor.without(DriveFor.Basis.OVER_LIMIT);
        }
        return new DriveFor(
                measured ? DriveFor.Basis.MEASURED : DriveFor.Basis.LAW, drive, Optional.of(setForW(driveW)));
    }

    /**
     * Where a heat sink ends.
     *
     * @param finalC temperature in the end, in °C
     * @param timeS time constant, in seconds
     */
    public record Sink(double finalC, double timeS) {}

    /**
     * Returns where the heat sink ends when an output in watts is kept up, and how fast; empty where the record does not know its
     * heat sink, or no row tells of heat: {@code Tamb + Pd·Rth}.
     */
    public Optional<Sink> sinkAt(double outputW) {
        return TransistorTwin.of(setup.amplifier())
                .map(TransistorTwin::constants)
                .flatMap(constants -> heatAtW(outputW)
                        .map(heatW -> new Sink(
                                setup.station().ambientC() + heatW * constants.heatKPerW(), constants.heatTimeS())));
    }

    /**
     * Returns the output in watts up to which the heat sink ends below where it folds back, however long the carrier stands; at most
     * the rating, empty where its end is not known.
     */
    public Optional<Double> continuousW() {
        double ratedW = setup.stage().mostOutputW().orElse(0.0);
        return TransistorTwin.of(setup.amplifier())
                .filter(twin -> sinkAt(ratedW).isPresent())
                .map(twin -> {
                    int places = 0;
                    while (places < CONTINUOUS_PLACES
                            && sinkAt(ratedW * (places + 1) / CONTINUOUS_PLACES)
                                    .filter(sink ->
                                            sink.finalC() < twin.constants().foldBackC())
                                    .isPresent()) {
                        places++;
                    }
                    return ratedW * places / CONTINUOUS_PLACES;
                });
    }

    /** Returns the drive in watts up to which the heat sink stands its rows; the greatest number but of a carrier that stands long. */
    double coolUptoW() {
        return kind() == DriveKind.LONG
                ? continuousW().map(this::driveThatGivesW).orElse(Double.MAX_VALUE)
                : Double.MAX_VALUE;
    }

    private double driveThatGivesW(double givenW) {
        double lastW = rows.get(rows.size() - 1).driveW().value();
        return Root.between(
                driveW -> outputAtW(driveW).orElseThrow() - givenW,
                lastW / DRIVES_LOOKED_OVER,
                lastW,
                lastW * SAME_ROOT);
    }

    /** Returns the highest SWR that was read at the input; empty where none was. */
    public Optional<Quantity> worstInputSwr() {
        return rows.stream().flatMap(row -> row.inputSwr().stream()).max(Comparator.comparingDouble(Quantity::value));
    }

    /** Returns whether it is continuous at all that the stage is rated for; empty where that is not known. */
    public Optional<Boolean> isContinuousAtItsRating() {
        double ratedW = setup.stage().mostOutputW().orElse(0.0);
        return continuousW().map(most -> most >= ratedW);
    }

    /** From the nearest row: what the supply gives goes with the root of the output, as in class B, and what does not go out is heat. */
    private Optional<Double> heatAtW(double outputW) {
        return rows.stream()
                .filter(row -> row.heatW().isPresent())
                .min(Comparator.comparingDouble(
                        row -> Math.abs(Math.log(row.outputW().value() / outputW))))
                .map(near -> {
                    double nearW = near.outputW().value();
                    double suppliedW = near.heatW().orElseThrow().value() + nearW;
                    return Math.max(0, suppliedW * Math.sqrt(outputW / nearW) - outputW);
                });
    }

    /** Returns what the exciter's scale is to show for a drive, in watts. */
    public double setForW(double driveW) {
        DriveRow near = rows.stream()
                .min(Comparator.comparingDouble(
                        row -> Math.abs(Math.log(row.driveW().value() / driveW))))
                .orElseThrow();
        return near.setW() * driveW / near.driveW().value();
    }

    /** Returns the output to expect at a drive, both in watts: between the rows, or by the law outside them. */
    public Optional<Double> outputAtW(double driveW) {
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        DriveRow first = rows.get(0);
        if (driveW <= first.driveW().value()) {
            return Optional.of(law(rows.subList(0, 1)).outputW(driveW));
        }
        if (driveW > rows.get(rows.size() - 1).driveW().value()) {
            return Optional.of(law(rows).outputW(driveW));
        }
        return Optional.of(
                Math.exp(new MonotoneCubic(logs(DriveRow::driveW), logs(DriveRow::outputW)).at(Math.log(driveW))));
    }

    /**
     * Returns the output at a drive in watts, with what meters and eyes leave open; empty outside the rows.
     *
     * <p>Method: straight between the logarithms of the rows on either side.
     */
    public Optional<Quantity> measuredAt(double driveW) {
        for (int i = 1; i < rows.size(); i++) {
            DriveRow low = rows.get(i - 1);
            DriveRow high = rows.get(i);
            if (driveW >= low.driveW().value() / SAME && driveW <= high.driveW().value() * SAME) {
                return Optional.of(Quantity.of(
                        List.of(low.driveW(), low.outputW(), high.driveW(), high.outputW()),
                        Unit.WATT,
                        at -> at[1] * Math.pow(at[3] / at[1], Math.log(driveW / at[0]) / Math.log(at[2] / at[0]))));
            }
        }
        return rows.stream()
                .filter(row -> Math.abs(Math.log(row.driveW().value() / driveW)) < Math.log(SAME))
                .findFirst()
                .map(row -> Quantity.of(List.of(row.driveW(), row.outputW()), Unit.WATT, at -> at[1] * driveW / at[0]));
    }

    /** Returns the law from the last row to where the wanted output in watts would be, or as far as limit and trips let it. */
    public List<SaturationLaw.Row> beyondRows(double wantedW) {
        if (rows.isEmpty()) {
            return List.of();
        }
        double fromW = rows.get(rows.size() - 1).driveW().value();
        double toW = Math.min(setup.driveLimitW(), capW());
        SaturationLaw law = law(rows);
        List<SaturationLaw.Row> places = new ArrayList<>();
        for (int i = 0; i <= LAW_PLACES && toW > fromW; i++) {
            double driveW = fromW * Math.pow(toW / fromW, (double) i / LAW_PLACES);
            places.add(new SaturationLaw.Row(driveW, law.outputW(driveW)));
            if (law.outputW(driveW) > wantedW) {
                break;
            }
        }
        return places.size() < 2 ? List.of() : places;
    }

    /** Returns the law through the last of some rows. */
    private SaturationLaw law(List<DriveRow> through) {
        return SaturationLaw.of(
                through.stream()
                        .map(row -> new SaturationLaw.Row(
                                row.driveW().value(), row.outputW().value()))
                        .toList(),
                setup.amplifier(),
                setup.band());
    }

    private double[] logs(Function<DriveRow, Quantity> of) {
        return rows.stream().mapToDouble(row -> Math.log(of.apply(row).value())).toArray();
    }

    private Quantity between(double wantedW) {
        SaturationLaw law = law(rows);
        int n = rows.size();
        double[] unsure = rows.stream().mapToDouble(row -> eyeShare(row, law)).toArray();
        List<Quantity> operands = new ArrayList<>();
        rows.forEach(row -> operands.add(row.driveW().without(DriveRow::isOfTheEye)));
        rows.forEach(row -> operands.add(row.outputW().without(DriveRow::isOfTheEye)));
        operands.add(wanted(wantedW));
        Quantity drive = Quantity.of(
                operands, Unit.WATT, at -> Math.exp(curve(law, at, unsure).logDrive() + law.logX(at[2 * n])));
        double[] values = operands.stream().mapToDouble(Quantity::value).toArray();
        GainCurve curve = curve(law, values, unsure);
        Quantity open = asShown(drive).with(error("between rows"), curve.byCurve() * drive.value());
        double[] byRow = curve.byRow();
        for (int i = 0; i < n; i++) {
            open = open.with(error("row " + i), byRow[i] * drive.value());
        }
        return open;
    }

    private ErrorSource error(String of) {
        return new ErrorSource(setup.amplifier().name(), "drive", of);
    }

    /** What eyes leave open of a row, as a share of its drive. */
    private static double eyeShare(DriveRow row, SaturationLaw law) {
        double outputW = row.outputW().value();
        double eyeW =
                row.outputW().without(source -> !DriveRow.isOfTheEye(source)).standardUncertainty();
        double byOutput = (law.logX(outputW + eyeW) - law.logX(outputW - eyeW)) / 2;
        double eye =
                row.driveW().without(source -> !DriveRow.isOfTheEye(source)).standardUncertainty();
        return Math.hypot(byOutput, eye / row.driveW().value());
    }

    /** The curve through drives, then outputs, about the wanted output, which comes last. */
    private static GainCurve curve(SaturationLaw law, double[] at, double[] unsure) {
        int n = unsure.length;
        double[] drives = new double[n];
        double[] outputs = new double[n];
        for (int i = 0; i < n; i++) {
            drives[i] = Math.log(at[i]) - law.logX(at[n + i]);
            outputs[i] = Math.log(at[n + i]);
        }
        return new GainCurve(drives, outputs, unsure, Math.log(at[2 * n]));
    }

    /** The drive by the law through the last of some rows, beyond it or below. */
    private Optional<Quantity> byLaw(List<DriveRow> known, double wantedW) {
        DriveRow last = known.get(known.size() - 1);
        SaturationLaw law = law(known);
        return law.driveFor(wantedW).map(byLaw -> {
            // Near saturation a watt more or less of the output is more of the drive than its share.
            Quantity through = Quantity.of(
                    List.of(last.driveW(), last.outputW(), wanted(wantedW)),
                    Unit.WATT,
                    at -> law.through(new SaturationLaw.Row(at[0], at[1]))
                            .driveFor(at[2])
                            .map(SaturationLaw.ByLaw::driveW)
                            .orElse(byLaw.driveW()));
            Quantity predicted = new Quantity(
                    through.value(),
                    Unit.WATT,
                    Standing.PREDICTED,
                    asShown(through).contributions());
            return predicted.with(error("by the law"), byLaw.uncertaintyW());
        });
    }

    /** What the output's meter will show: it errs then as it erred at the rows on the same range. */
    private Quantity wanted(double wantedW) {
        Channel channel = setup.channelFor(ReadingRole.OUTPUT).orElseThrow();
        Quantity read = channel.measured(
                wantedW / channel.correctionFactor(),
                setup.meterFor(ReadingRole.OUTPUT).orElseThrow().name(),
                channel.rangeFor(wantedW));
        return new Quantity(wantedW, Unit.WATT, Standing.MEASURED, read.contributions());
    }

    /** What the input's meter, or the exciter's scale, errs by it errs by again: its class says nothing of what it will show. */
    private static Quantity asShown(Quantity drive) {
        return drive.without(source -> !DriveRow.isOfTheEye(source)
                && (source.channel().equals(ReadingRole.INPUT_POWER.name())
                        || source.channel().equals(Control.DRIVE.name())));
    }
}
