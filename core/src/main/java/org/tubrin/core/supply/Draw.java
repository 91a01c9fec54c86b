package org.tubrin.core.supply;

import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Envelope;

/**
 * What a set draws while it transmits in a mode.
 *
 * <p>Method: the profile at each level of the mode's envelope, summed over its share of the time. The current of class B
 * follows the envelope and not its square, so the mean current is more than the mean power would suggest. Source: {@link
 * Envelope}.
 *
 * @param peakA at peak envelope power
 * @param averageA over a transmission
 * @param outputW mean output over a transmission
 */
public record Draw(Quantity peakA, Quantity averageA, double outputW) {

    /** Returns the draw of a profile in a mode at a peak envelope power in watts. */
    public static Draw of(CurrentProfile profile, Envelope envelope, double peakEnvelopeW) {
        Quantity average = Quantity.exact(0, Unit.AMPERE, Standing.COMPUTED);
        for (Envelope.Level level : envelope.levels()) {
            average = average.plus(
                    profile.currentA(level.powerShare() * peakEnvelopeW).scaled(level.timeShare()));
        }
        return new Draw(profile.currentA(peakEnvelopeW), average, envelope.meanPowerShare() * peakEnvelopeW);
    }

    /** Returns the heat that the set makes on average over a transmission, at a voltage in volts. */
    public Quantity heatW(double voltageV) {
        return averageA.times(Quantity.exact(voltageV, Unit.VOLT, Standing.MEASURED), Unit.WATT)
                .minus(Quantity.exact(outputW, Unit.WATT, Standing.COMPUTED));
    }
}
