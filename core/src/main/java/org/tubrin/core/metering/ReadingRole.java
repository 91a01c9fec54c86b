package org.tubrin.core.metering;

import org.tubrin.core.quantity.Unit;

/** What a reading is a reading of, in the order in which eyes go over the meters. */
public enum ReadingRole {
    /** Drive as a meter at the amplifier's input reads it. */
    INPUT_POWER(Unit.WATT),
    OUTPUT(Unit.WATT),
    /** The same power as a second wattmeter in the line shows it. */
    OTHER_OUTPUT(Unit.WATT),
    PLATE_CURRENT(Unit.AMPERE),
    GRID_CURRENT(Unit.AMPERE),
    SCREEN_CURRENT(Unit.AMPERE),
    PLATE_VOLTAGE(Unit.VOLT),
    REFLECTED(Unit.WATT),
    INPUT_SWR(Unit.ONE),
    /** What a box draws from its direct-current supply. */
    SUPPLY_CURRENT(Unit.AMPERE),
    SUPPLY_VOLTAGE(Unit.VOLT),
    HEAT_SINK(Unit.CELSIUS),
    /** What an exciter's own gauge of its level control shows, in its marks. */
    ALC_GAUGE(Unit.MARK),
    /** Drop over the resistor in the feed of all devices. */
    SENSE_VOLTAGE(Unit.VOLT),
    /** What one device draws, by an ammeter in its own feed. */
    DEVICE_CURRENT(Unit.AMPERE),
    GATE_VOLTAGE(Unit.VOLT),
    /** Drive at a gate, from peak to peak. */
    GATE_RF(Unit.VOLT),
    /** Volts over the load, from peak to peak. */
    OUTPUT_VPP(Unit.VOLT),
    /** Phase between volts and amperes of a line, in the marks of its meter to either side of the middle. */
    PHASE(Unit.MARK),
    /** Volts on a line, or marks of a meter that was scaled to agree. */
    LINE_VOLTAGE(Unit.VOLT),
    /** Amperes in it, or marks of the other meter. */
    LINE_CURRENT(Unit.AMPERE),
    /** How wide a signal is on the display of the exciter or of a receiver. */
    SIGNAL_WIDTH(Unit.HERTZ);

    private final Unit unit;

    ReadingRole(Unit unit) {
        this.unit = unit;
    }

    /** Returns the unit of its value in the core. */
    public Unit unit() {
        return unit;
    }

    /** Returns whether the value may be negative: screen current runs either way, and phase has two sides. */
    public boolean mayBeNegative() {
        return this == SCREEN_CURRENT || this == PHASE;
    }
}
