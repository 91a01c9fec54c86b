package org.tubrin.server.run;

import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** How many runs there are of what, counted once and kept until a run is begun or ended: no page waits for a count of years. */
@Component
public class RunCounts {
    private final RunMapper mapper;
    private final AtomicReference<@Nullable Counted> kept = new AtomicReference<>();

    RunCounts(RunMapper mapper) {
        this.mapper = mapper;
    }

    private record Counted(long changes, List<RunPlace> places) {}

    /** Returns what was run where, and how often. */
    public List<RunPlace> places() {
        // Looked at first: what is counted is then as new as this says, or newer.
        long changes = mapper.changes();
        Counted known = kept.get();
        if (known != null && known.changes() == changes) {
            return known.places();
        }
        List<RunPlace> places = List.copyOf(mapper.places());
        kept.set(new Counted(changes, places));
        return places;
    }
}
