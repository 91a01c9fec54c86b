package org.tubrin.core.trend;

import org.tubrin.core.quantity.Unit;

/** What is followed over the runs, each at the place it was tuned for. */
public enum Figure {
    /** Output at the last step, at the drive that most runs end with. */
    OUTPUT_AT_DRIVE(Unit.WATT),
    /** Plate current at that drive. */
    PLATE_AT_DRIVE(Unit.AMPERE),
    /** Grid current at the same output in every run, between its steps. */
    GRID_AT_OUTPUT(Unit.AMPERE),
    /** Plate current with the key down and no drive, where it was noted. */
    RESTING_CURRENT(Unit.AMPERE),
    /** Sag of the plate voltage at the last step. */
    SAG(Unit.ONE),
    /** Standing-wave ratio of the load at the first step, cold. */
    LOAD_SWR_COLD(Unit.ONE),
    /** The same at the last step, hot. */
    LOAD_SWR_HOT(Unit.ONE),
    /** Output meter against plate meters: output over plate input at the last step. */
    OUTPUT_TO_INPUT(Unit.ONE);

    private final Unit unit;

    Figure(Unit unit) {
        this.unit = unit;
    }

    /** Returns the unit of its values. */
    public Unit unit() {
        return unit;
    }
}
