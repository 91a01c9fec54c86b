package org.tubrin.core.metering;

import java.util.List;
import org.tubrin.core.quantity.Quantity;

/**
 * Whether two instruments say the same.
 *
 * @param difference the second less the first, in their unit, with both uncertainties
 * @param agree whether the difference lies within twice its uncertainty
 * @param causes what to look at where they do not, likely and cheap first; empty where they agree
 */
public record Agreement(Quantity difference, boolean agree, List<Cause> causes) {
    private static final double SIGMAS = 2;
    private static final double TENFOLD = 3;

    public Agreement {
        causes = List.copyOf(causes);
    }

    /** Why voltage on a load and a wattmeter can differ. */
    public enum Cause {
        METER_RANGE,
        PROBE_RATIO,
        PROBE_LOADING,
        LOAD_RESISTANCE,
        HARMONICS,
        METER_CALIBRATION
    }

    /** Returns how power by a voltage on the load stands to power by a wattmeter. */
    public static Agreement of(Quantity byVoltageW, Quantity byWattmeterW) {
        Quantity difference = byWattmeterW.minus(byVoltageW);
        boolean agree = Math.abs(difference.value()) <= SIGMAS * difference.standardUncertainty();
        if (agree) {
            return new Agreement(difference, true, List.of());
        }
        double ratio = byWattmeterW.value() / Math.max(1e-9, byVoltageW.value());
        // A factor of ten or a hundred is a switch; a little is a constant.
        boolean gross = ratio > TENFOLD || ratio < 1 / TENFOLD;
        return new Agreement(
                difference,
                false,
                gross
                        ? List.of(Cause.PROBE_RATIO, Cause.METER_RANGE, Cause.LOAD_RESISTANCE)
                        : List.of(
                                Cause.LOAD_RESISTANCE,
                                Cause.METER_RANGE,
                                Cause.PROBE_LOADING,
                                Cause.HARMONICS,
                                Cause.METER_CALIBRATION));
    }
}
