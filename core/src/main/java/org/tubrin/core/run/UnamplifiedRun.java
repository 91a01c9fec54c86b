package org.tubrin.core.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.Room;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/** A run in which nothing amplifies: it has no dials, no limits of drive, output or heat, and nothing to be seen of them. */
interface UnamplifiedRun extends WithoutDials {
    @Override
    default boolean amplifies() {
        return false;
    }

    @Override
    default List<SeenSign> seenSigns() {
        return List.of();
    }

    @Override
    default Optional<Double> mostOutputW() {
        return Optional.empty();
    }

    @Override
    default Optional<Double> limitOf(ReadingRole role) {
        return Optional.empty();
    }

    @Override
    default Optional<Likely> likely(ReadingRole role) {
        return Optional.empty();
    }

    @Override
    default Budget budget(Map<ReadingRole, Quantity> readings, Quantity driveW, Optional<Double> outputShare) {
        return Budget.NONE;
    }

    @Override
    default List<Room> room(
            Map<ReadingRole, Quantity> readings, Budget budget, double duty, boolean outputShareIsKnown) {
        return List.of();
    }
}
