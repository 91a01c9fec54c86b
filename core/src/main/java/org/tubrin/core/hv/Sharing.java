package org.tubrin.core.hv;

/**
 * How a bank shares its voltage in the worst case, and what its resistors bear.
 *
 * <p>Method: one capacitor without leakage and with the largest resistor, all others with the spread of leakage and the
 * smallest; the current of the string is the same through each. The largest resistor that still equalises is {@code
 * R ≤ (n·Vm − Vb)/((n−1)·ΔI)}. Source: customary rule of makers of electrolytic capacitors; the worst case with tolerance is
 * our own, {@code docs/derivations/worst-sharing.md}.
 *
 * @param evenV of each, if all were alike
 * @param worstV of the worst one
 * @param worstShare of what one bears
 * @param mostResistorOhm the largest resistor that keeps every capacitor within its rating; 0 where none does, infinite where
 *     none is needed
 * @param resistorHeatW of the hottest resistor
 * @param resistorShare of what one bears; at most half is customary
 */
public record Sharing(
        double evenV,
        double worstV,
        double worstShare,
        double mostResistorOhm,
        double resistorHeatW,
        double resistorShare) {

    /** Returns how a bank shares a voltage. */
    public static Sharing of(Bank bank, double voltageV) {
        double high = bank.resistorOhm() * (1 + bank.resistorTolerance());
        double low = bank.resistorOhm() * (1 - bank.resistorTolerance());
        int others = bank.count() - 1;
        double currentA = (voltageV + others * bank.leakSpreadA() * low) / (high + others * low);
        double worstV = Math.max(0, Math.min(voltageV, currentA * high));
        double evenV = voltageV / bank.count();
        double heatW = worstV * worstV / high;
        return new Sharing(
                evenV,
                worstV,
                worstV / bank.eachRatedV(),
                mostResistorOhm(bank, voltageV),
                heatW,
                heatW / bank.resistorRatedW());
    }

    private static double mostResistorOhm(Bank bank, double voltageV) {
        double spareV = bank.count() * bank.eachRatedV() - voltageV;
        if (spareV <= 0) {
            return 0;
        }
        double unlikeA = (bank.count() - 1) * bank.leakSpreadA();
        return unlikeA > 0 ? spareV / unlikeA : Double.POSITIVE_INFINITY;
    }
}
