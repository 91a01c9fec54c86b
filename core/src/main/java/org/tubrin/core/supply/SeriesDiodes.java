package org.tubrin.core.supply;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * Silicon diodes in series with a set that wants less voltage than its supply gives.
 *
 * <p>Method: {@code V = 0.7 V + 0.1 V·log10(I/0.1 A)} a diode, held between 0.6 and 1.1 V, all of them alike to
 * a tenth. Source: customary, 0.7 to 1 V; the slope is ours.
 *
 * @param count 1 to 6
 */
public record SeriesDiodes(int count) {
    private static final double LEAST_V = 0.6;
    private static final double MOST_V = 1.1;
    /** Standard uncertainty of the drop, as a share. */
    private static final double DROP_SHARE = 0.1;

    public SeriesDiodes {
        new Checks().range("count", count, 1, 6, Unit.ONE).done();
    }

    /** Returns what they take off at a current in amperes, above 0. */
    public Quantity dropV(double currentA) {
        double one = 0.7 + 0.1 * Math.log10(currentA / 0.1);
        double dropV = count * Math.max(LEAST_V, Math.min(MOST_V, one));
        return Quantity.of(
                dropV, Unit.VOLT, Standing.ASSUMED, new ErrorSource("diodes", "drop", ""), DROP_SHARE * dropV);
    }

    /** Returns the heat of each at a current in amperes. */
    public Quantity heatEachW(double currentA) {
        Quantity ampere = Quantity.exact(currentA / count, Unit.AMPERE, Standing.ASSUMED);
        return dropV(currentA).times(ampere, Unit.WATT);
    }
}
