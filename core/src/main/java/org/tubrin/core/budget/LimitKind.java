package org.tubrin.core.budget;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.metering.ReadingRole;

/** What a limit limits. */
public enum LimitKind {
    PLATE_CURRENT(ReadingRole.PLATE_CURRENT),
    GRID_CURRENT(ReadingRole.GRID_CURRENT),
    SCREEN_CURRENT(ReadingRole.SCREEN_CURRENT),
    HEAT_PER_TUBE(null),
    SUPPLY_CURRENT(ReadingRole.SUPPLY_CURRENT),
    /** What the maker rates it for: beyond that it trips. */
    RATED_OUTPUT(ReadingRole.OUTPUT),
    HEAT_SINK(ReadingRole.HEAT_SINK),
    OUTPUT(ReadingRole.OUTPUT),
    LOAD_POWER(ReadingRole.OUTPUT),
    DRIVE(null);

    private final @Nullable ReadingRole role;

    LimitKind(@Nullable ReadingRole role) {
        this.role = role;
    }

    /** Returns the reading that is held against it; empty where it is calculated, or set. */
    public Optional<ReadingRole> role() {
        return Optional.ofNullable(role);
    }
}
