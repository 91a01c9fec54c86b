package org.tubrin.core.quantity;

/** Which other field bounds a range, and why; the words stand in the catalogue. */
public enum Because {
    /** Output cannot be more than nine tenths of the plate input and the drive together. */
    PLATE_INPUT,
    /** The position in which the mode switch stands has a plate voltage of its own. */
    SWITCH_POSITION,
    /** The greatest power is no less than the least. */
    LEAST_POWER,
    /** The stop comes no sooner than the time that is aimed for. */
    KEY_DOWN_AIM,
    /** The highest voltage is no lower than the lowest. */
    LOWEST_VOLTAGE,
    /** An intermittent rating is no less than the continuous one. */
    CONTINUOUS_CURRENT,
    /** It trips no sooner than it folds back. */
    FOLD_BACK,
    /** The dial ends above where it begins. */
    LEAST_MARK,
    /** The peak is no less than the average. */
    AVERAGE_CURRENT,
    /** The window ends above where it begins. */
    LEAST_SHARE,
    /** A chart's place lies on the amplifier's own dial. */
    OWN_DIAL,
    /** What switches has one drive, which exciter and pad are to give. */
    FIXED_DRIVE
}
