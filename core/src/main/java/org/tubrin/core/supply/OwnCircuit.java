package org.tubrin.core.supply;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.station.Mains;

/**
 * The circuit that a large amplifier asks for.
 *
 * <p>Method: the least breaker that is sold whose continuous share bears the current at full output. Source: customary; local
 * code decides.
 *
 * @param breakerA the least that serves; absent where none that is sold does
 * @param halfVoltageV half the voltage that it is made for
 * @param halfVoltageA what it would draw at half the voltage, for the same power
 */
public record OwnCircuit(Optional<Double> breakerA, double halfVoltageV, double halfVoltageA) {
    private static final List<Double> SOLD_A =
            List.of(10.0, 13.0, 15.0, 16.0, 20.0, 25.0, 30.0, 32.0, 40.0, 50.0, 63.0);

    /** Returns the circuit for an amplifier's mains, of which a share may stand for hours, 0.3 to 1. */
    public static OwnCircuit of(Mains mains, double continuousShare) {
        return new OwnCircuit(
                SOLD_A.stream()
                        .filter(breaker -> continuousShare * breaker >= mains.currentAcRmsA())
                        .findFirst(),
                mains.voltageAcRmsV() / 2,
                2 * mains.currentAcRmsA());
    }
}
