package org.tubrin.core.metering;

import java.time.Instant;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What a comparison with a better instrument found of one range of a power meter: {@code √P = gain·√Praw + lowEnd}. The low
 * end is what a diode drops and a plain meter does not have.
 *
 * @param at when it was found
 * @param range name of the range
 * @param gain of the voltage, 0.3 to 3
 * @param gainUncertainty standard, 0 to 1
 * @param lowEndRootW in √W, −20 to 20
 * @param lowEndUncertaintyRootW standard, 0 to 20 √W
 * @param correlation of the two, −1 to 1
 * @param reference name of what it was compared with
 */
public record Correction(
        Instant at,
        String range,
        double gain,
        double gainUncertainty,
        double lowEndRootW,
        double lowEndUncertaintyRootW,
        double correlation,
        String reference) {
    public Correction {
        new Checks()
                .name("range", range)
                .range("gain", gain, 0.3, 3, Unit.ONE)
                .range("gainUncertainty", gainUncertainty, 0, 1, Unit.ONE)
                .range("lowEndRootW", lowEndRootW, -20, 20, Unit.ONE)
                .range("lowEndUncertaintyRootW", lowEndUncertaintyRootW, 0, 20, Unit.ONE)
                .range("correlation", correlation, -1, 1, Unit.ONE)
                .name("reference", reference)
                .done();
    }

    /** Returns the power that a raw reading in watts stands for, in watts. */
    public double corrected(double rawW) {
        double root = root(rawW);
        return root * root;
    }

    private double root(double rawW) {
        return Math.max(0, gain * Math.sqrt(Math.max(0, rawW)) + lowEndRootW);
    }

    /** Returns the standard uncertainty that the comparison leaves of it, in watts. */
    public double standardUncertainty(double rawW) {
        double raw = Math.sqrt(Math.max(0, rawW));
        double square = raw * raw * gainUncertainty * gainUncertainty
                + lowEndUncertaintyRootW * lowEndUncertaintyRootW
                + 2 * raw * correlation * gainUncertainty * lowEndUncertaintyRootW;
        return 2 * root(rawW) * Math.sqrt(Math.max(0, square));
    }
}
