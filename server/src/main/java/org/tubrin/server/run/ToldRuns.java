package org.tubrin.server.run;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import tools.jackson.core.JacksonException;

/** The newest runs with what they told; each is read once, until something is added to it. */
public final class ToldRuns<T> {
    private static final Logger LOG = LoggerFactory.getLogger(ToldRuns.class);
    /** So many runs by a school are looked at. */
    static final int MOST = 30;

    private static final int MOST_KNOWN = 400;

    private final RunMapper runs;
    private final RunStore store;
    private final Function<RunState, Optional<T>> tells;
    private final Map<UUID, Known<T>> known = new ConcurrentHashMap<>();

    /** What a run told. */
    public record Told<T>(UUID runId, T told) {}

    /** What a run told until its last event, or that it told nothing or cannot be read. */
    private record Known<T>(Instant lastAt, Optional<Told<T>> told) {}

    /** Nothing is read before it is asked for; {@code tells} says what a run tells. */
    public ToldRuns(RunMapper runs, RunStore store, Function<RunState, Optional<T>> tells) {
        this.runs = runs;
        this.store = store;
        this.tells = tells;
    }

    /** Returns those by a school, the newest first. */
    List<Told<T>> newest(School school, int most) {
        return newest(new RunFilter(null, null, null, school.name(), null, null), most);
    }

    /**
     * Returns those that a filter lets through, the newest first; those without a step or a trip, and those that cannot be read, are
     * left out.
     *
     * @param most so many are looked at
     */
    public List<Told<T>> newest(RunFilter filter, int most) {
        return runs.runs(filter, false, 0, most).stream()
                .filter(row -> row.steps() + row.trips() > 0)
                .flatMap(row -> told(row).stream())
                .toList();
    }

    private Optional<Told<T>> told(RunRow row) {
        Known<T> before = known.get(row.id());
        if (before != null && before.lastAt.equals(row.lastAt())) {
            return before.told;
        }
        if (known.size() > MOST_KNOWN) {
            known.clear();
        }
        Optional<Told<T>> told = read(row).map(one -> new Told<>(row.id(), one));
        known.put(row.id(), new Known<>(row.lastAt(), told));
        return told;
    }

    private Optional<T> read(RunRow row) {
        try {
            return tells.apply(store.state(row.id()));
        } catch (JacksonException | IllegalArgumentException | IndexOutOfBoundsException | Refused e) {
            LOG.warn("the run {} cannot be read: {}", row.id(), e.getMessage());
            return Optional.empty();
        }
    }
}
