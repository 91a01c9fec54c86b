package org.tubrin.core.metering;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * One range of a meter.
 *
 * @param name as on the switch
 * @param fullScale end of the scale in the core's unit, 0.001 to 100 000
 */
public record MeterRange(String name, double fullScale) {
    public MeterRange {
        new Checks()
                .name("name", name)
                .range("fullScale", fullScale, 1e-3, 1e5, Unit.ONE)
                .done();
    }
}
