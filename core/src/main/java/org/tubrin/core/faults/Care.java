package org.tubrin.core.faults;

/** What is dangerous about a check or about putting a cause right. */
public enum Care {
    NONE(0),
    /** Power is on the line: covers closed, into the load, no longer than needed. */
    KEYED(1),
    /** Parts that were hot a moment ago. */
    HOT(2),
    /** Inside the amplifier: thousands of volts that outlast the plug. */
    HIGH_VOLTAGE(15),
    /** Wiring of the mains: for licensed people. */
    MAINS(10);

    private final double minutes;

    Care(double minutes) {
        this.minutes = minutes;
    }

    /** Returns the minutes of harmless work that one would rather do first. */
    public double asMinutes() {
        return minutes;
    }
}
