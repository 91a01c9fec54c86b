package org.tubrin.core.scope;

/** What the output looks like over the drive. */
public enum Trapezoid {
    STRAIGHT,
    /** Bent in at the wide end: the amplifier flattens. */
    BENT_AT_TOP,
    /** Bent at the tip: too little bias. */
    BENT_AT_TIP,
    /** Two lines a side: rising and falling drive bring different outputs. */
    SPLIT
}
