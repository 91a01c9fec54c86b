package org.tubrin.core.metering;

/** Whether all that a meter reads is seen at once. */
public enum MeterFace {
    /** A movement or a display for each. */
    ALL_AT_ONCE,
    /** One for all, with a switch. */
    ONE_AT_A_TIME
}
