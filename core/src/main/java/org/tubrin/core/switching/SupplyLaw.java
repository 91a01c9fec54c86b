package org.tubrin.core.switching;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * Output of a stage that switches, into one load with one number of modules: {@code P = k·V²}.
 *
 * @param wattPerSquareVolt k, by all rows
 */
public record SupplyLaw(Quantity wattPerSquareVolt) {
    private static final double WORTH_SAYING = 0.1;

    /**
     * Returns the law of some rows with one number of modules, by least squares, {@code k = ΣPV²/ΣV⁴}: a meter is off by watts, which
     * say little of k at few volts; empty without rows.
     */
    public static Optional<SupplyLaw> of(List<SupplyRow> rows) {
        return rows.stream()
                .map(row -> row.outputW().times(squared(row), Unit.ONE))
                .reduce(Quantity::plus)
                .map(sum -> new SupplyLaw(sum.over(
                        rows.stream()
                                .map(row -> squared(row).times(squared(row), Unit.ONE))
                                .reduce(Quantity::plus)
                                .orElseThrow(),
                        Unit.ONE)));
    }

    private static Quantity squared(SupplyRow row) {
        return row.supplyV().times(row.supplyV(), Unit.ONE);
    }

    /** Returns the output at a supply voltage, in watts. */
    public Quantity outputW(double supplyV) {
        return wattPerSquareVolt.times(Quantity.exact(supplyV * supplyV, Unit.ONE, Standing.ASSUMED), Unit.WATT);
    }

    /** Returns the supply voltage for an output, in volts. */
    public Quantity supplyV(double outputW) {
        return Quantity.of(
                List.of(wattPerSquareVolt), Unit.VOLT, values -> Math.sqrt(outputW / Math.max(values[0], 1e-12)));
    }

    /**
     * Returns by how much the last row's output departs from what the first one's and the square of volts let expect, as a share;
     * empty where that is less than a tenth, or their 95 % intervals touch, or where fewer than two rows show any output.
     */
    public static Optional<Quantity> departure(List<SupplyRow> rows) {
        List<SupplyRow> told =
                rows.stream().filter(row -> row.outputW().value() > 0).toList();
        if (told.size() < 2) {
            return Optional.empty();
        }
        SupplyRow first = told.get(0);
        SupplyRow last = told.get(told.size() - 1);
        Quantity expectedW = first.outputW().times(squared(last).over(squared(first), Unit.ONE), Unit.WATT);
        // Watts, not their ratio: what a meter is off by at the first few watts makes any ratio likely.
        return Optional.of(last.outputW().over(expectedW, Unit.ONE))
                .filter(share -> last.outputW().isApartFrom(expectedW) && Math.abs(share.value() - 1) > WORTH_SAYING);
    }
}
