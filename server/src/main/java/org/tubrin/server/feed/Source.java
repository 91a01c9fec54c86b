package org.tubrin.server.feed;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.Steadied;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Instrument;

/**
 * Asks one instrument all its queries in turn, again and again, over one connection and on a thread of its own, and keeps the last
 * readings of each; whatever it does stays with it.
 */
final class Source implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Source.class);
    private static final int KEPT = 128;
    private static final long BACK_OFF_NS = 500_000_000L;
    /** So long after somebody looked at it a query is asked as often as the record says. */
    private static final long WANTED_NS = 30_000_000_000L;
    /** Afterwards it is asked this often: still within what a reading may be old when it is taken. */
    private static final long IDLE_NS = 300_000_000L;

    /**
     * So many queries in a row without a reading, and it is gone; before, it is late. Time says nothing of it: where the machine
     * stood still, nothing was asked.
     */
    private static final int GONE_AFTER = 3;

    /** How a source is. */
    enum Health {
        /** Not asked yet. */
        STARTING,
        OK,
        /** It answers, but takes more than half of the time allowed. */
        SLOW,
        /** It takes the query and says nothing in time. */
        SILENT,
        /** What it says is no number. */
        UNREADABLE,
        /** What it says no meter of this kind can show. */
        IMPLAUSIBLE,
        /** There is nobody at its port. */
        AWAY,
        /** Its host may not be asked. */
        NOT_LISTED
    }

    private static final Set<Health> TALKS = EnumSet.of(Health.OK, Health.SLOW, Health.UNREADABLE, Health.IMPLAUSIBLE);

    private final Instrument instrument;
    private final Hosts hosts;
    private final List<Readings> asked;
    private final Thread thread;
    private volatile boolean closed;

    Source(Instrument instrument, Hosts hosts) {
        this(instrument, hosts, WANTED_NS);
    }

    /** One whose queries are asked at their own pace for so many nanoseconds after somebody looked at them. */
    Source(Instrument instrument, Hosts hosts, long wantedForNs) {
        this.instrument = instrument;
        this.hosts = hosts;
        asked = instrument.queries().stream()
                .map(query -> new Readings(query, wantedForNs))
                .toList();
        thread = new Thread(this::work, "source-" + instrument.name());
        thread.setDaemon(true);
        thread.start();
    }

    Instrument instrument() {
        return instrument;
    }

    /** Returns what comes of the query that reads that of a meter; empty where it has none. */
    Optional<Readings> of(String meter, ReadingRole role) {
        return asked.stream().filter(one -> one.query.reads(meter, role)).findFirst();
    }

    private void work() {
        try (Asking asking = new Asking(instrument, hosts)) {
            while (!closed) {
                long startedNs = System.nanoTime();
                round(asking, startedNs);
                pause(startedNs);
            }
        }
    }

    /** Asks what is due; where nobody is there, none of it is asked for a while. */
    private void round(Asking asking, long startedNs) {
        for (Readings one : asked) {
            if (closed || !one.isDue(startedNs)) {
                continue;
            }
            Health none;
            try {
                Asking.Said said = asking.ask(one.query);
                one.take(said);
                if (said.reached()) {
                    continue;
                }
                none = said.health();
            } catch (Refused e) {
                none = Health.NOT_LISTED;
            } catch (RuntimeException e) {
                LOG.warn("instrument {} could not be asked; it is asked again", instrument.name(), e);
                none = Health.AWAY;
            }
            Health all = none;
            asked.forEach(each -> each.failed(all));
            return;
        }
    }

    private void pause(long startedNs) {
        long spentMs = (System.nanoTime() - startedNs) / 1_000_000L;
        try {
            Thread.sleep(Math.max(1, Math.round(1000 * instrument.pollS()) - spentMs));
        } catch (InterruptedException e) {
            closed = true;
        }
    }

    @Override
    public void close() {
        closed = true;
        thread.interrupt();
    }

    /** The latest of a query: how it is, its last value, and how old that is. */
    record Latest(
            Health health, @Nullable Double value, @Nullable Double ageS) {}

    /** What came of one query: its last readings, and how it is. */
    static final class Readings {
        private final Instrument.Query query;
        private final long wantedForNs;
        private final long[] timesNs = new long[KEPT];
        private final double[] values = new double[KEPT];
        private long count;
        private int failedInARow;
        private Health health = Health.STARTING;
        private long dueNs = System.nanoTime();
        private long wantedNs = System.nanoTime();

        private Readings(Instrument.Query query, long wantedForNs) {
            this.query = query;
            this.wantedForNs = wantedForNs;
        }

        /** Nobody looked for long. */
        private boolean isIdle(long nowNs) {
            return nowNs - wantedNs > wantedForNs;
        }

        /** Returns whether it is to be asked in this round: seldom while nobody looks, and later where it did not answer. */
        private synchronized boolean isDue(long nowNs) {
            return nowNs - dueNs >= 0;
        }

        private synchronized void failed(Health how) {
            failedInARow++;
            became(how);
        }

        private void became(Health next) {
            health = next;
            long nowNs = System.nanoTime();
            dueNs = nowNs + Math.max(TALKS.contains(next) ? 0 : BACK_OFF_NS, isIdle(nowNs) ? IDLE_NS : 0);
        }

        /** Somebody looks: it is asked at its own pace from now on. */
        private synchronized void want() {
            long nowNs = System.nanoTime();
            if (isIdle(nowNs) && TALKS.contains(health)) {
                dueNs = nowNs;
            }
            wantedNs = nowNs;
        }

        private synchronized void take(Asking.Said said) {
            if (said.value().isEmpty()) {
                failed(said.health());
                return;
            }
            int at = (int) (count++ % KEPT);
            timesNs[at] = System.nanoTime();
            values[at] = said.value().get();
            failedInARow = 0;
            became(said.health());
        }

        synchronized Latest latest() {
            want();
            if (count == 0) {
                return new Latest(health, null, null);
            }
            int at = (int) ((count - 1) % KEPT);
            return new Latest(health, values[at], (System.nanoTime() - timesNs[at]) / 1e9);
        }

        /** Returns whether its next answer is not worth a wait: the last ones were no readings. */
        synchronized boolean isGone() {
            return failedInARow >= GONE_AFTER;
        }

        /** Returns what the readings of the last so many seconds come to; empty where there are none. */
        synchronized Optional<Steadied> window(double seconds) {
            want();
            long oldest = System.nanoTime() - (long) (seconds * 1e9);
            double[] recent = new double[KEPT];
            int found = 0;
            for (long i = Math.max(0, count - KEPT); i < count; i++) {
                int at = (int) (i % KEPT);
                if (timesNs[at] >= oldest) {
                    recent[found++] = values[at];
                }
            }
            return found == 0 ? Optional.empty() : Optional.of(Steadied.of(Arrays.copyOf(recent, found)));
        }
    }
}
