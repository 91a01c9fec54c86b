package org.tubrin.server.run;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** How many runs there are of what, counted once and kept until a run is begun or ended: no page waits for a count of years. */
@Component
public class RunCounts {
    private final RunMapper mapper;
    private final AtomicLong generation = new AtomicLong();
    private final AtomicReference<@Nullable Counted> kept = new AtomicReference<>();

    RunCounts(RunMapper mapper) {
        this.mapper = mapper;
    }

    private record Counted(long generation, List<RunPlace> places) {}

    /** Returns what was run where, and how often. */
    public List<RunPlace> places() {
        long now = generation.get();
        Counted known = kept.get();
        if (known != null && known.generation() == now) {
            return known.places();
        }
        List<RunPlace> places = List.copyOf(mapper.places());
        // Where a run was changed meanwhile, this is of an older generation and is counted again the next time.
        kept.set(new Counted(now, places));
        return places;
    }

    /** Says that runs are changed by the transaction that is going on. */
    void changing() {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                generation.incrementAndGet();
            }
        });
    }
}
