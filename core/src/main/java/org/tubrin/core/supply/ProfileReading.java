package org.tubrin.core.supply;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * What was read at once of a set and its supply.
 *
 * @param outputW 0 to 5000 W
 * @param outputUncertaintyW standard uncertainty, 0 to 500 W
 * @param currentA 0 to 200 A
 * @param currentUncertaintyA standard uncertainty, 0 to 20 A
 * @param voltageV where the set is fed, 1 to 400 V
 * @param voltageUncertaintyV standard uncertainty, 0 to 20 V
 */
public record ProfileReading(
        double outputW,
        double outputUncertaintyW,
        double currentA,
        double currentUncertaintyA,
        double voltageV,
        double voltageUncertaintyV) {
    public ProfileReading {
        new Checks()
                .range("outputW", outputW, 0, 5000, Unit.WATT)
                .range("outputUncertaintyW", outputUncertaintyW, 0, 500, Unit.WATT)
                .range("currentA", currentA, 0, 200, Unit.AMPERE)
                .range("currentUncertaintyA", currentUncertaintyA, 0, 20, Unit.AMPERE)
                .range("voltageV", voltageV, 1, 400, Unit.VOLT)
                .range("voltageUncertaintyV", voltageUncertaintyV, 0, 20, Unit.VOLT)
                .done();
    }

    /** Returns the output with its uncertainty. */
    public Quantity output() {
        ErrorSource source = new ErrorSource("set", "output", "");
        return Quantity.of(outputW, Unit.WATT, Standing.MEASURED, source, outputUncertaintyW);
    }

    /** Returns the current with its uncertainty. */
    public Quantity current() {
        return current("");
    }

    /** Returns the voltage with its uncertainty. */
    public Quantity voltage() {
        return voltage("");
    }

    Quantity current(String when) {
        ErrorSource source = new ErrorSource("supply", "current", when);
        return Quantity.of(currentA, Unit.AMPERE, Standing.MEASURED, source, currentUncertaintyA);
    }

    Quantity voltage(String when) {
        ErrorSource source = new ErrorSource("supply", "voltage", when);
        return Quantity.of(voltageV, Unit.VOLT, Standing.MEASURED, source, voltageUncertaintyV);
    }
}
