package org.tubrin.core.scope;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What a scope shows, in columns of equal time: the lowest and the highest volts over the load in each, and beside them the greatest at
 * the amplifier's input.
 *
 * @param spanS time from its left to its right end, 1e-5 to 100 s
 * @param lowV lowest volts of each column, 50 to 400 columns, −10 000 to 10 000 V
 * @param highV highest volts of each, as many
 * @param driveV greatest volts at the amplifier's input in each, as many; empty where a second channel was not taken
 */
public record Trace(double spanS, List<Double> lowV, List<Double> highV, List<Double> driveV) {
    public static final int LEAST_COLUMNS = 50;
    public static final int MOST_COLUMNS = 400;
    public static final double LEAST_SPAN_S = 1e-5;
    public static final double MOST_SPAN_S = 100;
    public static final double MOST_V = 1e4;

    /** Share of the highest columns over which a peak is taken, so that one spike is none. */
    private static final double PEAK_SHARE = 0.02;

    public Trace {
        lowV = List.copyOf(lowV);
        highV = List.copyOf(highV);
        driveV = List.copyOf(driveV);
        int columns = lowV.size();
        Checks checks = new Checks()
                .range("spanS", spanS, LEAST_SPAN_S, MOST_SPAN_S, Unit.SECOND)
                .size("lowV", lowV, LEAST_COLUMNS, MOST_COLUMNS)
                .size("highV", highV, columns, columns)
                .size("driveV", driveV, driveV.isEmpty() ? 0 : columns, columns);
        within(checks, "lowV", lowV, -MOST_V);
        within(checks, "highV", highV, -MOST_V);
        within(checks, "driveV", driveV, 0);
        checks.done();
    }

    private static void within(Checks checks, String path, List<Double> volts, double least) {
        for (int i = 0; i < volts.size(); i++) {
            checks.range(path + "." + i, volts.get(i), least, MOST_V, Unit.VOLT);
        }
    }

    /** Returns how many columns it has. */
    public int columns() {
        return lowV.size();
    }

    /** Returns half of what each column reaches from peak to peak: the envelope, in volts. */
    public double[] envelopeV() {
        double[] envelope = new double[columns()];
        for (int i = 0; i < envelope.length; i++) {
            envelope[i] = Math.max(0, (highV.get(i) - lowV.get(i)) / 2);
        }
        return envelope;
    }

    /** Returns the volts from peak to peak. */
    public double peakToPeakV() {
        return 2 * peak(envelopeV());
    }

    /** Returns by how much the upper half is larger than the lower at the peaks, as a share of both; negative where it is smaller. */
    public double lopsidedShare() {
        double up = peak(highV.stream().mapToDouble(Double::doubleValue).toArray());
        double down = peak(lowV.stream().mapToDouble(volt -> -volt).toArray());
        return up + down > 0 ? (up - down) / (up + down) : 0;
    }

    /**
     * Returns the noise on the envelope, as a share of its peak: what a column is off the line between its neighbours, by the median, so
     * that where an envelope turns does not count.
     */
    public double hairShare() {
        double[] envelope = envelopeV();
        double peak = peak(envelope);
        double[] off = new double[envelope.length - 2];
        for (int i = 0; i < off.length; i++) {
            off[i] = Math.abs(envelope[i + 1] - (envelope[i] + envelope[i + 2]) / 2);
        }
        Arrays.sort(off);
        // The median of a normal variable's size is 0.6745 of its deviation; a column less the mean of two has 1.5
        // times its variance.
        return peak > 0 ? off[off.length / 2] / 0.6745 / Math.sqrt(1.5) / peak : 0;
    }

    /** Returns the mean of the highest values. */
    static double peak(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int taken = Math.max(1, (int) Math.round(PEAK_SHARE * sorted.length));
        double sum = 0;
        for (int i = sorted.length - taken; i < sorted.length; i++) {
            sum += sorted[i];
        }
        return sum / taken;
    }

    /**
     * Returns the trace of samples in the order of time.
     *
     * @param spanS from the first to the last, in seconds
     * @param outputV volts over the load, {@value #LEAST_SAMPLES} samples or more
     * @param inputV volts at the amplifier's input, as many; empty where not taken
     */
    public static Trace ofSamples(double spanS, double[] outputV, double[] inputV) {
        int columns = Math.min(SAMPLED_COLUMNS, outputV.length / SAMPLES_PER_COLUMN);
        List<Double> low = new ArrayList<>();
        List<Double> high = new ArrayList<>();
        List<Double> drive = new ArrayList<>();
        for (int i = 0; i < columns; i++) {
            int from = (int) ((long) i * outputV.length / columns);
            int to = (int) ((long) (i + 1) * outputV.length / columns);
            low.add(Arrays.stream(outputV, from, to).min().orElseThrow());
            high.add(Arrays.stream(outputV, from, to).max().orElseThrow());
            if (inputV.length == outputV.length) {
                drive.add(Arrays.stream(inputV, from, to).map(Math::abs).max().orElseThrow());
            }
        }
        return new Trace(spanS, low, high, drive);
    }

    private static final int SAMPLED_COLUMNS = 200;
    private static final int SAMPLES_PER_COLUMN = 8;
    /** Fewer than these tell no envelope. */
    public static final int LEAST_SAMPLES = LEAST_COLUMNS * SAMPLES_PER_COLUMN;
}
