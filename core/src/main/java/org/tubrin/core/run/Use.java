package org.tubrin.core.run;

/** What the dials of a run are for. */
public enum Use {
    /** Full drive, as speech and CW need it. */
    SPEECH_AND_CW,
    /** An output that stands long, as in data modes, RTTY and FM: less of it, at dials of its own. */
    LONG_CARRIER
}
