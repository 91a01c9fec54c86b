package org.tubrin.core.run;

import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;

/**
 * Whether an exciter that is set higher gives no more: the amplifier's level control line pulls it back, or it folds back by itself at a
 * poor match.
 */
public final class HeldBack {
    /** A step of the setting that tells. */
    private static final double TOLD = 1.15;
    /** Of 3 dB more that are set at least 2.1 dB come out of an exciter that is free. */
    private static final double FREE_SHARE = 0.7;

    private HeldBack() {}

    /** Returns whether surely less came of the exciter than it was set up by; set and measured in watts, before and after. */
    public static boolean between(double setBeforeW, Quantity beforeW, double setW, Quantity afterW) {
        double ratio = setW / setBeforeW;
        return ratio > TOLD
                && beforeW.value() > 0
                && afterW.over(beforeW, Unit.ONE).likelyHigh() < Math.pow(ratio, FREE_SHARE);
    }

    /** Returns the same of two steps. */
    static boolean between(Step before, Step after) {
        return between(
                before.position(Control.DRIVE).orElse(0.0),
                before.driveW(),
                after.position(Control.DRIVE).orElse(0.0),
                after.driveW());
    }
}
