package org.tubrin.core.supply;

import org.tubrin.core.quantity.Standing;

/**
 * How a set's greatest output falls with its voltage, {@code P = P1·(V/V1)^k}.
 *
 * <p>Method: from profiles at two voltages {@code k = ln(P1/P2)/ln(V1/V2)}; with one only, {@code k = 2} is assumed, which is a
 * stage that its supply limits. Source: our own.
 *
 * @param voltageV V1
 * @param outputW P1
 * @param exponent k, 0 to 12
 * @param standing measured from two profiles, or assumed
 */
public record OutputFall(double voltageV, double outputW, double exponent, Standing standing) {
    private static final double SQUARE_LAW = 2;
    private static final double MOST_EXPONENT = 12;
    private static final double LEAST_RATIO = 1.01;

    /** Returns the fall that is assumed with one profile. */
    public static OutputFall assumed(CurrentProfile profile) {
        return new OutputFall(profile.voltageV(), profile.greatestW(), SQUARE_LAW, Standing.ASSUMED);
    }

    /** Returns the fall that two profiles show, each taken to its greatest output; the assumed one where their voltages are alike. */
    public static OutputFall between(CurrentProfile one, CurrentProfile other) {
        CurrentProfile high = one.voltageV() >= other.voltageV() ? one : other;
        CurrentProfile low = high.equals(one) ? other : one;
        if (high.voltageV() < LEAST_RATIO * low.voltageV() || !(low.greatestW() > 0)) {
            return assumed(high);
        }
        double exponent = Math.log(high.greatestW() / low.greatestW()) / Math.log(high.voltageV() / low.voltageV());
        return new OutputFall(
                high.voltageV(), high.greatestW(), Math.max(0, Math.min(MOST_EXPONENT, exponent)), Standing.MEASURED);
    }

    /** Returns the greatest output at a voltage, in watts. */
    public double outputAtW(double voltageV) {
        return outputW * Math.pow(Math.max(0, voltageV) / this.voltageV, exponent);
    }
}
