package org.tubrin.core.station;

/** Modes that an exciter keeps a power for. */
public enum Mode {
    CW(false),
    SSB(false),
    AM(true),
    FM(true),
    RTTY(true),
    DATA(true);

    private final boolean wideDuty;

    Mode(boolean wideDuty) {
        this.wideDuty = wideDuty;
    }

    /** Returns whether the carrier stands for long stretches, so that the output is to be reduced. */
    public boolean wideDuty() {
        return wideDuty;
    }

    /** Returns the share of its carrier in the peak envelope power: a quarter in AM at full modulation. */
    public double carrierShare() {
        return this == AM ? 0.25 : 1;
    }

    /** Returns whether it sends sound whose level is to be set. */
    public boolean takesSound() {
        return this == SSB || this == DATA;
    }

    /** Returns whether keying it gives a steady carrier to tune with. */
    public boolean givesCarrier() {
        return this == CW || this == RTTY || this == FM || this == AM;
    }
}
