package org.tubrin.core.run;

import org.tubrin.core.quantity.Unit;

/** What the operator can set. */
public enum Control {
    PLATE(Unit.MARK),
    LOAD(Unit.MARK),
    /** The exciter's power at the amplifier's input, in watts. */
    DRIVE(Unit.WATT),
    /** Tone into the exciter, in hertz. */
    TONE(Unit.HERTZ),
    /** Slider of the sound path, as a share of its way. */
    LEVEL(Unit.ONE),
    /** Which transistor is taken up, from 1; 0 for none or all. */
    DEVICE(Unit.ONE),
    /** Its bias pot, in turns from its minimum. */
    POT(Unit.ONE),
    /** Whether the power amplifier is on: 0 or 1. */
    POWER_AMPLIFIER(Unit.ONE),
    /** Whether the matcher is in line: 0 or 1. */
    MATCHER(Unit.ONE),
    /** Attenuator behind a generator, in decibels. */
    ATTENUATOR(Unit.DECIBEL),
    /** What a scope is looked at for, by the place of a look, from 1. */
    LOOK(Unit.ONE),
    /** Voltage of the supply of a stage that switches. */
    SUPPLY(Unit.VOLT),
    /** How many of its modules are switched in. */
    MODULES(Unit.ONE),
    /** Motor of an antenna, in short steps from where it stood at first. */
    MOTOR(Unit.ONE),
    /** Whether two wattmeters in the line have changed places: 0 or 1. */
    WATTMETERS(Unit.ONE);

    private final Unit unit;

    Control(Unit unit) {
        this.unit = unit;
    }

    /** Returns the unit of its position. */
    public Unit unit() {
        return unit;
    }
}
