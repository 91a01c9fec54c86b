package org.tubrin.core.tank;

import java.util.OptionalDouble;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * Capacitance of a variable capacitor over its dial.
 *
 * <p>Method: {@code C = fixed + span·x^exponent}, {@code x} the share of the scale from the end of least capacitance. Source:
 * our own; an exponent of 1 is a straight-line-capacitance plate shape, above 1 spreads the end of small capacitance.
 *
 * @param fixedF least capacitance with strays and the tube's own, 1e-12 to 1e-8 F
 * @param spanF what turning adds, 1e-12 to 1e-7 F
 * @param exponent 0.3 to 4
 * @param risesWithDial whether a higher number is more capacitance
 * @param gapPeakV peak voltage that its gap stands, 50 to 50 000 V; absent where unknown
 */
public record CapacitorLaw(
        double fixedF, double spanF, double exponent, boolean risesWithDial, OptionalDouble gapPeakV) {
    public CapacitorLaw {
        new Checks()
                .range("fixedF", fixedF, 1e-12, 1e-8, Unit.FARAD)
                .range("spanF", spanF, 1e-12, 1e-7, Unit.FARAD)
                .range("exponent", exponent, 0.3, 4, Unit.ONE)
                .range("gapPeakV", gapPeakV, 50, 50_000, Unit.VOLT)
                .done();
    }

    /** Returns the capacitance in farads at a position, which is stopped at the ends of the dial. */
    public double capacitanceF(Dial dial, double position) {
        double share = (dial.clamp(position) - dial.least()) / (dial.most() - dial.least());
        return fixedF + spanF * Math.pow(risesWithDial ? share : 1 - share, exponent);
    }

    /** Returns the position that gives a capacitance, or the nearer end of the dial. */
    public double position(Dial dial, double capacitanceF) {
        double share = Math.pow(Math.min(1, Math.max(0, (capacitanceF - fixedF) / spanF)), 1 / exponent);
        return dial.least() + (dial.most() - dial.least()) * (risesWithDial ? share : 1 - share);
    }

    /** Returns the most that it reaches, in farads. */
    public double mostF() {
        return fixedF + spanF;
    }
}
