package org.tubrin.core.tank;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What an antenna shows at one frequency, at the station end of its line.
 *
 * @param frequencyHz 1000 Hz to 10 GHz
 * @param ohm resistance, 0.001 to 1e6 Ω
 * @param reactanceOhm −1e6 to 1e6 Ω
 */
public record ImpedancePoint(double frequencyHz, double ohm, double reactanceOhm) {
    public ImpedancePoint {
        new Checks()
                .range("frequencyHz", frequencyHz, 1e3, 1e10, Unit.HERTZ)
                .range("ohm", ohm, 1e-3, 1e6, Unit.OHM)
                .range("reactanceOhm", reactanceOhm, -1e6, 1e6, Unit.OHM)
                .done();
    }
}
