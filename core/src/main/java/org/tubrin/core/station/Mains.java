package org.tubrin.core.station;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What an amplifier asks of the mains.
 *
 * @param voltageAcRmsV 90 to 480 V
 * @param currentAcRmsA at full output, 0.1 to 100 A
 */
public record Mains(double voltageAcRmsV, double currentAcRmsA) {
    public Mains {
        new Checks()
                .range("voltageAcRmsV", voltageAcRmsV, 90, 480, Unit.VOLT)
                .range("currentAcRmsA", currentAcRmsA, 0.1, 100, Unit.AMPERE)
                .done();
    }
}
