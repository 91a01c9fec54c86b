package org.tubrin.core.resonance;

/** What tells how far an antenna is off resonance. */
public enum Witness {
    /** A phase meter: divisions from its middle, of which the sign tells the side. */
    PHASE(0.3, 1),
    /** Volts over amperes against what they come to at a match: what is above is the mismatch, as a share, on either side. */
    VOLTS_OVER_AMPERES(0.03, 0.10);

    private final double leave;
    private final double alarm;

    Witness(double leave, double alarm) {
        this.leave = leave;
        this.alarm = alarm;
    }

    /** Returns up to which departure the motor is left alone, in its own measure. */
    public double leave() {
        return leave;
    }

    /** Returns beyond which departure an alarm is due: one division, or 10 %. */
    public double alarm() {
        return alarm;
    }

    /** Returns whether the departure changes its sign at resonance. */
    public boolean hasSide() {
        return this == PHASE;
    }
}
