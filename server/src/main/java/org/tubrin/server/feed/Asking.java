package org.tubrin.server.feed;

import java.io.IOException;
import java.net.SocketTimeoutException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.station.Instrument;

/** Talks with one instrument: opens a line when it needs one, and drops it where an answer might still come late. One thread. */
final class Asking implements AutoCloseable {
    private static final double SLOW_SHARE = 0.5;
    private static final double MOST = 1e6;

    private final Instrument instrument;
    private final Hosts hosts;
    private @Nullable Line line;

    Asking(Instrument instrument, Hosts hosts) {
        this.instrument = instrument;
        this.hosts = hosts;
    }

    /**
     * What came of a query.
     *
     * @param reached whether there was anybody to ask
     * @param answer as it came; empty where none did
     * @param value in the core's unit; empty where the answer is none
     */
    record Said(Source.Health health, boolean reached, String answer, Optional<Double> value) {
        static Said nothing(Source.Health health, boolean reached) {
            return new Said(health, reached, "", Optional.empty());
        }
    }

    /** Asks one of its queries. Fails with {@link org.tubrin.core.quantity.Refused} where its host may not be asked. */
    Said ask(Instrument.Query query) {
        int timeoutMs = (int) Math.round(1000 * instrument.timeoutS());
        Line open = line;
        try {
            if (open == null) {
                open = Line.to(hosts.address(instrument.host(), instrument.port()), timeoutMs);
                line = open;
            }
        } catch (IOException nobody) {
            return Said.nothing(Source.Health.AWAY, false);
        }
        long startedNs = System.nanoTime();
        try {
            String answer = open.ask(query.query(), timeoutMs);
            return said(answer, query, (System.nanoTime() - startedNs) / 1e9);
        } catch (SocketTimeoutException silent) {
            // A late answer would be taken for that to the next query.
            close();
            return Said.nothing(Source.Health.SILENT, true);
        } catch (IOException gone) {
            close();
            return Said.nothing(Source.Health.AWAY, true);
        }
    }

    private Said said(String answer, Instrument.Query query, double tookS) {
        double value;
        try {
            value = Double.parseDouble(answer) * query.factor();
        } catch (NumberFormatException e) {
            return new Said(Source.Health.UNREADABLE, true, answer, Optional.empty());
        }
        if (!(Math.abs(value) <= MOST)) {
            return new Said(Source.Health.IMPLAUSIBLE, true, answer, Optional.empty());
        }
        return new Said(
                tookS > SLOW_SHARE * instrument.timeoutS() ? Source.Health.SLOW : Source.Health.OK,
                true,
                answer,
                Optional.of(value));
    }

    @Override
    public void close() {
        if (line != null) {
            line.close();
            line = null;
        }
    }
}
