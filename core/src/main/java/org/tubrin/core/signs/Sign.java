package org.tubrin.core.signs;

import java.util.List;
import org.tubrin.core.run.SeenSign;

/**
 * Something that the readings of a step, or the operator's eyes, say.
 *
 * @param code what
 * @param severity how much it matters
 * @param certainty how probable it is that what it rests on is so, 0 to 1; that of the weakest evidence
 * @param evidence what it rests on; empty where the operator saw it
 */
public record Sign(Code code, Severity severity, double certainty, List<Evidence> evidence) {

    public Sign {
        evidence = List.copyOf(evidence);
    }

    /** Returns what the operator saw as a sign. */
    public static Sign seen(SeenSign seen) {
        Code code = switch (seen) {
            case ARC -> Code.ARC_SEEN;
            case TRIP -> Code.TRIPPED;
            case TRIP_GRID -> Code.TRIPPED_GRID;
            case TRIP_PLATE -> Code.TRIPPED_PLATE;
            case TRIP_REFLECTED -> Code.TRIPPED_REFLECTED;
            case TRIP_HEAT -> Code.TRIPPED_HEAT;
            case TRIP_INPUT -> Code.TRIPPED_INPUT;
            case TRIP_OUTPUT -> Code.TRIPPED_OUTPUT;
            case TRIP_FILTER -> Code.TRIPPED_FILTER;
            case KNOB_SLIPS -> Code.KNOB_SLIPS;
        };
        return new Sign(code, Severity.LIMIT, 1, List.of());
    }

    /** How certain a sign is, in words. */
    public enum Standing {
        POSSIBLE,
        LIKELY,
        SURE
    }

    /** Certainty of a value that is beyond by its standard uncertainty. */
    static final double LIKELY = 0.841;

    /** Certainty of a value that is beyond by twice its standard uncertainty. */
    static final double SURE = 0.975;

    /** Returns how certain it is. */
    public Standing standing() {
        return certainty >= SURE ? Standing.SURE : certainty >= LIKELY ? Standing.LIKELY : Standing.POSSIBLE;
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
        TRIPPED_GRID,
        TRIPPED_PLATE,
        TRIPPED_REFLECTED,
        TRIPPED_HEAT,
        TRIPPED_INPUT,
        TRIPPED_OUTPUT,
        TRIPPED_FILTER,
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
        /** Less growth than should be, far below full drive, where nothing saturates yet. */
        GROWTH_POOR,
        /** More growth than any stage has: a range, a reading or the drive is not what it is taken for. */
        GROWTH_TOO_HIGH,
        GRID_CURRENT_MAY_EXCEED,
        SCREEN_CURRENT_MAY_EXCEED,
        PLATE_CURRENT_MAY_EXCEED,
        HEAT_MAY_EXCEED,
        OUTPUT_MAY_EXCEED,
        LOAD_POWER_MAY_EXCEED,
        SAG_HIGH,
        /** Two wattmeters in one line show different powers. */
        WATTMETERS_DISAGREE,
        INPUT_SWR_HIGH,
        HIGHEST_BAND_LESS
    }
}
