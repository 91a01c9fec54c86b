package org.tubrin.server.feed;

import java.io.IOException;
import java.net.SocketTimeoutException;
import java.util.Arrays;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.tubrin.core.metering.Steadied;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Instrument;

/**
 * Asks one instrument again and again, on a thread of its own, and keeps its last readings; whatever it does stays with it.
 */
final class Source implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Source.class);
    private static final int KEPT = 128;
    private static final long BACK_OFF_MS = 500;
    private static final double SLOW_SHARE = 0.5;
    private static final double MOST = 1e6;

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

    private final Instrument instrument;
    private final Hosts hosts;
    private final Thread thread;
    private final long[] timesNs = new long[KEPT];
    private final double[] values = new double[KEPT];
    private long count;
    private Health health = Health.STARTING;
    private volatile boolean closed;

    Source(Instrument instrument, Hosts hosts) {
        this.instrument = instrument;
        this.hosts = hosts;
        thread = new Thread(this::work, "source-" + instrument.name());
        thread.setDaemon(true);
        thread.start();
    }

    Instrument instrument() {
        return instrument;
    }

    private void work() {
        Line line = null;
        while (!closed) {
            long started = System.nanoTime();
            Health next;
            try {
                if (line == null) {
                    line = Line.to(hosts.address(instrument.host(), instrument.port()), timeoutMs());
                }
                String answer = line.ask(instrument.query(), timeoutMs());
                next = take(answer, (System.nanoTime() - started) / 1e9);
            } catch (SocketTimeoutException e) {
                next = line == null ? Health.AWAY : Health.SILENT;
            } catch (IOException e) {
                next = Health.AWAY;
            } catch (Refused e) {
                next = Health.NOT_LISTED;
            } catch (RuntimeException e) {
                LOG.warn("instrument {} could not be asked; it is asked again", instrument.name(), e);
                next = Health.AWAY;
            }
            boolean talks =
                    next == Health.OK || next == Health.SLOW || next == Health.UNREADABLE || next == Health.IMPLAUSIBLE;
            if (!talks && line != null) {
                // A late answer would be taken for that to the next query.
                line.close();
                line = null;
            }
            synchronized (this) {
                health = next;
            }
            pause(started, talks);
        }
        if (line != null) {
            line.close();
        }
    }

    /** Returns what an answer means in the core's unit; empty where it is no number. */
    static Optional<Double> valueOf(String answer, Instrument instrument) {
        try {
            return Optional.of(Double.parseDouble(answer) * instrument.factor());
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private Health take(String answer, double tookS) {
        Double value = valueOf(answer, instrument).orElse(null);
        if (value == null) {
            return Health.UNREADABLE;
        }
        if (!(Math.abs(value) <= MOST)) {
            return Health.IMPLAUSIBLE;
        }
        synchronized (this) {
            int at = (int) (count++ % KEPT);
            timesNs[at] = System.nanoTime();
            values[at] = value;
        }
        return tookS > SLOW_SHARE * instrument.timeoutS() ? Health.SLOW : Health.OK;
    }

    private void pause(long startedNs, boolean talks) {
        long spentMs = (System.nanoTime() - startedNs) / 1_000_000L;
        long waitMs = Math.max(1, Math.round(1000 * instrument.pollS()) - spentMs);
        try {
            Thread.sleep(talks ? waitMs : Math.max(waitMs, BACK_OFF_MS));
        } catch (InterruptedException e) {
            closed = true;
        }
    }

    private int timeoutMs() {
        return (int) Math.round(1000 * instrument.timeoutS());
    }

    /** The latest of a source: how it is, its last value, and how old that is. */
    record Latest(
            Health health, @Nullable Double value, @Nullable Double ageS) {}

    synchronized Latest latest() {
        if (count == 0) {
            return new Latest(health, null, null);
        }
        int at = (int) ((count - 1) % KEPT);
        return new Latest(health, values[at], (System.nanoTime() - timesNs[at]) / 1e9);
    }

    /** Returns what the readings of the last so many seconds come to; empty where there are none. */
    synchronized Optional<Steadied> window(double seconds) {
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

    @Override
    public void close() {
        closed = true;
        thread.interrupt();
    }
}
