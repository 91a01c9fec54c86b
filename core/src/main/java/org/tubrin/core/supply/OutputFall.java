package org.tubrin.core.supply;

import java.util.LinkedHashMap;
import java.util.Map;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * How a set's greatest output falls with its voltage, {@code P = P1·(V/V1)^k}, with P1 at V1.
 *
 * <p>Method: from profiles at two voltages {@code k = ln(P1/P2)/ln(V1/V2)}, as unsure as the two outputs; with one only, {@code
 * k = 3 ± 1.5} is assumed: a stage that its supply limits follows the square, and what regulates its drive lets go sooner; sets
 * lose 40 to 50 % from 13.8 to 12 V. Source: our own.
 *
 * @param voltageV V1
 * @param exponent k, 0 to 12; measured from two profiles, or assumed
 */
public record OutputFall(double voltageV, Quantity exponent) {
    private static final double ASSUMED_EXPONENT = 3;
    private static final double ASSUMED_UNCERTAINTY = 1.5;
    private static final double MOST_EXPONENT = 12;
    private static final double LEAST_RATIO = 1.01;
    private static final ErrorSource EXPONENT = new ErrorSource("set", "fall of output", "");

    /** Returns the fall that is assumed with one profile. */
    public static OutputFall assumed(CurrentProfile profile) {
        return new OutputFall(
                profile.voltageV(),
                Quantity.of(ASSUMED_EXPONENT, Unit.ONE, Standing.ASSUMED, EXPONENT, ASSUMED_UNCERTAINTY));
    }

    /** Returns the fall that two profiles show, each taken to its greatest output; the assumed one where their voltages are alike. */
    public static OutputFall between(CurrentProfile one, CurrentProfile other) {
        CurrentProfile high = one.voltageV() >= other.voltageV() ? one : other;
        CurrentProfile low = high.equals(one) ? other : one;
        if (high.voltageV() < LEAST_RATIO * low.voltageV() || !(low.greatestW() > 0)) {
            return assumed(high);
        }
        double ratio = Math.log(high.voltageV() / low.voltageV());
        double exponent = Math.log(high.greatestW() / low.greatestW()) / ratio;
        double uncertainty = Math.hypot(high.greatestShare(), low.greatestShare()) / ratio;
        return new OutputFall(
                high.voltageV(),
                Quantity.of(
                        Math.max(0, Math.min(MOST_EXPONENT, exponent)),
                        Unit.ONE,
                        Standing.MEASURED,
                        EXPONENT,
                        uncertainty));
    }

    /** Returns what is left of the greatest output at a voltage above 0, as a share of that at V1; 1 at most. */
    public Quantity shareAt(Quantity voltageV) {
        double ratio = Math.min(1, Math.max(0, voltageV.value()) / this.voltageV);
        double share = Math.pow(ratio, exponent.value());
        double perVolt = exponent.value() * share / Math.max(this.voltageV * ratio, Double.MIN_NORMAL);
        double perExponent = ratio > 0 ? share * Math.log(ratio) : 0;
        Map<ErrorSource, Double> unsure = new LinkedHashMap<>();
        voltageV.contributions().forEach((source, volts) -> unsure.merge(source, perVolt * volts, Double::sum));
        exponent.contributions().forEach((source, of) -> unsure.merge(source, perExponent * of, Double::sum));
        return new Quantity(share, Unit.ONE, exponent.standing().combinedWith(voltageV.standing()), unsure);
    }
}
