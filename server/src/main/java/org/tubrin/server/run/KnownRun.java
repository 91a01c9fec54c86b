package org.tubrin.server.run;

import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunState;

/** A run as far as it was read; what follows makes another. May be shared by threads. */
final class KnownRun {
    private final Set<UUID> acts;
    private final EventRow last;
    /** Stands after the last event; only copies of it go on. */
    private final Replay replay;

    private final RunState state;

    private KnownRun(Set<UUID> acts, EventRow last, Replay replay) {
        this.acts = Collections.unmodifiableSet(acts);
        this.last = last;
        this.replay = replay;
        this.state = replay.state();
    }

    /** Returns a run by its rows, of which there is one or more. */
    static KnownRun of(List<EventRow> rows, Function<EventRow, Recorded> form) {
        EventRow first = rows.get(0);
        Replay start = Replay.after(List.of(form.apply(first)));
        return new KnownRun(Set.of(first.clientId()), first, start).and(rows.subList(1, rows.size()), form);
    }

    /** Whether an act of this id is in it. */
    boolean holds(UUID act) {
        return acts.contains(act);
    }

    /** The last event as it is stored. */
    EventRow last() {
        return last;
    }

    /** How it stands. */
    RunState state() {
        return state;
    }

    /** Returns a replay that goes on from there, for one thread. */
    Replay replay() {
        return replay.copy();
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
        Set<UUID> from = new HashSet<>(acts);
        Replay onward = replay.copy();
        for (EventRow row : following) {
            from.add(row.clientId());
            onward.apply(form.apply(row));
        }
        return new KnownRun(from, following.get(following.size() - 1), onward);
    }
}
