package org.tubrin.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.server.card.CardMapper;
import org.tubrin.server.card.CardRecord;
import org.tubrin.server.run.RunFilter;
import org.tubrin.server.run.RunMapper;
import org.tubrin.server.station.Stations;
import org.tubrin.server.supply.SupplyRecords;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;

/** Writes everything out as one document, event by event: however many runs there are, little memory is needed. */
@Service
public class Backups {
    private static final String SCHEMA = "/backup/backup-1.schema.json";
    private static final int FETCHED_AT_A_TIME = 500;

    private final Stations stations;
    private final CardMapper cards;
    private final SupplyRecords papers;
    private final JdbcTemplate database;
    private final RunMapper runMapper;
    private final Progress progress;
    private final JsonMapper json;
    private final Clock clock;

    Backups(
            Stations stations,
            CardMapper cards,
            SupplyRecords papers,
            RunMapper runMapper,
            Progress progress,
            DataSource source,
            JsonMapper json,
            Clock clock) {
        this.runMapper = runMapper;
        this.progress = progress;
        this.stations = stations;
        this.cards = cards;
        this.papers = papers;
        database = new JdbcTemplate(source);
        database.setFetchSize(FETCHED_AT_A_TIME);
        this.json = json;
        this.clock = clock;
    }

    /** Writes a backup, all of it as it stands at one moment. */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public void write(OutputStream out) {
        Optional<Stations.KeptStation> station = stations.station();
        List<Stations.Stored> equipment = stations.equipment();
        List<CardRecord> fromFiles = cards.fromFiles();
        List<SupplyRecords.Stored> plans = papers.all();
        int count = runMapper.count(RunFilter.ALL);
        // Closed only when all is written: closing after a failure would end every list and pass for a whole backup.
        JsonGenerator to = json.writer().createGenerator(out);
        to.writeStartObject();
        to.writeStringProperty("format", Backup.FORMAT);
        to.writeNumberProperty("version", Backup.VERSION);
        to.writePOJOProperty("madeAt", clock.instant());
        station.ifPresent(kept -> to.writePOJOProperty("station", kept.station()));
        to.writeNumberProperty(
                "stationRevision", station.map(Stations.KeptStation::revision).orElse(0));
        to.writeArrayPropertyStart("equipment");
        equipment.forEach(
                kept -> to.writePOJO(new Backup.EquipmentEntry(kept.id(), kept.revision(), kept.equipment())));
        to.writeEndArray();
        to.writeArrayPropertyStart("runs");
        try (Progress.Job job = progress.begin(Progress.Doing.SAVING, count)) {
            Runs runs = new Runs(to, job);
            database.query(
                    "select run_id, sequence, client_id, at, version, body from run_event order by run_id, sequence",
                    runs);
            runs.end();
        }
        to.writeEndArray();
        to.writeArrayPropertyStart("cardRows");
        fromFiles.forEach(to::writePOJO);
        to.writeEndArray();
        to.writeArrayPropertyStart("papers");
        plans.forEach(one -> to.writePOJO(
                new Backup.PaperEntry(one.id(), one.kind(), one.revision(), one.changedAt(), one.paper())));
        to.writeEndArray();
        to.writeEndObject();
        to.close();
    }

    /** Writes events as they come, in the order of their runs. */
    private static final class Runs implements RowCallbackHandler {
        private final JsonGenerator to;
        private final Progress.Job job;
        private @Nullable UUID open;
        private int count;

        Runs(JsonGenerator to, Progress.Job job) {
            this.to = to;
            this.job = job;
        }

        @Override
        public void processRow(ResultSet row) throws SQLException {
            UUID run = row.getObject("run_id", UUID.class);
            if (!run.equals(open)) {
                end();
                open = run;
                job.at(count);
                job.atRun(count);
                count++;
                to.writeStartObject();
                to.writeStringProperty("id", run.toString());
                to.writeArrayPropertyStart("events");
            }
            to.writeStartObject();
            to.writeNumberProperty("sequence", row.getLong("sequence"));
            to.writeStringProperty("clientId", row.getString("client_id"));
            to.writeStringProperty(
                    "at",
                    row.getObject("at", java.time.OffsetDateTime.class)
                            .toInstant()
                            .toString());
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

    /** Returns the published schema. */
    public String schema() {
        try (InputStream stream = Backups.class.getResourceAsStream(SCHEMA)) {
            if (stream == null) {
                throw new IllegalStateException("the schema is missing from the build");
            }
            return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
