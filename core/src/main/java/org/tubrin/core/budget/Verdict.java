package org.tubrin.core.budget;

import org.tubrin.core.quantity.Quantity;

/** A value held against a limit by its 95 % interval: each verdict but the middle one is wrong in one case of forty at most. */
public enum Verdict {
    /** The whole interval lies at or below the limit. */
    WITHIN,
    /** The limit lies within the interval. */
    MAY_EXCEED,
    /** The whole interval lies beyond the limit. */
    EXCEEDS;

    /** Returns how the value stands to a limit in the same unit. */
    public static Verdict of(Quantity value, double limit) {
        if (value.low() > limit) {
            return EXCEEDS;
        }
        return value.high() > limit ? MAY_EXCEED : WITHIN;
    }
}
