package org.tubrin.core.supply;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * Silicon diodes in series with a set that wants less voltage than its supply gives.
 *
 * <p>Method: {@code V = 0.7 V + 0.1 V·log10(I/0.1 A)} a diode, held between 0.6 and 1.1 V. Source: customary, 0.7 to 1 V; the slope
 * is ours.
 *
 * @param count 1 to 6
 */
public record SeriesDiodes(int count) {
    private static final double LEAST_V = 0.6;
    private static final double MOST_V = 1.1;

    public SeriesDiodes {
        new Checks().range("count", count, 1, 6, Unit.ONE).done();
    }

    /** Returns what they take off at a current in amperes, above 0. */
    public double dropV(double currentA) {
        double one = 0.7 + 0.1 * Math.log10(currentA / 0.1);
        return count * Math.max(LEAST_V, Math.min(MOST_V, one));
    }

    /** Returns the heat of each at a current in amperes. */
    public double heatEachW(double currentA) {
        return dropV(currentA) / count * currentA;
    }
}
