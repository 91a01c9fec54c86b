package org.tubrin.server.words;

import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;

/** Powers and voltages that go over many decades, in the unit in which one says them. */
public final class Levels {
    private static final String THIN = "\u2009";
    private static final double MILLI = 1e-3;
    private static final double MICRO = 1e-6;
    private static final int WATT_DECIMALS = 2;

    private Levels() {}

    /** Returns a power in W, mW or µW, with three figures. */
    public static String watts(double watt) {
        if (watt < MILLI) {
            return three(watt / MICRO) + THIN + "µW";
        }
        return watt < 1 ? three(watt / MILLI) + THIN + "mW" : three(watt) + THIN + "W";
    }

    /** Returns a power in W or mW with its 95 % interval. */
    public static String watts(Quantity watt) {
        return watt.value() < 1 ? watts(watt, MILLI, "mW") : watts(watt, 1, "W");
    }

    private static String watts(Quantity watt, double inUnit, String symbol) {
        return Figures.of(watt, inUnit, symbol, WATT_DECIMALS).withUncertainty() + THIN + symbol;
    }

    /** Returns a voltage in V or mV, with three figures. */
    public static String volts(double volts) {
        return volts < 1 ? three(volts / ScaleUnit.MV.inUnit()) + THIN + "mV" : three(volts) + THIN + "V";
    }

    private static String three(double value) {
        return Figures.plain(value, value < 10 ? 2 : value < 100 ? 1 : 0);
    }
}
