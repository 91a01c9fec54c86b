package org.tubrin.core.metering;

import java.util.Optional;
import org.tubrin.core.quantity.Quantity;

/**
 * What a signal is whose power is read, and by what: what is shown is not always its mean power, nor its peak envelope power.
 *
 * <p>Source: two equal tones have a mean of half their PEP; a meter of average voltage that is calibrated on a carrier shows
 * {@code (2/π)²} of it.
 */
public enum Tones {
    /** A carrier: mean power and PEP are the same. */
    CARRIER(1, 1),
    /** Two equal tones on a meter of true average power. */
    TWO_TONE_AVERAGE_POWER(0.5, 0.5),
    /** Two equal tones on a meter of average voltage. */
    TWO_TONE_AVERAGE_VOLTAGE(4 / (Math.PI * Math.PI), 0.5);

    private final double shownOfPep;
    private final double meanOfPep;

    Tones(double shownOfPep, double meanOfPep) {
        this.shownOfPep = shownOfPep;
        this.meanOfPep = meanOfPep;
    }

    /**
     * Both powers of a signal.
     *
     * @param mean mean power in watts
     * @param pep peak envelope power in watts
     */
    public record Powers(Quantity mean, Quantity pep) {}

    /** Returns the powers of a signal of which a wattmeter shows so many watts. */
    public Powers shown(Quantity watts) {
        Quantity pep = watts.scaled(1 / shownOfPep);
        return new Powers(pep.scaled(meanOfPep), pep);
    }

    /** Returns the powers of a signal of which something was read that is worth so many watts of a carrier; empty for watts. */
    public Powers of(Optional<PowerEntry> read, Quantity watts) {
        if (read.isEmpty()) {
            return shown(watts);
        }
        return read.get().tellsRms()
                ? new Powers(watts, watts.scaled(1 / meanOfPep))
                : new Powers(watts.scaled(meanOfPep), watts);
    }
}
