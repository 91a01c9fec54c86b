package org.tubrin.core.run;

import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What a run was made under; each absent where it was not noted.
 *
 * @param lineVoltageV mains voltage, 50 to 500 V
 * @param ambientC temperature of the room, −40 to 60 °C
 * @param restingPlateCurrentA plate current keyed without drive, 0 to 20 A
 */
public record Conditions(
        Optional<Double> lineVoltageV, Optional<Double> ambientC, Optional<Double> restingPlateCurrentA) {
    /** Nothing noted. */
    public static final Conditions NONE = new Conditions(Optional.empty(), Optional.empty(), Optional.empty());

    public Conditions {
        Checks checks = new Checks();
        lineVoltageV.ifPresent(one -> checks.range("lineVoltageV", one, 50, 500, Unit.VOLT));
        ambientC.ifPresent(one -> checks.range("ambientC", one, -40, 60, Unit.CELSIUS));
        restingPlateCurrentA.ifPresent(one -> checks.range("restingPlateCurrentA", one, 0, 20, Unit.AMPERE));
        checks.done();
    }
}
