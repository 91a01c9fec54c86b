package org.tubrin.server.run;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunState;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import org.tubrin.server.store.EventForms;
import org.tubrin.server.store.JsonProblems;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.JsonNode;

/** The runs in a backup, event by event: however many there are, little memory is needed. */
@Component
@Order(2)
class RunBackup implements BackupPart {
    private static final String RUNS = "runs";
    private static final int FETCHED_AT_A_TIME = 500;
    /** Few, so that what is under way dies young in the heap; enough that nobody waits while the database takes lines. */
    private static final int MOST_UNDER_WAY = 32;

    private final RunMapper runs;
    private final BulkRuns bulk;
    private final EventForms forms;
    private final JdbcTemplate database;

    RunBackup(RunMapper runs, BulkRuns bulk, EventForms forms, DataSource source) {
        this.runs = runs;
        this.bulk = bulk;
        this.forms = forms;
        database = new JdbcTemplate(source);
        database.setFetchSize(FETCHED_AT_A_TIME);
    }

    /** One run. */
    record Entry(UUID id, List<EventEntry> events) {}

    /** One event of a run, in the form of its version. */
    record EventEntry(long sequence, UUID clientId, Instant at, int version, JsonNode event) {}

    @Override
    public List<Field> fields() {
        return List.of(new Field(RUNS, false));
    }

    @Override
    public List<String> tables() {
        return List.of("run", "run_event", "run_figures");
    }

    @Override
    public void write(JsonGenerator to, Written written) {
        to.writeArrayPropertyStart(RUNS);
        Writing writing = new Writing(to, written, runs.count(RunFilter.ALL));
        database.query(
                "select run_id, sequence, client_id, at, version, body from run_event order by run_id, sequence",
                writing);
        writing.end();
        to.writeEndArray();
    }

    /** Writes events as they come, in the order of their runs. */
    private static final class Writing implements RowCallbackHandler {
        private final JsonGenerator to;
        private final Written written;
        private final int all;
        private @Nullable UUID open;
        private int count;

        Writing(JsonGenerator to, Written written, int all) {
            this.to = to;
            this.written = written;
            this.all = all;
        }

        @Override
        public void processRow(ResultSet row) throws SQLException {
            UUID run = row.getObject("run_id", UUID.class);
            if (!run.equals(open)) {
                end();
                open = run;
                written.runs(count++, all);
                to.writeStartObject();
                to.writeStringProperty("id", run.toString());
                to.writeArrayPropertyStart("events");
            }
            to.writeStartObject();
            to.writeNumberProperty("sequence", row.getLong("sequence"));
            to.writeStringProperty("clientId", row.getString("client_id"));
            Instant at = row.getObject("at", OffsetDateTime.class).toInstant();
            to.writeStringProperty("at", at.toString());
            to.writeNumberProperty("version", row.getInt("version"));
            to.writeName("event");
            to.writeRawValue(row.getString("body"));
            to.writeEndObject();
        }

        void end() {
            if (open != null) {
                to.writeEndArray();
                to.writeEndObject();
            }
        }
    }

    @Override
    public Intake intake(boolean apply) {
        return new Reading(apply ? Optional.of(bulk.begin()) : Optional.empty());
    }

    private final class Reading implements Intake {
        private final Optional<BulkRuns.Load> load;
        private final ExecutorService workers =
                Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());
        private final Deque<Future<Optional<BulkRuns.Lines>>> underWay = new ArrayDeque<>();

        Reading(Optional<BulkRuns.Load> load) {
            this.load = load;
        }

        @Override
        public void field(String name, JsonParser from, BackupReading reading) {
            reading.each(from, () -> take(from.readValueAs(Entry.class), reading));
            while (!underWay.isEmpty()) {
                put();
            }
        }

        /** Leaves a run to be derived beside the reading of the next ones; what is derived is taken in the order of the file. */
        private void take(Entry entry, BackupReading reading) {
            reading.once("id", "run", entry.id());
            String where = reading.at();
            underWay.add(workers.submit(() -> derived(where, entry, load.isPresent())));
            reading.count(BackupReading.Counted.RUNS, 1);
            reading.count(BackupReading.Counted.EVENTS, entry.events().size());
            if (underWay.size() >= MOST_UNDER_WAY) {
                put();
            }
        }

        private void put() {
            try {
                Optional<BulkRuns.Lines> lines = underWay.remove().get();
                load.ifPresent(to -> lines.ifPresent(to::add));
            } catch (ExecutionException e) {
                if (e.getCause() instanceof RuntimeException failure) {
                    throw failure;
                }
                throw new IllegalStateException(e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }

        @Override
        public void end() {
            load.ifPresent(BulkRuns.Load::end);
        }

        @Override
        public void close() {
            workers.shutdownNow();
        }
    }

    /** Returns what a run comes to, as lines where wanted; fails with {@link Refused} where it does not hold. */
    private Optional<BulkRuns.Lines> derived(String at, Entry entry, boolean wanted) {
        List<Recorded> recorded = new ArrayList<>();
        for (EventEntry one : entry.events()) {
            try {
                recorded.add(new Recorded(one.sequence(), one.at(), forms.read(one.version(), one.event())));
            } catch (JacksonException e) {
                throw new Refused(JsonProblems.of(e).stream()
                        .map(problem -> problem.under(at + ".events." + recorded.size() + ".event"))
                        .toList());
            }
        }
        try {
            RunState state = Replay.of(recorded);
            return wanted ? Optional.of(bulk.lines(entry.id(), state, rows(entry))) : Optional.empty();
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new Refused(new Problem(
                    ProblemCode.RUN_CORRUPT, at, entry.id() + ": " + e.getMessage(), new Allowed.Nothing()));
        }
    }

    private static List<BulkRuns.Event> rows(Entry entry) {
        return entry.events().stream()
                .map(one -> new BulkRuns.Event(
                        one.sequence(),
                        one.clientId(),
                        one.at(),
                        one.version(),
                        one.event().toString()))
                .toList();
    }
}
