package org.tubrin.core.first;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ScaleUnit;

/** Figures as people name them. */
public final class Round {
    private Round() {}

    /** Returns a number with two figures. */
    static double off(double value) {
        return BigDecimal.valueOf(value)
                .round(new MathContext(2, RoundingMode.HALF_EVEN))
                .doubleValue();
    }

    /** Returns a range that is called by the end of its scale, in the core's unit. */
    public static MeterRange range(double fullScale, ScaleUnit unit) {
        String name = off(fullScale / unit.inUnit()) + " " + unit.symbol();
        return new MeterRange(name.replace(".0 ", " "), fullScale);
    }

    /** Returns the next 1, 1.5, 2, 3, 5 or 7.5 of a decade at or above a number: the ends of scales. */
    public static double scaleFor(double value) {
        double decade = Math.pow(10, Math.floor(Math.log10(value)));
        for (double step : new double[] {1, 1.5, 2, 3, 5, 7.5}) {
            if (step * decade >= value * (1 - 1e-9)) {
                return off(step * decade);
            }
        }
        return off(10 * decade);
    }
}
