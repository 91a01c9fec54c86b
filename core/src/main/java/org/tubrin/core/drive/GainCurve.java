package org.tubrin.core.drive;

import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.tubrin.core.twin.SaturationLaw;

/**
 * The drive for an output out of some rows, each of which an eye has read.
 *
 * <p>Method: what the logarithm of drive has beyond {@link SaturationLaw} is a parabola about the wanted output, by least squares;
 * rows count by what an eye leaves open of them, and less the further off they lie. Slope and bend are held near nothing, so that
 * two rows are enough. The uncertainty is that of the parabola at the wanted output. Source: C. M. Bishop, "Pattern Recognition
 * and Machine Learning" (2006), §3.3.1.
 */
final class GainCurve {
    /** By so much the logarithm of the gain changes with that of the output, and that with it, in a stage that expands. */
    private static final double SLOPE = 0.12;

    private static final double BEND = 0.08;
    /** How well a stage keeps to a parabola: here, and with the square of the distance. */
    private static final double HERE = 0.004;

    private static final double AFAR = 0.03;

    private final RealVector found;
    private final RealMatrix covariance;
    private final double[] shares;

    /**
     * A curve about an output.
     *
     * @param logDrives natural logarithms of drives, each less that of the law
     * @param logOutputs of the outputs
     * @param unsure what an eye leaves open of a row, as a share of the drive
     * @param logWanted of the output that is wanted
     */
    GainCurve(double[] logDrives, double[] logOutputs, double[] unsure, double logWanted) {
        RealMatrix precision = new Array2DRowRealMatrix(3, 3);
        precision.setEntry(1, 1, 1 / (SLOPE * SLOPE));
        precision.setEntry(2, 2, 1 / (BEND * BEND));
        RealVector pulled = new ArrayRealVector(3);
        for (int i = 0; i < logDrives.length; i++) {
            double away = logOutputs[i] - logWanted;
            RealVector row = new ArrayRealVector(new double[] {1, away, away * away});
            double model = Math.hypot(HERE, AFAR * away * away);
            double weight = 1 / (unsure[i] * unsure[i] + model * model);
            precision = precision.add(row.outerProduct(row).scalarMultiply(weight));
            pulled = pulled.add(row.mapMultiply(weight * logDrives[i]));
        }
        covariance = new CholeskyDecomposition(precision).getSolver().getInverse();
        found = covariance.operate(pulled);
        shares = new double[logDrives.length];
        for (int i = 0; i < shares.length; i++) {
            double away = logOutputs[i] - logWanted;
            double model = Math.hypot(HERE, AFAR * away * away);
            double weight = 1 / (unsure[i] * unsure[i] + model * model);
            shares[i] = weight * unsure[i] * covariance.operate(new double[] {1, away, away * away})[0];
        }
    }

    /** Returns the logarithm of the drive at the wanted output, less that of the law. */
    double logDrive() {
        return found.getEntry(0);
    }

    /** Returns what the eye leaves open of it at each row, as a standard uncertainty. */
    double[] byRow() {
        return shares.clone();
    }

    /** Returns what else is open of it: how well a stage keeps to such a curve, and what the rows do not tell. */
    double byCurve() {
        double left = covariance.getEntry(0, 0);
        for (double share : shares) {
            left -= share * share;
        }
        return Math.sqrt(Math.max(0, left));
    }
}
