package org.tubrin.core.matcher;

import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;

/**
 * One key-down of the order.
 *
 * @param inputW forward power at the input of amplifier and matcher, above zero
 * @param outputW forward power behind them
 * @param swr at their input
 */
public record MatchPoint(Quantity inputW, Quantity outputW, Quantity swr) {
    /** Returns the output as a share of the input. */
    public Quantity share() {
        return outputW.over(inputW, Unit.ONE);
    }
}
