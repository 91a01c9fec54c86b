package org.tubrin.core.resonance;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What an antenna is watched by.
 *
 * @param witness phase, or volts and amperes
 * @param agreesAt volts over amperes as read into the load that the antenna is to look like, 0.001 to 10 000: 50 where both are
 *     true, 1 where the meters were scaled to agree; not used of a phase meter
 */
public record ResonancePlan(Witness witness, double agreesAt) {
    public static final double LEAST_RATIO = 1e-3;
    public static final double MOST_RATIO = 1e4;

    public ResonancePlan {
        new Checks()
                .range("agreesAt", agreesAt, LEAST_RATIO, MOST_RATIO, Unit.ONE)
                .done();
    }
}
