package org.tubrin.core.trend;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.Reflection;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.ModeSwitch;
import org.tubrin.core.tuneup.RunState;
import org.tubrin.core.tuneup.School;
import org.tubrin.core.tuneup.Step;

/**
 * One figure over the finished runs of one amplifier, band and load or antenna.
 *
 * @param figure what
 * @param points in the order of time, at least two
 * @param scatter standard deviation from run to run
 * @param changes what changed, by the date of its onset
 * @param line what level and changes have at each point
 */
public record Series(Figure figure, List<TrendPoint> points, double scatter, List<Change> changes, List<Double> line) {
    /** What an eye leaves open of a scale, as a share of it. */
    private static final double EYE_SHARE = 0.002;
    /** What a person's peaking leaves open of an output or a current, as a share. */
    private static final double PEAKING_SHARE = 0.006;

    private static final double SAME_DRIVE = 0.06;
    /** Share of the usual output at which grid currents are compared. */
    private static final double OUTPUT_SHARE = 0.8;

    /** With fewer runs no change is looked for. */
    public static final int LEAST_RUNS = ChangeSearch.LEAST_POINTS;

    public Series {
        points = List.copyOf(points);
        changes = List.copyOf(changes);
        line = List.copyOf(line);
    }

    /** Returns a series of points; at least two. */
    public static Series of(Figure figure, List<TrendPoint> points) {
        List<TrendPoint> ordered =
                points.stream().sorted(Comparator.comparing(TrendPoint::at)).toList();
        ChangeSearch search = new ChangeSearch(ordered);
        ChangeSearch.Found found = search.search();
        return new Series(
                figure,
                ordered,
                search.sigma(),
                found.changes().stream()
                        .sorted(Comparator.comparing(Change::before))
                        .toList(),
                found.line());
    }

    /** Returns the series of every figure that at least two of the runs know; runs of other places must be left out before. */
    public static List<Series> of(List<RunState> runs) {
        List<RunState> finished = finished(runs);
        List<RunState> atDrive = atDrive(finished);
        double outputW = comparedOutputW(runs);
        List<Series> all = new ArrayList<>();
        for (Figure figure : Figure.values()) {
            List<TrendPoint> points = new ArrayList<>();
            for (RunState run : figure == Figure.GRID_AT_OUTPUT ? finished : atDrive) {
                point(figure, run, outputW).ifPresent(points::add);
            }
            if (points.size() >= 2) {
                all.add(of(figure, points));
            }
        }
        return List.copyOf(all);
    }

    /** Returns the finished runs made with the amplifier's mode switch as the newest of them. */
    private static List<RunState> finished(List<RunState> runs) {
        Optional<String> position =
                runs.stream().max(Comparator.comparing(RunState::lastAt)).flatMap(Series::switchPosition);
        return runs.stream()
                .filter(run -> switchPosition(run).equals(position))
                .filter(run ->
                        run.ending().filter(RunState.Ending.FINISHED::equals).isPresent())
                .filter(run -> run.lastStep().isPresent() && run.school() != School.PULSED)
                .toList();
    }

    private static Optional<String> switchPosition(RunState run) {
        return run.setup().amplifier().modeSwitch().map(ModeSwitch::at);
    }

    /** Returns the drive at which runs are compared, in watts: that which most of them end with. */
    public static double comparedDriveW(List<RunState> runs) {
        return median(
                finished(runs).stream().map(run -> last(run).driveW().value()).toList());
    }

    private static List<RunState> atDrive(List<RunState> finished) {
        double driveW = comparedDriveW(finished);
        return finished.stream()
                .filter(run -> Math.abs(last(run).driveW().value() / driveW - 1) <= SAME_DRIVE)
                .toList();
    }

    /** Returns the output at which grid currents are compared, in watts: four fifths of what the runs usually end with. */
    public static double comparedOutputW(List<RunState> runs) {
        return OUTPUT_SHARE
                * median(atDrive(finished(runs)).stream()
                        .flatMap(run -> last(run).measured(ReadingRole.OUTPUT).map(Quantity::value).stream())
                        .toList());
    }

    private static Step last(RunState run) {
        return run.lastStep().orElseThrow();
    }

    private static double median(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        return sorted.isEmpty() ? 0 : sorted.get(sorted.size() / 2);
    }

