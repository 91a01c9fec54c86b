package org.tubrin.core.metering;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.hipparchus.special.Gamma;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * One range of a power meter compared with a reference on the same carrier at several powers.
 *
 * <p>Method: a straight line through the roots of the powers by weighted least squares, with or without an offset: the offset
 * only where it is more than twice its own uncertainty, so that it is not fitted to noise. Each point is as uncertain as the
 * reference's own scatter and what can be read off the scale (half a hundredth of it); what all points of the reference share
 * widens the gain afterwards. Source: W. H. Press et al., "Numerical Recipes" (3rd ed. 2007), §15.2. Valid: three points or
 * more, spread over a factor of four in power where the low end is to be told from the gain.
 *
 * @param correction what came out
 * @param rootScatter square root of chi-square per degree of freedom; near 1 where all is as uncertain as stated
 * @param believable whether points so far from the line are likely at all (chi-square, 1 %)
 * @param residualsW what each point lies above the line, in watts
 */
public record Comparison(Correction correction, double rootScatter, boolean believable, List<Double> residualsW) {
    private static final double OFFSET_SIGMAS = 2;
    private static final double LEAST_LIKELY = 0.01;
    private static final int LEAST_POINTS = 3;
    /** Widest over narrowest root of power from which a low end is told from a gain: four in power. */
    private static final double LEAST_SPREAD = 2;
    /** What does not repeat from point to point of a steady reference, as a share. */
    private static final double REFERENCE_SCATTER_SHARE = 0.005;

    /** How a range reads before its correction. */
    public enum Reads {
        RIGHT,
        LOW,
        HIGH
    }

    public Comparison {
        residualsW = List.copyOf(residualsW);
    }

    /**
     * One power at which both were read.
     *
     * @param referenceW what the reference makes of it
     * @param scatterW standard uncertainty of that which is not shared with the other points, in watts
     * @param rawW what the meter showed, above 0
     */
    public record Point(Quantity referenceW, double scatterW, double rawW) {
        /** Returns a point of a reference that scatters as steady ones do. */
        public static Point of(Quantity referenceW, double rawW) {
            return new Point(referenceW, REFERENCE_SCATTER_SHARE * referenceW.value(), rawW);
        }
    }

    /** Returns how much too much the range shows at a raw reading in watts, as a share; negative where it reads low. */
    public Quantity off(double rawW) {
        double correctedW = correction.corrected(rawW);
        return Quantity.of(
                rawW / correctedW - 1,
                Unit.ONE,
                Standing.COMPUTED,
                new ErrorSource(correction.reference(), correction.range(), "compared"),
                correction.standardUncertainty(rawW) / correctedW);
    }

    /** Returns how the range reads there, beyond twice what is uncertain about it. */
    public Reads reads(double rawW) {
        Quantity off = off(rawW);
        if (Math.abs(off.value()) < OFFSET_SIGMAS * off.standardUncertainty()) {
            return Reads.RIGHT;
        }
        return off.value() < 0 ? Reads.LOW : Reads.HIGH;
    }

    /**
     * Returns the comparison of a range; fails with {@link Refused} for fewer than three points.
     *
     * @param at when
     * @param range the range that was used
     * @param reference name of the reference
     * @param points in any order
     */
    public static Comparison of(Instant at, MeterRange range, String reference, List<Point> points) {
        if (points.size() < LEAST_POINTS) {
            throw new Refused(new Problem(
                    ProblemCode.OUT_OF_RANGE,
                    "points",
                    Integer.toString(points.size()),
                    new Allowed.Range(LEAST_POINTS, 50, Unit.ONE)));
        }
        Line line = new Line(points, range.fullScale());
        boolean offset =
                line.spread() >= LEAST_SPREAD && Math.abs(line.withOffset()[1]) > OFFSET_SIGMAS * line.withOffset()[3];
        double[] fit = offset ? line.withOffset() : line.through();
        // What all points of the reference share moves the gain as a whole.
        double shared = points.stream()
                .mapToDouble(point -> Math.sqrt(Math.max(
                                0, square(point.referenceW().standardUncertainty()) - square(point.scatterW())))
                        / point.referenceW().value())
                .average()
                .orElse(0);
        double gainUncertainty = Math.hypot(fit[2], fit[0] * shared / 2);
        double correlation = gainUncertainty == 0 ? 0 : fit[4] * fit[2] / gainUncertainty;
        Correction correction =
                new Correction(at, range.name(), fit[0], gainUncertainty, fit[1], fit[3], correlation, reference);
        int free = points.size() - (offset ? 2 : 1);
        double chiSquare = line.chiSquare(fit);
        double likely = Gamma.regularizedGammaQ(free / 2.0, chiSquare / 2);
        List<Double> residuals = new ArrayList<>();
        for (Point point : points) {
            residuals.add(point.referenceW().value() - correction.corrected(point.rawW()));
        }
        return new Comparison(correction, Math.sqrt(chiSquare / free), likely >= LEAST_LIKELY, residuals);
    }

    private static double square(double value) {
        return value * value;
    }

    /** Sums of a straight line {@code y = gain·x + offset} with weights. */
    private static final class Line {
        private final double[] x;
        private final double[] y;
        private final double[] weight;
        private double s;
        private double sx;
        private double sy;
        private double sxx;
        private double sxy;

        Line(List<Point> points, double fullScaleW) {
            int n = points.size();
            x = new double[n];
            y = new double[n];
            weight = new double[n];
            for (int i = 0; i < n; i++) {
                Point point = points.get(i);
                x[i] = Math.sqrt(point.rawW());
                y[i] = Math.sqrt(point.referenceW().value());
                // Uncertainty of a root: half of that of the power, over the root; half a hundredth of the scale is
                // read.
                double u = Math.hypot(
                        point.scatterW() / (2 * y[i]), Channel.READ_SHARE * fullScaleW / (2 * x[i]) / Math.sqrt(3));
                weight[i] = 1 / (u * u);
                s += weight[i];
                sx += weight[i] * x[i];
                sy += weight[i] * y[i];
                sxx += weight[i] * x[i] * x[i];
                sxy += weight[i] * x[i] * y[i];
            }
        }

        double spread() {
            double least = Double.MAX_VALUE;
            double most = 0;
            for (double one : x) {
                least = Math.min(least, one);
                most = Math.max(most, one);
            }
            return most / least;
        }

        /** Returns gain, offset, their uncertainties and their correlation. */
        double[] withOffset() {
            double delta = s * sxx - sx * sx;
            double gain = (s * sxy - sx * sy) / delta;
            double offset = (sxx * sy - sx * sxy) / delta;
            return new double[] {gain, offset, Math.sqrt(s / delta), Math.sqrt(sxx / delta), -sx / Math.sqrt(s * sxx)};
        }

        double[] through() {
            return new double[] {sxy / sxx, 0, Math.sqrt(1 / sxx), 0, 0};
        }

        double chiSquare(double[] fit) {
            double sum = 0;
            for (int i = 0; i < x.length; i++) {
                sum += weight[i] * square(y[i] - fit[0] * x[i] - fit[1]);
            }
            return sum;
        }
    }
}
