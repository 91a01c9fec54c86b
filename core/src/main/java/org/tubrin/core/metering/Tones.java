package org.tubrin.core.metering;

import org.tubrin.core.quantity.Quantity;

/** What meters show of signals that are not a steady carrier, turned into peak envelope power. */
public enum Tones {
    /** A carrier: what is shown is PEP. */
    CARRIER(1),
    /** Two equal tones on a meter of true average power: half of PEP. */
    TWO_TONE_AVERAGE_POWER(0.5),
    /** Two equal tones on a meter of average voltage that is calibrated on a carrier: (2/π)² of PEP. */
    TWO_TONE_AVERAGE_VOLTAGE(4 / (Math.PI * Math.PI));

    private final double shareOfPep;

    Tones(double shareOfPep) {
        this.shareOfPep = shareOfPep;
    }

    /** Returns the peak envelope power of what is shown, in watts. */
    public Quantity pepW(Quantity shownW) {
        return shownW.scaled(1 / shareOfPep);
    }
}
