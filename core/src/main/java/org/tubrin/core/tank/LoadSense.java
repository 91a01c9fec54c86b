package org.tubrin.core.tank;

/** Which way the number on the LOAD dial goes for heavier coupling. */
public enum LoadSense {
    /** A higher number is less capacitance: heavier. */
    MORE_IS_HEAVIER(1),
    /** A higher number is more capacitance: lighter. */
    MORE_IS_LIGHTER(-1);

    private final int heavierSign;

    LoadSense(int heavierSign) {
        this.heavierSign = heavierSign;
    }

    /** Returns +1 where a heavier setting has the higher number, else −1. */
    public int heavierSign() {
        return heavierSign;
    }
}
