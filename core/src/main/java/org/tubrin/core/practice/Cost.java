package org.tubrin.core.practice;

/** What costs tubes, contacts, time or points. */
public enum Cost {
    KEYED_COLD,
    GRID_BEYOND,
    PLATE_BEYOND,
    SCREEN_BEYOND,
    LICENCE_BEYOND,
    PLATES_TOO_HOT,
    TRIPPED,
    ARC,
    WRONG_BAND,
    BAND_TURNED_KEYED,
    MATCHED_WITH_AMPLIFIER,
    KEYED_TOO_LONG,
    RESTED_TOO_SHORT,
    /** What was named is not wrong. */
    NAMED_WRONGLY
}
