package org.tubrin.server.run;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.springframework.jdbc.datasource.DataSourceUtils;
import org.springframework.jdbc.support.SQLExceptionSubclassTranslator;
import org.springframework.stereotype.Component;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.tuneup.RunState;
import org.tubrin.server.card.CardBody;
import tools.jackson.databind.json.JsonMapper;

/** Puts many whole runs in place, with the rows that are derived from them, by PostgreSQL's bulk load. */
@Component
public class BulkRuns {
    private static final int HELD_CHARACTERS = 4_000_000;

    private final DataSource source;
    private final JsonMapper json;

    BulkRuns(DataSource source, JsonMapper json) {
        this.source = source;
        this.json = json;
    }

    /** One event as it is stored. */
    public record Event(long sequence, UUID clientId, Instant at, int version, String body) {}

    /** Begins a load in the transaction of the caller. */
    public Load begin() {
        return new Load();
    }

    /** One load; {@link #flush} writes what it still holds. */
    public final class Load {
        private final StringBuilder runs = new StringBuilder();
        private final StringBuilder events = new StringBuilder();
        private final StringBuilder cards = new StringBuilder();

        private Load() {}

        /** Adds a run with its state after all its events. */
        public void add(UUID id, RunState state, List<Event> events) {
            RunRow row = RunStore.row(id, state);
            line(
                    runs,
                    row.id(),
                    row.startedAt(),
                    row.lastAt(),
                    row.lastSequence(),
                    row.amplifier(),
                    row.termination(),
                    row.band(),
                    row.frequencyHz(),
                    row.ending(),
                    row.steps(),
                    row.outputW(),
                    row.school(),
                    row.lineVoltageV(),
                    row.ambientC(),
                    row.arcs(),
                    row.trips());
            for (Event event : events) {
                line(this.events, id, event.sequence(), event.clientId(), event.at(), event.version(), event.body());
            }
            CardRow.of(state)
                    .ifPresent(card -> line(
                            cards,
                            id,
                            id,
                            card.amplifier(),
                            card.band().name(),
                            card.termination(),
                            card.verifiedAt(),
                            json.writeValueAsString(CardBody.of(card))));
            if (this.events.length() > HELD_CHARACTERS) {
                flush();
            }
        }

        /** Writes what was added since the last time. */
        public void flush() {
            copy(
                    "run (id, started_at, last_at, last_sequence, amplifier, termination, band, frequency_hz, ending, steps,"
                            + " output_w, school, line_voltage_v, ambient_c, arcs, trips)",
                    runs);
            copy("run_event (run_id, sequence, client_id, at, version, body)", events);
            copy("card_row (id, run_id, amplifier, band, termination, verified_at, body)", cards);
            runs.setLength(0);
            events.setLength(0);
            cards.setLength(0);
        }
    }

    private void copy(String table, StringBuilder rows) {
        if (rows.isEmpty()) {
            return;
        }
        Connection connection = DataSourceUtils.getConnection(source);
        try {
            connection
                    .unwrap(PGConnection.class)
                    .getCopyAPI()
                    .copyIn("copy " + table + " from stdin", new StringReader(rows.toString()));
        } catch (SQLException e) {
            throw new SQLExceptionSubclassTranslator().translate("bulk load", table, e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            DataSourceUtils.releaseConnection(connection, source);
        }
    }

    /** Writes a line in PostgreSQL's text format. */
    private static void line(StringBuilder to, @Nullable Object... cells) {
        String between = "";
        for (Object cell : cells) {
            to.append(between);
            between = "\t";
            if (cell == null) {
                to.append("\\N");
            } else {
                escape(to, cell.toString());
            }
        }
        to.append('\n');
    }

    private static void escape(StringBuilder to, String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '\\' -> to.append("\\\\");
                case '\t' -> to.append("\\t");
                case '\n' -> to.append("\\n");
                case '\r' -> to.append("\\r");
                default -> to.append(c);
            }
        }
    }
}
