package org.tubrin.bench;

import java.util.Locale;
import java.util.Random;
import java.util.StringJoiner;
import java.util.function.DoubleUnaryOperator;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.tank.Mismatch;

/** A scope over the load and at the amplifier's input, in peak detection: what it takes in one sweep. */
public final class ScopeTap {
    private static final int COLUMNS = 200;
    /** From one peak of two tones to the next. */
    private static final double BEAT_HZ = 1000;
    /** Noise of a column, as a share of the peak. */
    private static final double NOISE_SHARE = 0.004;
    /** What an exciter bends of its own tones. */
    private static final double EXCITER_BEND = 0.03;
    /** Ripple of a supply on twice the mains. */
    private static final double RIPPLE_HZ = 100;

    private static final double OWN_RIPPLE_SHARE = 0.006;

    private final Random random;
    private double spanS = 3e-3;
    private double probeShare = 1;
    private double humShare = OWN_RIPPLE_SHARE;

    public ScopeTap(Random random) {
        this.random = random;
    }

    double spanS() {
        return spanS;
    }

    /** Sets the time from its left to its right end, in seconds. */
    public void spanS(double seconds) {
        spanS = seconds;
    }

    public double probeShare() {
        return probeShare;
    }

    /** Sets what it shows of the volts that are there: 1 but where a probe's ratio is set wrong. */
    public void probeShare(double share) {
        probeShare = share;
    }

    double humShare() {
        return humShare;
    }

    /** Sets by how much the supply makes the output breathe, lowest to highest. */
    public void humShare(double share) {
        humShare = share;
    }

    /** What is at the scope's channels. */
    public record Signal(
            double driveW, double outputW, double loadOhm, boolean hasTones, DoubleUnaryOperator amplifier) {}

    /** Returns one sweep: its span, then for each column lowest and highest volts over the load and the greatest at the input. */
    public String sweep(Signal signal, double gain) {
        double begins = random.nextDouble();
        double outputPeakV = PowerEntry.voltageV(signal.outputW(), signal.loadOhm(), PowerEntry.Form.PK);
        double drivePeakV = PowerEntry.voltageV(signal.driveW(), Mismatch.LINE_OHM, PowerEntry.Form.PK);
        double whole = signal.amplifier().applyAsDouble(sent(1));
        StringJoiner line = new StringJoiner(",");
        line.add(number(spanS));
        for (int i = 0; i < COLUMNS; i++) {
            double t = spanS * i / COLUMNS;
            double tones = signal.hasTones() ? Math.abs(Math.cos(Math.PI * (BEAT_HZ * t + begins))) : 1;
            double breath = 1 + humShare / 2 * Math.sin(2 * Math.PI * (RIPPLE_HZ * t + begins));
            double share = whole > 0 ? signal.amplifier().applyAsDouble(sent(tones)) / whole : 0;
            double volts = gain * outputPeakV * share * breath;
            line.add(number(-volts + noise(outputPeakV)));
            line.add(number(volts + noise(outputPeakV)));
            line.add(number(Math.abs(gain * drivePeakV * sent(tones) / sent(1) + noise(drivePeakV))));
        }
        return line.toString();
    }

    private static double sent(double tones) {
        return tones * (1 - EXCITER_BEND * tones * tones);
    }

    private double noise(double peakV) {
        return NOISE_SHARE * peakV * random.nextGaussian();
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.5g", value);
    }
}
