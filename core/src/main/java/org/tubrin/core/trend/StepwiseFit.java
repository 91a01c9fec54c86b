package org.tubrin.core.trend;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.SingularValueDecomposition;

/**
 * A least-squares fit of a level and some columns to a series, and what one more step or drift would gain, each in constant
 * time.
 *
 * <p>Method: normal equations of columns scaled to one length. The gain of a further column {@code x} is {@code (r·x)² /
 * |x⊥|²} with the residual {@code r} and the part {@code x⊥} of {@code x} that the fitted columns do not span; since a step is 1
 * and a drift {@code day − since} from the onset on, all of its products are differences of sums from the end. Source: the
 * partial F-test of forward selection (N. R. Draper and H. Smith, Applied Regression Analysis, 3rd ed., 1998, ch. 15); the sums
 * are ours. Cost: proportional to the runs, then constant for each gain.
 */
final class StepwiseFit {
    /** Of a column at least this share of its square must be new, or it says nothing that the others do not. */
    private static final double LEAST_NEW = 1e-9;

    private final double[][] columns;
    private final double[] scale;
    private final double[] parameters;
    private final RealMatrix inverse;
    private final double[] residual;
    private final double[] line;
    private final Sums ofOne;
    private final Sums ofDay;
    private final Sums ofResidual;
    private final Sums[] ofColumns;

    /** Sums from an index to the end: of a column, and of it times the day. */
    private static final class Sums {
        private final double[] plain;
        private final double[] timesDay;

        Sums(double[] column, double[] day) {
            int n = column.length;
            plain = new double[n + 1];
            timesDay = new double[n + 1];
            for (int i = n - 1; i >= 0; i--) {
                plain[i] = plain[i + 1] + column[i];
                timesDay[i] = timesDay[i + 1] + column[i] * day[i];
            }
        }

        /** Returns the product with a step, or with a drift since a day. */
        double product(int onset, OptionalDouble since) {
            return since.isEmpty() ? plain[onset] : timesDay[onset] - since.getAsDouble() * plain[onset];
        }
    }

    /** Fits; {@code columns} may be none, and each is as long as the series. */
    StepwiseFit(double[] day, double[] value, double[][] columns) {
        int n = value.length;
        this.columns = new double[columns.length + 1][];
        this.columns[0] = new double[n];
        java.util.Arrays.fill(this.columns[0], 1);
        System.arraycopy(columns, 0, this.columns, 1, columns.length);
        int size = this.columns.length;
        scale = new double[size];
        for (int k = 0; k < size; k++) {
            scale[k] = Math.sqrt(product(this.columns[k], this.columns[k]));
        }
        double[][] gram = new double[size][size];
        double[] right = new double[size];
        for (int k = 0; k < size; k++) {
            right[k] = product(this.columns[k], value) / scale[k];
            for (int m = 0; m < size; m++) {
                gram[k][m] = product(this.columns[k], this.columns[m]) / scale[k] / scale[m];
            }
        }
        inverse = new SingularValueDecomposition(new Array2DRowRealMatrix(gram, false))
                .getSolver()
                .getInverse();
        parameters = inverse.operate(right);
        line = new double[n];
        residual = new double[n];
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < size; k++) {
                line[i] += parameters[k] / scale[k] * this.columns[k][i];
            }
            residual[i] = value[i] - line[i];
        }
        ofOne = new Sums(this.columns[0], day);
        ofDay = new Sums(day, day);
        ofResidual = new Sums(residual, day);
        ofColumns = new Sums[size];
        for (int k = 0; k < size; k++) {
            ofColumns[k] = k == 0 ? ofOne : new Sums(this.columns[k], day);
        }
    }

    private static double product(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    /** Returns the sum of the squares of what the fit leaves. */
    double squares() {
        return product(residual, residual);
    }

    /** Returns by how much that sum would fall with one column more: a step at an onset, or a drift from there on since a day. */
    double gain(int onset, OptionalDouble since) {
        double own = since.isEmpty()
                ? ofOne.plain[onset]
                : ofDay.timesDay[onset]
                        - 2 * since.getAsDouble() * ofDay.plain[onset]
                        + since.getAsDouble() * since.getAsDouble() * ofOne.plain[onset];
        double[] shared = new double[columns.length];
        for (int k = 0; k < shared.length; k++) {
            shared[k] = ofColumns[k].product(onset, since) / scale[k];
        }
        ArrayRealVector vector = new ArrayRealVector(shared, false);
        double left = own - vector.dotProduct(inverse.operate(vector));
        if (left <= LEAST_NEW * own) {
            return 0;
        }
        double along = ofResidual.product(onset, since);
        return along * along / left;
    }

    /** Returns the size of a column, counted from 0. */
    double size(int column) {
        return parameters[column + 1] / scale[column + 1];
    }

    /** Returns the standard uncertainty of that size for a scatter of 1. */
    double spread(int column) {
        return Math.sqrt(inverse.getEntry(column + 1, column + 1)) / scale[column + 1];
    }

    /** Returns what the fit has at each run. */
    List<Double> line() {
        List<Double> all = new ArrayList<>(line.length);
        for (double one : line) {
            all.add(one);
        }
        return all;
    }
}
