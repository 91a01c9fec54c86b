package org.tubrin.core.station;

import java.util.List;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * An amplifier's own switch between modes, which changes its plate voltage.
 *
 * @param at name of the position in which the stage's plate voltage is stated
 * @param positions 2 to 4, with different names
 */
public record ModeSwitch(String at, List<Position> positions) {
    public ModeSwitch {
        positions = List.copyOf(positions);
        List<String> names = positions.stream().map(Position::name).toList();
        new Checks()
                .size("positions", positions, 2, 4)
                .distinct("positions", names)
                .oneOf("at", at, names)
                .done();
    }

    /**
     * One position.
     *
     * @param name as on the switch
     * @param plateVoltageRestDcV plate voltage at rest, 100 to 20 000 V
     */
    public record Position(String name, double plateVoltageRestDcV) {
        public Position {
            new Checks()
                    .name("name", name)
                    .range("plateVoltageRestDcV", plateVoltageRestDcV, 100, 20_000, Unit.VOLT)
                    .done();
        }
    }

    /** Returns the plate voltage at rest where the switch stands, in volts. */
    double restDcV() {
        return positions.stream()
                .filter(one -> one.name().equals(at))
                .findFirst()
                .orElseThrow()
                .plateVoltageRestDcV();
    }
}
