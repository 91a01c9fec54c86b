package org.tubrin.core.trend;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

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
    public static List<Series> of(List<RunFigures> runs) {
        List<RunFigures> alike = alike(runs);
        List<RunFigures> atDrive = atDrive(alike);
        double outputW = comparedOutputW(runs);
        List<Series> all = new ArrayList<>();
        for (Figure figure : Figure.values()) {
            List<TrendPoint> points = (figure == Figure.GRID_AT_OUTPUT ? alike : atDrive)
                    .stream()
                            .flatMap(run -> run.point(figure, outputW).stream())
                            .toList();
            if (points.size() >= 2) {
                all.add(of(figure, points));
            }
        }
        return List.copyOf(all);
    }

    /** Returns the runs made with the amplifier's mode switch as the newest of them. */
    private static List<RunFigures> alike(List<RunFigures> runs) {
        Optional<String> position =
                runs.stream().max(Comparator.comparing(RunFigures::at)).flatMap(RunFigures::switchPosition);
        return runs.stream()
                .filter(run -> run.switchPosition().equals(position))
                .toList();
    }

    /** Returns the drive at which runs are compared, in watts: that which most of them end with. */
    public static double comparedDriveW(List<RunFigures> runs) {
        return median(alike(runs).stream().map(RunFigures::driveW).toList());
    }

    private static List<RunFigures> atDrive(List<RunFigures> alike) {
        double driveW = median(alike.stream().map(RunFigures::driveW).toList());
        return alike.stream()
                .filter(run -> Math.abs(run.driveW() / driveW - 1) <= SAME_DRIVE)
                .toList();
    }

    /** Returns the output at which grid currents are compared, in watts: four fifths of what the runs usually end with. */
    public static double comparedOutputW(List<RunFigures> runs) {
        return OUTPUT_SHARE
                * median(atDrive(alike(runs)).stream()
                        .flatMap(run -> run.outputW().stream())
                        .toList());
    }

    private static double median(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        return sorted.isEmpty() ? 0 : sorted.get(sorted.size() / 2);
    }

    /**
     * What is drawn of a series: each point the middle of so many runs that follow each other.
     *
     * @param runs how many runs a point stands for; the last may stand for fewer
     * @param points by their time
     * @param line what level and changes have there
     */
    public record Drawn(int runs, List<TrendPoint> points, List<Double> line) {
        public Drawn {
            points = List.copyOf(points);
            line = List.copyOf(line);
        }
    }

    /** Returns the series in at most so many points. */
    public Drawn drawn(int most) {
        int runs = (points.size() + most - 1) / most;
        List<TrendPoint> middles = new ArrayList<>();
        List<Double> lines = new ArrayList<>();
        for (int from = 0; from < points.size(); from += runs) {
            List<TrendPoint> group = points.subList(from, Math.min(points.size(), from + runs));
            TrendPoint middle = group.get(group.size() / 2);
            middles.add(new TrendPoint(
                    middle.at(), median(group.stream().map(TrendPoint::value).toList()), middle.resolution()));
            lines.add(line.get(from + group.size() / 2));
        }
        return new Drawn(runs, middles, lines);
    }
}
