package org.tubrin.core.metering;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A meter's class: the bound within which its maker says it errs. The error is taken as equally likely anywhere within
 * the bound, so the standard uncertainty is the bound over √3 (JCGM 100:2008, 4.3.7).
 */
public sealed interface Accuracy {

    /** Returns what a digital meter of unknown class is taken for: 1 % of the reading and a digit of a hundredth. */
    static Accuracy unknownDigital() {
        return new OfReading(0.01, 0.01);
    }

    /** Returns the standard uncertainty of a reading; value and full scale in the same unit. */
    default double standardUncertainty(double value, double fullScale) {
        return bound(value, fullScale) / Math.sqrt(3);
    }

    /** Returns the bound of the error; value and full scale in the same unit. */
    double bound(double value, double fullScale);

    /** A share of the full scale of the range in use, 0.0001 to 0.5. */
    record OfFullScale(double fraction) implements Accuracy {
        public OfFullScale {
            new Checks().range("fraction", fraction, 1e-4, 0.5, Unit.ONE).done();
        }

        @Override
        public double bound(double value, double fullScale) {
            return fraction * fullScale;
        }
    }

    /** A share of the reading, 0.0001 to 0.5, and one step of the last digit, 0 or more, in the core's unit. */
    record OfReading(double fraction, double digit) implements Accuracy {
        public OfReading {
            new Checks()
                    .range("fraction", fraction, 1e-4, 0.5, Unit.ONE)
                    .range("digit", digit, 0, 1000, Unit.ONE)
                    .done();
        }

        @Override
        public double bound(double value, double fullScale) {
            return fraction * Math.abs(value) + digit;
        }
    }
}
