package org.tubrin.core.quantity;

/** What is wrong with an input or a request. Each code has a message and a remedy in the catalogue of words. */
public enum ProblemCode {
    OUT_OF_RANGE,
    MISSING,
    NOT_A_NUMBER,
    NEGATIVE,
    WRONG_UNIT,
    TOO_LONG,
    TEXT_LENGTH,
    UNKNOWN_NAME,
    DUPLICATE,
    MALFORMED,
    UNKNOWN_FIELD,
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
    BEYOND_EXCITER,
    UNSUPPORTED_VERSION,
    RUN_CORRUPT
}