    private static Optional<TrendPoint> point(Figure figure, RunState run, double outputW) {
        Step last = last(run);
        Instant at = run.lastAt();
        return switch (figure) {
            case OUTPUT_AT_DRIVE -> read(last, ReadingRole.OUTPUT, at);
            case PLATE_AT_DRIVE -> read(last, ReadingRole.PLATE_CURRENT, at);
            case GRID_AT_OUTPUT -> gridAt(run, outputW);
            case RESTING_CURRENT ->
                run.conditions()
                        .restingPlateCurrentA()
                        .map(current ->
                                new TrendPoint(at, current, EYE_SHARE * scale(last, ReadingRole.PLATE_CURRENT)));
            case SAG ->
                last.budget()
                        .sag()
                        .map(sag -> new TrendPoint(
                                at,
                                sag.value(),
                                EYE_SHARE
                                        * scale(last, ReadingRole.PLATE_VOLTAGE)
                                        / last.setup().tubes().plateVoltageRestDcV()));
            case LOAD_SWR_COLD -> swr(run.steps().get(0), at);
            case LOAD_SWR_HOT -> swr(last, at);
            case OUTPUT_TO_INPUT ->
                last.efficiency()
                        .map(share -> new TrendPoint(
                                at,
                                share.value(),
                                share.value() * Math.hypot(2 * PEAKING_SHARE / 3, relative(last, ReadingRole.OUTPUT))));
        };
    }

    private static Optional<TrendPoint> read(Step step, ReadingRole role, Instant at) {
        return step.measured(role)
                .map(one -> new TrendPoint(
                        at, one.value(), Math.hypot(PEAKING_SHARE * one.value(), EYE_SHARE * scale(step, role))));
    }

    private static double relative(Step step, ReadingRole role) {
        double value = step.measured(role).map(Quantity::value).orElse(1.0);
        return EYE_SHARE * scale(step, role) / Math.max(1e-9, Math.abs(value));
    }

    private static double scale(Step step, ReadingRole role) {
        Optional<Reading> reading = Optional.ofNullable(step.readings().get(role));
        Optional<Channel> channel = step.setup().channelFor(role);
        return channel.flatMap(one -> reading.flatMap(read -> one.range(read.range()))
                        .or(() -> Optional.of(one.ranges().get(0))))
                .map(MeterRange::fullScale)
                .orElse(0.0);
    }

    private static Optional<TrendPoint> swr(Step step, Instant at) {
        Optional<Quantity> output = step.measured(ReadingRole.OUTPUT).filter(one -> one.value() > 0);
        Optional<Quantity> reflected = step.measured(ReadingRole.REFLECTED)
                .filter(back -> output.isPresent()
                        && back.value() > 0
                        && back.value() < output.get().value());
        return reflected.map(back -> {
            double swr = Reflection.of(output.orElseThrow(), back).swr();
            double rho = (swr - 1) / (swr + 1);
            double share = relative(step, ReadingRole.REFLECTED);
            // dSWR/dρ times ρ times half the share of the reflected power.
            return new TrendPoint(at, swr, 2 / ((1 - rho) * (1 - rho)) * rho * share / 2);
        });
    }

    /** Returns grid current where the climb passes an output, as a power law between the steps on either side. */
    private static Optional<TrendPoint> gridAt(RunState run, double outputW) {
        Step below = null;
        for (Step step : run.steps()) {
            double here = step.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(0.0);
            Optional<Quantity> grid = step.measured(ReadingRole.GRID_CURRENT).filter(one -> one.value() > 0);
            if (grid.isEmpty() || here <= 0) {
                continue;
            }
            if (here >= outputW && below != null) {
                double there = below.measured(ReadingRole.OUTPUT).orElseThrow().value();
                double low =
                        below.measured(ReadingRole.GRID_CURRENT).orElseThrow().value();
                double share = Math.log(outputW / there) / Math.log(here / there);
                double current = low * Math.pow(grid.get().value() / low, share);
                return Optional.of(new TrendPoint(
                        run.lastAt(),
                        current,
                        Math.hypot(4 * PEAKING_SHARE * current, EYE_SHARE * scale(step, ReadingRole.GRID_CURRENT))));
            }
            below = step;
        }
        return Optional.empty();
    }
}
