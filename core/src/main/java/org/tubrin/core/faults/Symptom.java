package org.tubrin.core.faults;

/** What the operator complains of, in the order of a signal's way: reception, supply and heaters, drive, output, control. */
public enum Symptom {
    RECEIVE_DEAD,
    RECEIVE_NOISY,
    RELAY_CHATTERS,
    RF_FEEDBACK,
    FILAMENT_DARK(Within.TUBES),
    SWITCH_BURNT,
    SAG,
    HUM,
    SUPPLY_RISES,
    SUPPLY_FOLDS,
    METERS_DEAD,
    METER_JUMPS,
    NO_OUTPUT,
    OUTPUT_LOW_ALL,
    OUTPUT_LOW_BAND,
    GRID_HIGH(Within.TUBES),
    DIP_PEAK_APART(Within.TUBES),
    KNOB_SLIPS(Within.TUBES),
    ARCS,
    TRIPS,
    TRIPS_REFLECTED,
    TRIPS_INPUT,
    TRIPS_HEAT,
    TRIPS_FILTER(Within.TRANSISTORS),
    INPUT_SWR_AMPLIFYING,
    LOAD_SWR_DRIFTS,
    MATCHER_REFUSES,
    ALC_REVERSED,
    FLAT_TOPPED,
    HAIRY,
    DEVICE_RUNS_AWAY(Within.TRANSISTORS);

    private final Within within;

    Symptom() {
        this(Within.ANY);
    }

    Symptom(Within within) {
        this.within = within;
    }

    /** Returns which amplifiers can have it. */
    public Within within() {
        return within;
    }
}
