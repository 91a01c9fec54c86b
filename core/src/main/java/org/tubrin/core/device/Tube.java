package org.tubrin.core.device;

import java.util.OptionalDouble;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A transmitting tube by its maker's sheet.
 *
 * @param name type name
 * @param construction triode or tetrode
 * @param plateDissipationW rated plate dissipation of one tube, 1 to 20 000 W
 * @param plateVoltageLimitDcV highest plate voltage, 100 to 20 000 V
 * @param plateCurrentLimitA highest direct plate current of one tube, 0.01 to 10 A
 * @param gridCurrentLimitA highest direct control-grid current of one tube, 0.001 to 2 A
 * @param screenCurrentLimitA highest screen current of one tube, 0.001 to 1 A; absent for a triode
 * @param warmUpS time from heater on to first key-down, 0 to 1800 s
 */
public record Tube(
        String name,
        Construction construction,
        double plateDissipationW,
        double plateVoltageLimitDcV,
        double plateCurrentLimitA,
        double gridCurrentLimitA,
        OptionalDouble screenCurrentLimitA,
        double warmUpS) {

    public Tube {
        new Checks()
                .name("name", name)
                .range("plateDissipationW", plateDissipationW, 1, 20_000, Unit.WATT)
                .range("plateVoltageLimitDcV", plateVoltageLimitDcV, 100, 20_000, Unit.VOLT)
                .range("plateCurrentLimitA", plateCurrentLimitA, 0.01, 10, Unit.AMPERE)
                .range("gridCurrentLimitA", gridCurrentLimitA, 0.001, 2, Unit.AMPERE)
                .range("screenCurrentLimitA", screenCurrentLimitA, 0.001, 1, Unit.AMPERE)
                .range("warmUpS", warmUpS, 0, 1800, Unit.SECOND)
                .done();
    }

    /** Returns the same with its limits of current and heat at a share of the sheet's, above 0 to 1. */
    public Tube withLimits(double share) {
        return new Tube(
                name,
                construction,
                share * plateDissipationW,
                plateVoltageLimitDcV,
                share * plateCurrentLimitA,
                share * gridCurrentLimitA,
                screenCurrentLimitA.isPresent()
                        ? OptionalDouble.of(share * screenCurrentLimitA.getAsDouble())
                        : OptionalDouble.empty(),
                warmUpS);
    }
}
