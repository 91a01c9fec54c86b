package org.tubrin.core.tuneup;

import java.util.Map;

/**
 * Something that the readings of a step, or the operator's eyes, say.
 *
 * @param code what
 * @param severity how much it matters
 * @param numbers what it rests on, by name, in the core's units
 */
public record Sign(Code code, Severity severity, Map<String, Double> numbers) {

    public Sign {
        numbers = Map.copyOf(numbers);
    }

    /** How much a sign matters. */
    public enum Severity {
        /** To know. */
        NOTE,
        /** Needs attention. */
        WATCH,
        /** A limit is passed, or something is about to be damaged. */
        LIMIT
    }

    /** The signs, the gravest first. */
    public enum Code {
        ARC_SEEN,
        TRIPPED,
        KNOB_SLIPS,
        PLATE_CURRENT_WITHOUT_OUTPUT,
        SCREEN_CURRENT_LIMIT,
        GRID_CURRENT_LIMIT,
        FIRST_CEILING,
        PLATE_CURRENT_LIMIT,
        HEAT_LIMIT,
        OUTPUT_LIMIT,
        LOAD_POWER_LIMIT,
        DRIVE_LIMIT,
        METERS_STILL,
        COUPLED_TOO_LIGHTLY,
        COUPLED_TOO_HEAVILY,
        PLATE_OFF_PEAK,
        EFFICIENCY_TOO_HIGH,
        EFFICIENCY_LOW,
        SATURATION,
        GRID_CURRENT_MAY_EXCEED,
        SCREEN_CURRENT_MAY_EXCEED,
        PLATE_CURRENT_MAY_EXCEED,
        HEAT_MAY_EXCEED,
        OUTPUT_MAY_EXCEED,
        LOAD_POWER_MAY_EXCEED,
        SAG_HIGH,
        INPUT_SWR_HIGH,
        HIGHEST_BAND_LESS
    }
}
