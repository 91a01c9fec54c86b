package org.tubrin.core.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.Room;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.tank.Dial;

/** A run in which nothing amplifies: it has no dials, no limits of drive, output or heat, and nothing to be seen of them. */
interface UnamplifiedRun extends RunStage {
    @Override
    default boolean amplifies() {
        return false;
    }

    @Override
    default Optional<Dial> dial(Control control) {
        return Optional.empty();
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
    default double warmUpS() {
        return 0;
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
    default Quantity ofPulse(ReadingRole role, Quantity shown, double duty) {
        return shown;
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

    @Override
    default Optional<Double> dissipationPerDeviceW() {
        return Optional.empty();
    }

    @Override
    default Set<Check> closingChecks() {
        return Set.of();
    }

    @Override
    default int deviceCount() {
        return 1;
    }
}
