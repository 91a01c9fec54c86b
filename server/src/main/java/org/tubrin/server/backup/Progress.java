package org.tubrin.server.backup;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** How far a backup or a restore is; of several at a time, the one that began last. */
@Component
class Progress {
    private final AtomicReference<@Nullable Job> newest = new AtomicReference<>();

    /** What is being done. */
    enum Doing {
        SAVING,
        CHECKING,
        RESTORING
    }

    /** One of them; it counts until it is closed. */
    final class Job implements AutoCloseable {
        private final Doing doing;
        private volatile double share = Double.NaN;
        private volatile int runs;

        private Job(Doing doing) {
            this.doing = doing;
        }

        /** Says how much of the whole is done, in bytes or in runs; 0 in all where that is not known. */
        void at(long done, long whole) {
            share = whole > 0 ? Math.min(1, (double) done / whole) : Double.NaN;
        }

        /** Says how many runs are done. */
        void atRun(int count) {
            runs = count;
        }

        @Override
        public void close() {
            newest.compareAndSet(this, null);
        }
    }

    /** How far it is; the share runs from 0 to 1, and is absent where the whole is not known. */
    record ProgressView(Doing doing, int runs, @Nullable Double share) {}

    /** Begins one. */
    Job begin(Doing doing) {
        Job job = new Job(doing);
        newest.set(job);
        return job;
    }

    /** Returns how far the newest is; empty where none is going on. */
    Optional<ProgressView> now() {
        return Optional.ofNullable(newest.get())
                .map(job -> new ProgressView(job.doing, job.runs, Double.isNaN(job.share) ? null : job.share));
    }
}
