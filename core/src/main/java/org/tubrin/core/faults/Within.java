package org.tubrin.core.faults;

/** Which amplifiers have a cause. */
public enum Within {
    ANY,
    TUBES,
    TRANSISTORS;

    /** Returns whether something of this kind can be in an amplifier of a kind; one that is not known may have all. */
    public boolean canBeIn(Within amplifier) {
        return this == ANY || amplifier == ANY || this == amplifier;
    }
}
