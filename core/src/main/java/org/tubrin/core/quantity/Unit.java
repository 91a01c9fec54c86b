package org.tubrin.core.quantity;

/** Unit of a {@link Quantity}: SI base and derived units without prefixes, and the few that the field counts in. */
public enum Unit {
    WATT,
    AMPERE,
    VOLT,
    OHM,
    FARAD,
    HENRY,
    HERTZ,
    SECOND,
    METRE,
    SQUARE_METRE,
    KILOGRAM,
    COULOMB,
    JOULE,
    CELSIUS,
    DECIBEL,
    /** A plain ratio; 0.61 is shown as 61 %. */
    ONE,
    /** A mark of a dial's printed scale. */
    MARK
}
