package org.tubrin.core.metering;

import org.tubrin.core.quantity.Unit;

/** Unit printed on a meter's scale. */
public enum ScaleUnit {
    W("W", Unit.WATT, 1),
    KW("kW", Unit.WATT, 1e3),
    A("A", Unit.AMPERE, 1),
    MA("mA", Unit.AMPERE, 1e-3),
    V("V", Unit.VOLT, 1),
    MV("mV", Unit.VOLT, 1e-3),
    KV("kV", Unit.VOLT, 1e3),
    C("°C", Unit.CELSIUS, 1),
    ONE("", Unit.ONE, 1),
    /** Marks, bars or decibels of a gauge that counts in its own. */
    MARKS("marks", Unit.MARK, 1),
    HZ("Hz", Unit.HERTZ, 1);

    private final String symbol;
    private final Unit unit;
    private final double inUnit;

    ScaleUnit(String symbol, Unit unit, double inUnit) {
        this.symbol = symbol;
        this.unit = unit;
        this.inUnit = inUnit;
    }

    /** Returns the symbol as printed, such as mA. */
    public String symbol() {
        return symbol;
    }

    /** Returns the unit of the core that it measures. */
    public Unit unit() {
        return unit;
    }

    /** Returns how many of the core's unit one of this is. */
    public double inUnit() {
        return inUnit;
    }
}
