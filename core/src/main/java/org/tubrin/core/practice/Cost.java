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
    NAMED_WRONGLY;

    /** Returns whether it lasts; what does not is over at once. */
    public boolean lasts() {
        return switch (this) {
            case KEYED_COLD,
                    GRID_BEYOND,
                    PLATE_BEYOND,
                    SCREEN_BEYOND,
                    LICENCE_BEYOND,
                    PLATES_TOO_HOT,
                    WRONG_BAND,
                    KEYED_TOO_LONG -> true;
            case TRIPPED, ARC, BAND_TURNED_KEYED, MATCHED_WITH_AMPLIFIER, RESTED_TOO_SHORT, NAMED_WRONGLY -> false;
        };
    }
}
