package org.tubrin.server.run;

/** Codes of the moves, as the page sees them. */
public enum MoveCode {
    ANSWER,
    SWITCH_HEATERS_ON,
    WAIT_FOR_WARMTH,
    SET_DIALS,
    TURN,
    SWITCH_RANGE,
    REST,
    KEY_AND_PEAK,
    PEAK_AND_READ,
    KEY_AND_READ,
    SWITCH_AND_READ,
    READ_OFF,
    ADJUST,
    TURN_DOWN,
    HOLD,
    LEAVE_ALONE,
    UNKEY,
    ENTER_READINGS,
    SETTLE_DOUBT,
    TELL_SHAPE,
    ENTER_POSITION,
    WORK_THROUGH,
    RECORD_STEP,
    WRITE_DOWN,
    DONE
}
