package org.tubrin.core.run;

/** What the operator can set. */
public enum Control {
    PLATE,
    LOAD,
    /** The exciter's power at the amplifier's input, in watts. */
    DRIVE
}
