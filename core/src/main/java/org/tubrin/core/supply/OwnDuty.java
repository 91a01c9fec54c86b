package org.tubrin.core.supply;

import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;

/**
 * The share of the time that a set really transmits at its peak, from the average current that it was seen to draw.
 *
 * <p>Method: {@code (average − idle)/(peak − idle)} with what the set draws keyed without output and at its peak. Source: our own.
 * Valid: for what is on and off; for speech it is the share of a carrier that would draw as much.
 */
public final class OwnDuty {
    private OwnDuty() {}

    /**
     * Returns that share.
     *
     * @param profile of the set
     * @param peakEnvelopeW above 0
     * @param averageA as read over some minutes of transmission
     */
    public static Quantity of(CurrentProfile profile, double peakEnvelopeW, Quantity averageA) {
        Quantity idle = profile.currentA(0);
        return averageA.minus(idle).over(profile.currentA(peakEnvelopeW).minus(idle), Unit.ONE);
    }
}
