package org.tubrin.core.budget;

import org.tubrin.core.quantity.Quantity;

/** A value held against a limit by its interval value ± standard uncertainty. */
public enum Verdict {
    /** The whole interval lies at or below the limit. */
    WITHIN,
    /** The value lies at or below the limit, the upper end of the interval beyond it. */
    MAY_EXCEED,
    /** The value itself lies beyond the limit. */
    EXCEEDS;

    /** Returns how the value stands to a limit in the same unit. */
    public static Verdict of(Quantity value, double limit) {
        if (value.value() > limit) {
            return EXCEEDS;
        }
        return value.high() > limit ? MAY_EXCEED : WITHIN;
    }
}
