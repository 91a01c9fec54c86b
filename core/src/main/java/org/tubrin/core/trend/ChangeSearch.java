package org.tubrin.core.trend;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Looks for steps and drifts in a series.
 *
 * <p>Method: for every run as the onset a step, and a straight drift from the run before it, are fitted by least squares with
 * a level; the one under which chi-square falls most counts where it falls by at least {@value #LEAST_GAIN}, one more beside
 * it by {@value #LEAST_GAIN_MORE}, at most {@value #MOST_CHANGES}; all are fitted together. The scatter is the median
 * difference of neighbouring runs, or what the readings' resolution leaves open where that is more; once something was found,
 * what lies about the fitted line where that is less. Source: the likelihood-ratio form of D. M. Hawkins, "Testing a sequence
 * of observations for a shift in location", J. Am. Stat. Assoc. 72 (1977) 180–186, with a drift beside the step. Valid: six
 * runs or more.
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
        double[][] fit = fit(shapes);
        List<Change> changes = new ArrayList<>();
        for (int k = 0; k < shapes.size(); k++) {
            Shape shape = shapes.get(k);
            double reach = shape.kind() == Change.Kind.STEP ? 1 : shape.at(value.length - 1, day);
            changes.add(new Change(
                    shape.kind(),
                    points.get(shape.onset() - 1).at(),
                    points.get(shape.onset()).at(),
                    fit[0][k + 1] * reach,
                    fit[1][k + 1] * Math.abs(reach)));
        }
        List<Double> line = new ArrayList<>();
        for (int i = 0; i < value.length; i++) {
            line.add(model(fit[0], shapes, i));
        }
        return new Found(List.copyOf(changes), line);
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
        List<List<Shape>> bases = new ArrayList<>(List.of(shapes));
        if (!shapes.isEmpty() && value.length <= SHORT) {
            List<Shape> kept = shapes.subList(0, shapes.size() - 1);
            for (Shape other : candidates()) {
                List<Shape> base = new ArrayList<>(kept);
                base.add(other);
                bases.add(base);
            }
        }
        double least = chiSquare(shapes) - (shapes.isEmpty() ? LEAST_GAIN : LEAST_GAIN_MORE);
        List<Shape> best = List.of();
        for (List<Shape> base : bases) {
            for (Shape shape : candidates()) {
                if (!base.contains(shape)) {
                    List<Shape> more = new ArrayList<>(base);
                    more.add(shape);
                    double chiSquare = chiSquare(more);
                    if (chiSquare < least) {
                        least = chiSquare;
                        best = more;
                    }
                }
            }
        }
        return best;
    }

    private List<Shape> candidates() {
        List<Shape> shapes = new ArrayList<>();
        for (Change.Kind kind : Change.Kind.values()) {
            for (int onset = LEAST_SIDE; onset <= value.length - LEAST_SIDE; onset++) {
                shapes.add(new Shape(kind, onset));
            }
        }
        return shapes;
    }

    private double model(double[] parameters, List<Shape> shapes, int run) {
        double sum = parameters[0];
        for (int k = 0; k < shapes.size(); k++) {
            sum += parameters[k + 1] * shapes.get(k).at(run, day);
        }
        return sum;
    }

    private double chiSquare(List<Shape> shapes) {
        double[][] fit = fit(shapes);
        double sum = 0;
        for (int i = 0; i < value.length; i++) {
            double off = (value[i] - model(fit[0], shapes, i)) / sigma;
            sum += off * off;
        }
        return sum;
    }

    /** Returns level and sizes by least squares, and their standard uncertainties. */
    private double[][] fit(List<Shape> shapes) {
        int size = shapes.size() + 1;
        double[][] design = new double[value.length][size];
        for (int i = 0; i < value.length; i++) {
            design[i][0] = 1;
            for (int k = 1; k < size; k++) {
                design[i][k] = shapes.get(k - 1).at(i, day);
            }
        }
        var matrix = new org.hipparchus.linear.Array2DRowRealMatrix(design, false);
        var solver = new org.hipparchus.linear.SingularValueDecomposition(matrix).getSolver();
        double[] parameters = solver.solve(new org.hipparchus.linear.ArrayRealVector(value, false))
                .toArray();
        var inverse = solver.getInverse();
        double[] uncertainty = new double[size];
        for (int k = 0; k < size; k++) {
            uncertainty[k] = sigma * inverse.getRowVector(k).getNorm();
        }
        return new double[][] {parameters, uncertainty};
    }
}
