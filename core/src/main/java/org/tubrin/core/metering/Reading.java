package org.tubrin.core.metering;

import java.util.OptionalDouble;
import org.tubrin.core.quantity.Checks;

/**
 * What was read, as it was read; never changed afterwards.
 *
 * @param role what of
 * @param textAsTyped the operator's own characters
 * @param rawValue the number in the core's unit, before any correction
 * @param instrument name of the meter
 * @param range name of the range in use
 * @param ownUncertainty standard uncertainty of a value that was not read off the meter but worked out from something else,
 *     such as a voltage; then it counts in place of the meter's class; absent where the meter was read
 * @param spread standard uncertainty through restlessness, raw, not negative; absent where a person read it once
 */
public record Reading(
        ReadingRole role,
        String textAsTyped,
        double rawValue,
        String instrument,
        String range,
        OptionalDouble spread,
        OptionalDouble ownUncertainty) {
    public Reading {
        new Checks()
                .text("textAsTyped", textAsTyped, 1, 24)
                .range("rawValue", rawValue, -1e6, 1e6, role.unit())
                .name("instrument", instrument)
                .name("range", range)
                .range("spread", spread, 0, 1e6, role.unit())
                .range("ownUncertainty", ownUncertainty, 0, 1e6, role.unit())
                .done();
    }

    /** A reading by eye. */
    public Reading(ReadingRole role, String textAsTyped, double rawValue, String instrument, String range) {
        this(role, textAsTyped, rawValue, instrument, range, OptionalDouble.empty(), OptionalDouble.empty());
    }
}
