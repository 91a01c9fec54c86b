package org.tubrin.core.run;

/** What only the operator can see or hear. */
public enum SeenSign {
    ARC,
    /** The protection acted, and what it acted on is not known. */
    TRIP,
    TRIP_GRID,
    TRIP_PLATE,
    TRIP_REFLECTED,
    TRIP_HEAT,
    TRIP_INPUT,
    TRIP_OUTPUT,
    /** The filter in line was not that of the band. */
    TRIP_FILTER,
    KNOB_SLIPS;

    /** Returns whether the protection acted. */
    public boolean isTrip() {
        return this != ARC && this != KNOB_SLIPS;
    }
}
