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

    /** Returns the law of some rows with one number of modules; empty without rows. */
    public static Optional<SupplyLaw> of(List<SupplyRow> rows) {
        return rows.stream()
                .map(SupplyLaw::perSquareVolt)
                .reduce(Quantity::plus)
                .map(sum -> new SupplyLaw(sum.scaled(1.0 / rows.size())));
    }

    private static Quantity perSquareVolt(SupplyRow row) {
        return row.outputW().over(row.supplyV().times(row.supplyV(), Unit.ONE), Unit.ONE);
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
     * empty where that is less than a tenth, or within what is left open, or where there is one row only.
     */
    public static Optional<Quantity> departure(List<SupplyRow> rows) {
        if (rows.size() < 2) {
            return Optional.empty();
        }
        Quantity share = perSquareVolt(rows.get(rows.size() - 1)).over(perSquareVolt(rows.get(0)), Unit.ONE);
        return Optional.of(share).filter(one -> Math.abs(one.value() - 1) > Math.max(WORTH_SAYING, one.halfWidth95()));
    }
}
