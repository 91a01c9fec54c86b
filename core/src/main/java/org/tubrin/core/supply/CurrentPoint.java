package org.tubrin.core.supply;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A set's current as measured at one output, key down; at no output, keyed or listening.
 *
 * @param outputW 0 to 5000 W
 * @param currentA 0 to 200 A
 * @param currentUncertaintyA standard uncertainty, 0 to 20 A
 * @param outputUncertaintyW standard uncertainty, 0 to 500 W
 */
public record CurrentPoint(double outputW, double currentA, double currentUncertaintyA, double outputUncertaintyW) {
    public CurrentPoint {
        new Checks()
                .range("outputW", outputW, 0, 5000, Unit.WATT)
                .range("currentA", currentA, 0, 200, Unit.AMPERE)
                .range("currentUncertaintyA", currentUncertaintyA, 0, 20, Unit.AMPERE)
                .range("outputUncertaintyW", outputUncertaintyW, 0, 500, Unit.WATT)
                .done();
    }
}
