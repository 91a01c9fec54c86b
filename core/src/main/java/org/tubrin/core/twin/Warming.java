package org.tubrin.core.twin;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * Something that warms in first order: a tube's plate, a heat sink, a dummy load.
 *
 * <p>Method: {@code T' = (Tamb + P·R − T)/τ}, solved in closed form for constant power. Valid where one time constant
 * governs.
 *
 * @param resistanceKPerW rise at rest per watt, 0.001 to 10 K/W
 * @param timeConstantS 0.1 to 100 000 s
 */
public record Warming(double resistanceKPerW, double timeConstantS) {
    public Warming {
        new Checks()
                .range("resistanceKPerW", resistanceKPerW, 1e-3, 10, Unit.ONE)
                .range("timeConstantS", timeConstantS, 0.1, 1e5, Unit.SECOND)
                .done();
    }

    /** Returns the rise above the surroundings after so many seconds of a power in watts, from a rise in kelvin. */
    public double riseK(double fromK, double powerW, double seconds) {
        double finalK = powerW * resistanceKPerW;
        return finalK + (fromK - finalK) * Math.exp(-seconds / timeConstantS);
    }

    /**
     * Returns the share of its emission that a heater gives so many seconds after it was switched on.
     *
     * <p>Method: nothing for the first third of the warm-up, then a first-order rise to 99 % at its end. Source: our own
     * shape of published warm-up curves.
     */
    public static double emission(double heaterOnS, double warmUpS) {
        double dark = warmUpS / 3;
        if (warmUpS <= 0) {
            return 1;
        }
        return heaterOnS <= dark ? 0 : 1 - Math.exp(-4.6 * (heaterOnS - dark) / (warmUpS - dark));
    }
}
