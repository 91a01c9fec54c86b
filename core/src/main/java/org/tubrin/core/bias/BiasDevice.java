package org.tubrin.core.bias;

import java.util.Optional;
import org.tubrin.core.quantity.Quantity;

/**
 * Where a device came to.
 *
 * @param number from 1
 * @param currentA its own current, as read last
 * @param gateV its gate voltage then; empty where not read
 * @param amperesPerTurn what a turn of its pot does there; empty where the pot's place is not known
 */
public record BiasDevice(int number, Quantity currentA, Optional<Double> gateV, Optional<Double> amperesPerTurn) {
    /** Returns whether it is within what an idle current may be off. */
    public boolean isWithin(BiasPlan plan) {
        return Math.abs(currentA.value() / plan.idleA() - 1) <= BiasPlan.TOLERANCE;
    }
}
