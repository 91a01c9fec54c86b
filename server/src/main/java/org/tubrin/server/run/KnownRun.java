package org.tubrin.server.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.tubrin.core.run.Recorded;

/**
 * A run as far as it was read.
 *
 * @param events in their order
 * @param acts ids of the acts that they came of
 * @param last the last of them as it is stored
 */
record KnownRun(List<Recorded> events, Set<UUID> acts, EventRow last) {
    static KnownRun of(List<EventRow> rows, Function<EventRow, Recorded> form) {
        return new KnownRun(List.of(), Set.of(), rows.get(0)).and(rows, form);
    }

    /** Returns whether a stored event is the last one that is known. */
    boolean endsWith(EventRow row) {
        return row.sequence() == last.sequence()
                && row.clientId().equals(last.clientId())
                && row.at().equals(last.at());
    }

    /** Returns the same with the rows that follow. */
    KnownRun and(List<EventRow> following, Function<EventRow, Recorded> form) {
        if (following.isEmpty()) {
            return this;
        }
        List<Recorded> all = new ArrayList<>(events);
        Set<UUID> from = new HashSet<>(acts);
        for (EventRow row : following) {
            all.add(form.apply(row));
            from.add(row.clientId());
        }
        return new KnownRun(
                Collections.unmodifiableList(all),
                Collections.unmodifiableSet(from),
                following.get(following.size() - 1));
    }
}
