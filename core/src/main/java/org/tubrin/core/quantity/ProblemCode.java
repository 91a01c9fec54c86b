package org.tubrin.core.quantity;

/** What is wrong with an input or a request. Each code has a message and a remedy in the catalogue of words. */
public enum ProblemCode {
    OUT_OF_RANGE,
    MISSING,
    NOT_A_NUMBER,
    WRONG_KIND,
    BAD_CHARACTER,
    NEGATIVE,
    WRONG_UNIT,
    WRONG_SCALE,
    TOO_LONG,
    TEXT_LENGTH,
    UNKNOWN_NAME,
    DUPLICATE,
    /** A first station is told where there is none yet. */
    STATION_THERE,
    MALFORMED,
    UNKNOWN_FIELD,
    NO_COLUMN,
    RUN_ENDED,
    PREFLIGHT_OPEN,
    NOT_WARM,
    ALREADY_KEYED,
    NOT_KEYED,
    KEY_DOWN,
    STEP_INCOMPLETE,
    NO_STEP,
    NO_CHANNEL,
    NO_DIALS,
    HAS_DIALS,
    NEEDS_PEAK_METER,
    BEYOND_EXCITER,
    BENCH_AWAY,
    BENCH_REFUSES,
    NO_LIVE_READING,
    HOST_NOT_LISTED,
    NO_INSTRUMENT_PORT,
    NO_TWIN,
    TWIN_UNSETTLED,
    NO_SHEET_FIT,
    UNSUPPORTED_VERSION,
    UNSUPPORTED_EVENT,
    RUN_CORRUPT,
    NOT_TOUCHSTONE,
    /** Only JPEG pictures are kept. */
    NOT_A_PHOTO,
    NEEDS_LOAD,
    NEEDS_DUMMY_LOAD,
    /** It is about transistors, and the amplifier has none. */
    NEEDS_TRANSISTORS,
    /** It is about what an antenna does. */
    NEEDS_ANTENNA,
    /** The amplifier's record has no matcher. */
    NEEDS_MATCHER,
    /** A tube amplifier whose record has a twin. */
    NEEDS_TWIN,
    /** Exciter and pad bring less than the matcher needs. */
    SHORT_OF_MATCHER
}
