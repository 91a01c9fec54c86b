package org.tubrin.core.budget;

/** What a limit limits. */
public enum LimitKind {
    PLATE_CURRENT,
    GRID_CURRENT,
    SCREEN_CURRENT,
    HEAT_PER_TUBE,
    SUPPLY_CURRENT,
    /** What the maker rates it for: beyond that it trips. */
    RATED_OUTPUT,
    HEAT_SINK,
    OUTPUT,
    LOAD_POWER,
    DRIVE
}
