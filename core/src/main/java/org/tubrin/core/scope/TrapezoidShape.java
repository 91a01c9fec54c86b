package org.tubrin.core.scope;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.tubrin.core.twin.Linearity;

/**
 * What the output over the drive says of the amplifier alone, however the exciter treats its tones.
 *
 * @param straightV peak volts at the greatest drive, were the output straight as on its lower part
 * @param thirdDb third-order products that it adds, below one tone, in decibels; negative
 * @param compressionDb gain at the peak below the greatest
 * @param splitShare by how much more comes out while the drive rises than while it falls, as a share
 * @param found what is wrong with it, the gravest first; empty where it is straight
 */
public record TrapezoidShape(
        double straightV, double thirdDb, double compressionDb, double splitShare, List<Trapezoid> found) {
    private static final double BENT_DB = 1;
    private static final double TIP_DB = 2.5;
    private static final double SPLIT_SHARE = 0.05;
    /** Between these shares of the peak both sides of a trapezoid are well apart from its ends. */
    private static final double MIDDLE_FROM = 0.3;

    private static final double MIDDLE_TO = 0.9;
    private static final int POINTS = 32;

    public TrapezoidShape {
        found = List.copyOf(found);
    }

    /** Returns what it says; empty where no second channel was taken, or the drive does not go from nothing to its peak. */
    public static Optional<TrapezoidShape> of(Trace trace) {
        double[] drive =
                trace.driveV().stream().mapToDouble(Double::doubleValue).toArray();
        double[] output = trace.envelopeV();
        if (drive.length == 0 || Arrays.stream(drive).min().orElseThrow() > MIDDLE_FROM * Trace.peak(drive)) {
            return Optional.empty();
        }
        GainAlong gain = GainAlong.of(drive, output);
        double thirdDb = Beat.productsDb(overABeat(drive, output), 3);
        double splitShare = splitShare(drive, output);
        List<Trapezoid> found = new ArrayList<>();
        if (gain.compressionDb() >= BENT_DB && Linearity.Grade.of(thirdDb) == Linearity.Grade.ROUGH) {
            found.add(Trapezoid.BENT_AT_TOP);
        }
        if (gain.tipDb() >= TIP_DB) {
            found.add(Trapezoid.BENT_AT_TIP);
        }
        if (Math.abs(splitShare) > SPLIT_SHARE) {
            found.add(Trapezoid.SPLIT);
        }
        return Optional.of(new TrapezoidShape(
                gain.straight() * Trace.peak(drive), thirdDb, gain.compressionDb(), splitShare, found));
    }

    /** Returns the output at the drives of a pure beat, by straight lines between what was taken. */
    private static double[] overABeat(double[] drive, double[] output) {
        int[] order = IntStream.range(0, drive.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> drive[i]))
                .mapToInt(Integer::intValue)
                .toArray();
        double peak = Trace.peak(drive);
        double[] rising = new double[POINTS];
        for (int k = 0; k < POINTS; k++) {
            rising[k] = near(drive, output, order, peak * Beat.drive(k, POINTS));
        }
        return rising;
    }

    /** Returns the mean output of the drives next to one, scaled to it. */
    private static double near(double[] drive, double[] output, int[] order, double wanted) {
        int at = 0;
        while (at < order.length - 1 && drive[order[at]] < wanted) {
            at++;
        }
        double in = 0;
        double out = 0;
        for (int i = Math.max(0, at - 2); i <= Math.min(order.length - 1, at + 2); i++) {
            in += drive[order[i]];
            out += output[order[i]];
        }
        return in > 0 ? out / in * wanted : 0;
    }

    private static double splitShare(double[] drive, double[] output) {
        double peak = Trace.peak(drive);
        double[] in = new double[2];
        double[] out = new double[2];
        for (int i = 1; i < drive.length - 1; i++) {
            double share = drive[i] / peak;
            if (share > MIDDLE_FROM && share < MIDDLE_TO) {
                int side = drive[i + 1] > drive[i - 1] ? 0 : 1;
                in[side] += drive[i];
                out[side] += output[i];
            }
        }
        if (in[0] <= 0 || in[1] <= 0 || out[1] <= 0) {
            return 0;
        }
        return (out[0] / in[0]) / (out[1] / in[1]) - 1;
    }
}
