package org.tubrin.core.budget;

/** What a limit limits. */
public enum LimitKind {
    PLATE_CURRENT,
    GRID_CURRENT,
    SCREEN_CURRENT,
    HEAT_PER_TUBE,
    SUPPLY_CURRENT,
    OUTPUT,
    LOAD_POWER,
    DRIVE
}
