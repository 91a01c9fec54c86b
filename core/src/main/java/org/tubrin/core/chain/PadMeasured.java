package org.tubrin.core.chain;

import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/** What a pad takes as measured: one power, without it and with it, on one meter. */
public final class PadMeasured {
    private PadMeasured() {}

    /**
     * Returns the attenuation in decibels: {@code 10·log10(Pwithout/Pwith)}.
     *
     * @param withoutW shown without the pad, in watts
     * @param withoutScaleW full scale of the range that it was read on, in watts
     * @param withW shown with it, in watts
     * @param withScaleW full scale of that range; on the same range the meter errs by the same
     * @param fraction the meter's class as a share of full scale
     */
    public static Quantity attenuationDb(
            double withoutW, double withoutScaleW, double withW, double withScaleW, double fraction) {
        return shown(withoutW, withoutScaleW, fraction)
                .over(shown(withW, withScaleW, fraction), Unit.ONE)
                .inDecibels();
    }

    private static Quantity shown(double watt, double scaleW, double fraction) {
        return Quantity.of(
                watt,
                Unit.WATT,
                Standing.MEASURED,
                new ErrorSource("meter", "POWER", Double.toString(scaleW)),
                new Accuracy.OfFullScale(fraction).standardUncertainty(watt, scaleW));
    }
}
