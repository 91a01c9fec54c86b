package org.tubrin.core.station;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * How a dummy load warms: first order, {@code T = Tamb + P·R·(1 − e^(−t/τ))}.
 *
 * @param resistanceKPerW rise at rest per watt, 0.001 to 10 K/W
 * @param timeConstantS τ, 1 to 100 000 s
 * @param temperatureLimitC hottest that it may get, 30 to 300 °C
 */
public record Thermal(double resistanceKPerW, double timeConstantS, double temperatureLimitC) {
    public Thermal {
        new Checks()
                .range("resistanceKPerW", resistanceKPerW, 1e-3, 10, Unit.ONE)
                .range("timeConstantS", timeConstantS, 1, 1e5, Unit.SECOND)
                .range("temperatureLimitC", temperatureLimitC, 30, 300, Unit.CELSIUS)
                .done();
    }
}
