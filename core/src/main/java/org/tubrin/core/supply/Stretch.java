package org.tubrin.core.supply;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Envelope;

/**
 * A stretch of transmission within an operating pattern.
 *
 * @param box name of what transmits
 * @param fromS from the pattern's beginning, 0 to 86 400 s
 * @param lengthS 0.1 to 86 400 s
 * @param envelope of its mode
 * @param peakEnvelopeW 0 to 5000 W
 */
public record Stretch(String box, double fromS, double lengthS, Envelope envelope, double peakEnvelopeW) {
    public Stretch {
        new Checks()
                .name("box", box)
                .range("fromS", fromS, 0, 86_400, Unit.SECOND)
                .range("lengthS", lengthS, 0.1, 86_400, Unit.SECOND)
                .range("peakEnvelopeW", peakEnvelopeW, 0, 5000, Unit.WATT)
                .done();
    }

    /** Returns whether it transmits at a moment in seconds from the pattern's beginning. */
    boolean covers(double atS) {
        return atS >= fromS && atS < fromS + lengthS;
    }
}
