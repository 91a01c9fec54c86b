package org.tubrin.core.advice;

/** A danger at the place where it is. */
public enum Caution {
    HIGH_VOLTAGE,
    HOT_LOAD,
    HOT_TUBES,
    BAND_SWITCH_UNKEYED,
    RF_EXPOSURE,
    LICENCE,
    /** The exciter gives less in the mode of the carrier than the amplifier takes. */
    CARRIER_SHORT,
    /** The exciter cannot go as low as a climb should begin. */
    BEGINS_HIGH,
    MAKER_WINS,
    /** A pot that is up when the supply comes on takes its device. */
    POTS_BEFORE_POWER,
    /** What is too much for a probe or an input. */
    SCOPE_VOLTS,
    /** Without it loading that is too light is not seen. */
    GRID_UNREAD,
    /** Without it neither heat nor efficiency is known. */
    PLATE_UNREAD,
    /** At the far end of a loaded antenna stand thousands of volts. */
    ANTENNA_VOLTS
}
