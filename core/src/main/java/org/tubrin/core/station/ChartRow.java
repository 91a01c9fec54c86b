package org.tubrin.core.station;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * The maker's starting dials for a band.
 *
 * @param band the band
 * @param plate PLATE position on the amplifier's scale
 * @param load LOAD position on the amplifier's scale
 */
public record ChartRow(Band band, double plate, double load) {
    public ChartRow {
        new Checks()
                .range("plate", plate, -1000, 2000, Unit.MARK)
                .range("load", load, -1000, 2000, Unit.MARK)
                .done();
    }
}
