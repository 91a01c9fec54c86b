package org.tubrin.core.run;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.Room;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/**
 * What the readings of a step come to, calculated when first asked for and never again. It says nothing that the step does not,
 * so that any two are equal. May be shared by threads: those that ask at once may both calculate the same.
 */
final class Worked {
    private @Nullable Map<ReadingRole, Quantity> measured;
    private @Nullable Budget budget;
    private @Nullable List<Room> room;

    Map<ReadingRole, Quantity> measured(Supplier<Map<ReadingRole, Quantity>> from) {
        Map<ReadingRole, Quantity> known = measured;
        if (known == null) {
            known = from.get();
            measured = known;
        }
        return known;
    }

    Budget budget(Supplier<Budget> from) {
        Budget known = budget;
        if (known == null) {
            known = from.get();
            budget = known;
        }
        return known;
    }

    List<Room> room(Supplier<List<Room>> from) {
        List<Room> known = room;
        if (known == null) {
            known = from.get();
            room = known;
        }
        return known;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Worked;
    }

    @Override
    public int hashCode() {
        return 0;
    }
}
