package org.tubrin.core.chain;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What is driven up.
 *
 * @param chain from the generator to the load, as it is thought to be
 * @param wantedW output at which it ends, 1e-6 to 10 000 W
 */
public record ChainPlan(Chain chain, double wantedW) {
    public ChainPlan {
        new Checks()
                .range("wantedW", wantedW, Power.LEAST_W, Power.MOST_W, Unit.WATT)
                .done();
    }
}
