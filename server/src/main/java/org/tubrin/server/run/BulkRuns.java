package org.tubrin.server.run;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.run.RunState;
import org.tubrin.core.trend.RunFigures;
import org.tubrin.server.card.CardBody;
import org.tubrin.server.card.CardRecord;
import org.tubrin.server.store.BulkLoad;
import tools.jackson.databind.json.JsonMapper;

/**
 * Puts many whole runs in place, with the rows that are derived from them, by PostgreSQL's bulk load.
 *
 * <p>Method: the tables are emptied at once and filled in the same transaction, so that none of it need be logged; that each
 * event belongs to a run is checked once at the end, not event by event.
 */
@Component
public class BulkRuns {
    private static final int HELD_CHARACTERS = 4_000_000;

    private final BulkLoad bulk;
    private final JdbcTemplate database;
    private final RunStore store;
    private final RunMapper runs;
    private final JsonMapper json;

    BulkRuns(BulkLoad bulk, JdbcTemplate database, RunStore store, RunMapper runs, JsonMapper json) {
        this.bulk = bulk;
        this.database = database;
        this.store = store;
        this.runs = runs;
        this.json = json;
    }

    /** One event as it is stored. */
    public record Event(long sequence, UUID clientId, Instant at, int version, String body) {}

    /** Begins a load into the emptied tables, in the transaction of the caller. */
    public Load begin() {
        database.execute("alter table run_event drop constraint run_event_run_id_fkey");
        runs.changed();
        return new Load();
    }

    /** A run as lines of the tables that it stands in. */
    static final class Lines {
        private final StringBuilder runs = new StringBuilder();
        private final StringBuilder events = new StringBuilder();
        private final StringBuilder cards = new StringBuilder();
        private final StringBuilder figures = new StringBuilder();

        private Lines() {}

        private void add(Lines more) {
            runs.append(more.runs);
            events.append(more.events);
            cards.append(more.cards);
            figures.append(more.figures);
        }

        private void clear() {
            runs.setLength(0);
            events.setLength(0);
            cards.setLength(0);
            figures.setLength(0);
        }
    }

    /** Returns a run with its state after all its events as lines; needs no transaction. */
    public Lines lines(UUID id, RunState state, List<Event> events) {
        Lines lines = new Lines();
        RunRow row = RunStore.row(id, state);
        BulkLoad.line(
                lines.runs,
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
                row.trips(),
                row.longCarrierW(),
                row.stair());
        for (Event event : events) {
            BulkLoad.line(
                    lines.events, id, event.sequence(), event.clientId(), event.at(), event.version(), event.body());
        }
        CardRow.of(state).map(card -> CardBody.record(id, id, card, json)).ifPresent(card -> card.line(lines.cards));
        RunFigures.of(state)
                .map(one -> store.figures(id, state, one))
                .ifPresent(one -> BulkLoad.line(
                        lines.figures,
                        one.runId(),
                        one.amplifier(),
                        one.band(),
                        one.termination(),
                        one.at(),
                        one.version(),
                        one.body()));
        return lines;
    }

    /** One load; {@link #end} writes what it still holds. */
    public final class Load {
        private final Lines held = new Lines();

        private Load() {}

        /** Adds a run. */
        public void add(Lines run) {
            held.add(run);
            if (held.events.length() > HELD_CHARACTERS) {
                flush();
            }
        }

        /** Writes the rest, and what follows from all of it. */
        public void end() {
            flush();
            database.execute("alter table run_event add constraint run_event_run_id_fkey"
                    + " foreign key (run_id) references run (id)");
            database.execute("analyze run, run_event, run_figures");
        }

        private void flush() {
            bulk.copy(
                    "run (id, started_at, last_at, last_sequence, amplifier, termination, band, frequency_hz, ending, steps,"
                            + " output_w, school, line_voltage_v, ambient_c, arcs, trips, long_carrier_w, stair)",
                    held.runs);
            bulk.copy("run_event (run_id, sequence, client_id, at, version, body)", held.events);
            bulk.copy(CardRecord.COLUMNS, held.cards);
            bulk.copy("run_figures (run_id, amplifier, band, termination, at, version, body)", held.figures);
            held.clear();
        }
    }
}
