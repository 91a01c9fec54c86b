package org.tubrin.core.bias;

import java.util.Optional;
import org.tubrin.core.quantity.Quantity;

/**
 * One reading of a bias climb.
 *
 * @param currentA through the sense resistor, all together; or of the device that the ammeter is in
 * @param gateV its gate voltage, where read
 * @param potTurns where its pot stands from its minimum, where known
 */
public record BiasPoint(Quantity currentA, Optional<Double> gateV, Optional<Double> potTurns) {
    double amperes() {
        return currentA.value();
    }
}
