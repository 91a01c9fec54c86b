package org.tubrin.core.scope;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What a waveform check expects.
 *
 * @param driveW what the exciter sends into the load, and then into the amplifier, at its peaks, 0.001 to 500 W
 * @param outputW what the amplifier is to bring, 0.01 to 10 000 W
 */
public record ScopePlan(double driveW, double outputW) {
    public static final double LEAST_DRIVE_W = 1e-3;
    public static final double MOST_DRIVE_W = 500;
    public static final double LEAST_OUTPUT_W = 0.01;
    public static final double MOST_OUTPUT_W = 1e4;

    public ScopePlan {
        new Checks()
                .range("driveW", driveW, LEAST_DRIVE_W, MOST_DRIVE_W, Unit.WATT)
                .range("outputW", outputW, LEAST_OUTPUT_W, MOST_OUTPUT_W, Unit.WATT)
                .done();
    }

    /** Returns the power to expect at the peaks of a look, in watts. */
    public double expectedW(Look look) {
        return look.amplifies() ? outputW : driveW;
    }
}
