package org.tubrin.core.station;

import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A matcher in an amplifier or behind it, by its maker's sheet.
 *
 * @param leastW power at its input below which it does not tune, 0.1 to 200 W
 * @param mostW power with which it may be tuned, above that, to 500 W
 * @param reachSwr SWR up to which it matches, 1.5 to 30
 * @param switching what switches band, keying and level for it
 */
public record Matcher(double leastW, double mostW, double reachSwr, Switching switching) {
    /** What switches band, keying and level for it. */
    public enum Switching {
        MAKERS_CABLE,
        /** All three are by hand, and nothing limits. */
        BY_HAND
    }

    public Matcher {
        new Checks()
                .range("leastW", leastW, 0.1, 200, Unit.WATT)
                .range("mostW", mostW, leastW, 500, Unit.WATT, Because.LEAST_POWER)
                .range("reachSwr", reachSwr, 1.5, 30, Unit.ONE)
                .done();
    }

    /** Returns whether band, keying and level are by hand. */
    public boolean switchesByHand() {
        return switching == Switching.BY_HAND;
    }
}
