package org.tubrin.core.trend;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;

/**
 * Looks for steps and drifts in a series.
 *
 * <p>Method: for every run as the onset a step, and a straight drift from the run before it, are fitted by least squares with
 * a level; the one under which chi-square falls most counts where it falls by at least {@value #LEAST_GAIN}, one more beside
 * it by {@value #LEAST_GAIN_MORE}, at most {@value #MOST_CHANGES}; all are fitted together. The scatter is the median
 * difference of neighbouring runs, or what the readings' resolution leaves open where that is more; once something was found,
 * what lies about the fitted line where that is less. Source: the likelihood-ratio form of D. M. Hawkins, "Testing a sequence
 * of observations for a shift in location", J. Am. Stat. Assoc. 72 (1977) 180–186, with a drift beside the step. Valid: six
 * runs or more. Cost: proportional to the runs, by {@link StepwiseFit}.
 */
final class ChangeSearch {
    /** Chi-square with two free is beyond this with a probability of 0.0005. */
    static final double LEAST_GAIN = 15;

    /** The same with 0.005, for one more where something has changed already. */
    private static final double LEAST_GAIN_MORE = 10.6;

    static final int MOST_CHANGES = 3;
    static final int LEAST_POINTS = 6;
    private static final int SHORT = 40;
    private static final int LEAST_SIDE = 2;
    private static final double NORMAL = 1.4826;
    private static final double DAY_S = 86_400;

    private final List<TrendPoint> points;
    private final double[] day;
    private final double[] value;
    private double sigma;

    ChangeSearch(List<TrendPoint> points) {
        this.points = points;
        int n = points.size();
        day = new double[n];
        value = new double[n];
        for (int i = 0; i < n; i++) {
            day[i] = Duration.between(points.get(0).at(), points.get(i).at()).toSeconds() / DAY_S;
            value[i] = points.get(i).value();
        }
        sigma = scatter();
    }

    double sigma() {
        return sigma;
    }

    private double scatter() {
        double resolution = resolution();
        if (value.length < 3) {
            return resolution;
        }
        double[] differences = new double[value.length - 1];
        for (int i = 1; i < value.length; i++) {
            differences[i - 1] = Math.abs(value[i] - value[i - 1]);
        }
        Arrays.sort(differences);
        double median = differences[differences.length / 2];
        return Math.max(resolution, NORMAL * median / Math.sqrt(2));
    }

    /** A shape that a change has over the runs: nothing before its onset. */
    private record Shape(Change.Kind kind, int onset) {
        double at(int run, double[] day) {
            if (run < onset) {
                return 0;
            }
            return kind == Change.Kind.STEP ? 1 : day[run] - day[onset - 1];
        }
    }

    /** What was found, and the fitted line. */
    record Found(List<Change> changes, List<Double> line) {}

    Found search() {
        List<Shape> shapes = shapes();
        double left = leftOver(shapes);
        if (!shapes.isEmpty() && left < sigma) {
            // What changed had made the runs look more scattered than they are.
            sigma = left;
            shapes = shapes();
        }
        StepwiseFit fit = fit(shapes);
        List<Change> changes = new ArrayList<>();
        for (int k = 0; k < shapes.size(); k++) {
            Shape shape = shapes.get(k);
            double reach = shape.kind() == Change.Kind.STEP ? 1 : shape.at(value.length - 1, day);
            changes.add(new Change(
                    shape.kind(),
                    points.get(shape.onset() - 1).at(),
                    points.get(shape.onset()).at(),
                    fit.size(k) * reach,
                    sigma * fit.spread(k) * Math.abs(reach)));
        }
        return new Found(List.copyOf(changes), fit.line());
    }

    private List<Shape> shapes() {
        List<Shape> shapes = List.of();
        while (points.size() >= LEAST_POINTS && shapes.size() < MOST_CHANGES) {
            List<Shape> more = better(shapes);
            if (more.isEmpty()) {
                break;
            }
            shapes = more;
        }
        return shapes;
    }

    /** Returns the scatter about the fitted line, each change counting for its size and its date. */
    private double leftOver(List<Shape> shapes) {
        double free = Math.max(1, value.length - 1 - 2.0 * shapes.size());
        return Math.max(resolution(), sigma * Math.sqrt(chiSquare(shapes) / free));
    }

    private double resolution() {
        return points.stream().mapToDouble(TrendPoint::resolution).average().orElse(0);
    }

    /**
     * Returns the shapes with the best one more; where a series is short every place of the last one is tried again beside
     * it, since a drift alone may pass for a drift with a step upon it. Empty where none is worth it.
     */
    private List<Shape> better(List<Shape> shapes) {
        List<Shape> candidates = candidates();
        List<List<Shape>> bases = new ArrayList<>(List.of(shapes));
        if (!shapes.isEmpty() && value.length <= SHORT) {
            List<Shape> kept = shapes.subList(0, shapes.size() - 1);
            candidates.stream().filter(other -> !kept.contains(other)).forEach(other -> bases.add(with(kept, other)));
        }
        double least = chiSquare(shapes) - (shapes.isEmpty() ? LEAST_GAIN : LEAST_GAIN_MORE);
        List<Shape> best = List.of();
        for (List<Shape> base : bases) {
            StepwiseFit fit = fit(base);
            double chiSquare = fit.squares() / (sigma * sigma);
            for (Shape shape : candidates) {
                if (!base.contains(shape)) {
                    double more = chiSquare - fit.gain(shape.onset(), since(shape)) / (sigma * sigma);
                    if (more < least) {
                        least = more;
                        best = with(base, shape);
                    }
                }
            }
        }
        return best;
    }

    private static List<Shape> with(List<Shape> shapes, Shape one) {
        List<Shape> more = new ArrayList<>(shapes);
        more.add(one);
        return List.copyOf(more);
    }

    private List<Shape> candidates() {
        List<Shape> shapes = new ArrayList<>();
        for (Change.Kind kind : Change.Kind.values()) {
            for (int onset = LEAST_SIDE; onset <= value.length - LEAST_SIDE; onset++) {
                Shape shape = new Shape(kind, onset);
                if (shape.at(value.length - 1, day) > 0) { // a drift within one moment is none
                    shapes.add(shape);
                }
            }
        }
        return shapes;
    }

    private OptionalDouble since(Shape shape) {
        return shape.kind() == Change.Kind.STEP ? OptionalDouble.empty() : OptionalDouble.of(day[shape.onset() - 1]);
    }

    private StepwiseFit fit(List<Shape> shapes) {
        double[][] columns = new double[shapes.size()][value.length];
        for (int k = 0; k < columns.length; k++) {
            for (int i = shapes.get(k).onset(); i < value.length; i++) {
                columns[k][i] = shapes.get(k).at(i, day);
            }
        }
        return new StepwiseFit(day, value, columns);
    }

    private double chiSquare(List<Shape> shapes) {
        return fit(shapes).squares() / (sigma * sigma);
    }
}
