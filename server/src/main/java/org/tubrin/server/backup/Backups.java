package org.tubrin.server.backup;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.tuneup.Recorded;
import org.tubrin.core.tuneup.Replay;
import org.tubrin.core.tuneup.RunState;
import org.tubrin.server.card.CardMapper;
import org.tubrin.server.card.Cards;
import org.tubrin.server.run.EventRow;
import org.tubrin.server.run.RunMapper;
import org.tubrin.server.run.RunStore;
import org.tubrin.server.station.StationMapper;
import org.tubrin.server.station.Stations;
import org.tubrin.server.store.JsonProblems;
import org.tubrin.server.supply.PaperMapper;
import org.tubrin.server.supply.Papers;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Makes a backup, and puts one in place of everything, once all of it has been checked. */
@Service
public class Backups {
    private static final String SCHEMA = "/backup/backup-1.schema.json";
    private static final int MOST_PROBLEMS = 20;

    private final Stations stations;
    private final StationMapper stationMapper;
    private final RunStore store;
    private final RunMapper runs;
    private final CardMapper cards;
    private final Cards kept;
    private final Papers papers;
    private final PaperMapper paperMapper;
    private final JsonMapper json;
    private final Clock clock;

    Backups(
            Stations stations,
            StationMapper stationMapper,
            RunStore store,
            RunMapper runs,
            CardMapper cards,
            Cards kept,
            Papers papers,
            PaperMapper paperMapper,
            JsonMapper json,
            Clock clock) {
        this.stations = stations;
        this.stationMapper = stationMapper;
        this.store = store;
        this.runs = runs;
        this.cards = cards;
        this.kept = kept;
        this.papers = papers;
        this.paperMapper = paperMapper;
        this.json = json;
        this.clock = clock;
    }

    /** Returns everything, read in one snapshot. */
    @Transactional(readOnly = true, isolation = org.springframework.transaction.annotation.Isolation.REPEATABLE_READ)
    public Backup make() {
        List<Backup.RunEntry> entries = new ArrayList<>();
        for (UUID id : runs.allIds()) {
            List<EventRow> rows = runs.events(id);
            List<Recorded> events = store.events(id);
            List<Backup.EventEntry> list = new ArrayList<>();
            for (int i = 0; i < rows.size(); i++) {
                EventRow row = rows.get(i);
                list.add(new Backup.EventEntry(
                        row.sequence(),
                        row.clientId(),
                        row.at(),
                        row.version(),
                        events.get(i).event()));
            }
            entries.add(new Backup.RunEntry(id, list));
        }
        return new Backup(
                Backup.FORMAT,
                Backup.VERSION,
                clock.instant(),
                stations.station().map(Stations.KeptStation::station).orElse(null),
                stations.station().map(Stations.KeptStation::revision).orElse(0),
                stations.equipment().stream()
                        .map(kept -> new Backup.EquipmentEntry(kept.id(), kept.revision(), kept.equipment()))
                        .toList(),
                entries,
                cards.all().stream().filter(row -> row.runId() == null).toList(),
                papers.all().stream()
                        .map(one -> new Backup.PaperEntry(
                                one.id(), one.kind(), one.revision(), one.changedAt(), one.paper()))
                        .toList());
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

    /** Returns a backup from its text; fails with {@link Refused} where any of it does not hold. */
    public Backup read(String text) {
        refuseForeign(text);
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(schema(), InputFormat.JSON);
        List<Error> errors = schema.validate(text, InputFormat.JSON);
        if (!errors.isEmpty()) {
            throw new Refused(errors.stream()
                    .limit(MOST_PROBLEMS)
                    .map(error -> new Problem(
                            ProblemCode.MALFORMED,
                            error.getInstanceLocation().toString(),
                            error.getMessage(),
                            new Allowed.Nothing()))
                    .toList());
        }
        Backup backup;
        try {
            backup = json.readValue(text, Backup.class);
        } catch (JacksonException e) {
            throw new Refused(JsonProblems.of(e));
        }
        for (Backup.RunEntry run : backup.runs()) {
            replay(run);
        }
        if (backup.cardRows() != null) {
            backup.cardRows().forEach(kept::row);
        }
        papers(backup);
        return backup;
    }

    private List<Papers.Kept> papers(Backup backup) {
        return backup.papers() == null
                ? List.of()
                : backup.papers().stream()
                        .map(one -> new Papers.Kept(
                                one.id(),
                                one.kind(),
                                one.revision(),
                                one.changedAt(),
                                papers.read(one.kind(), one.paper())))
                        .toList();
    }

    private void refuseForeign(String text) {
        Map<?, ?> top;
        try {
            top = json.readValue(text, Map.class);
        } catch (JacksonException e) {
            throw new Refused(new Problem(ProblemCode.MALFORMED, "", "", new Allowed.Nothing()));
        }
        if (!Backup.FORMAT.equals(top.get("format"))
                || !Integer.valueOf(Backup.VERSION).equals(top.get("version"))) {
            throw new Refused(new Problem(
                    ProblemCode.UNSUPPORTED_VERSION,
                    "version",
                    top.get("format") + " " + top.get("version"),
                    new Allowed.OneOf(List.of(Backup.FORMAT + " " + Backup.VERSION))));
        }
    }

    /** Puts a backup in place of everything, in one transaction. */
    @Transactional
    public void restore(Backup backup) {
        paperMapper.deleteAll();
        cards.deleteAll();
        runs.deleteAllEvents();
        runs.deleteAllRuns();
        stationMapper.deleteAllEquipment();
        stationMapper.deleteStation();
        if (backup.station() != null) {
            stations.restore(backup.station(), backup.stationRevision());
        }
        backup.equipment().forEach(entry -> stations.restore(entry.id(), entry.revision(), entry.equipment()));
        for (Backup.RunEntry run : backup.runs()) {
            List<UUID> clients =
                    run.events().stream().map(Backup.EventEntry::clientId).toList();
            store.restore(run.id(), clients, recorded(run));
        }
        if (backup.cardRows() != null) {
            backup.cardRows().forEach(cards::insert);
        }
        papers(backup).forEach(papers::restore);
    }

    private static List<Recorded> recorded(Backup.RunEntry run) {
        return run.events().stream()
                .map(entry -> new Recorded(entry.sequence(), entry.at(), entry.event()))
                .toList();
    }

    private static RunState replay(Backup.RunEntry run) {
        try {
            return Replay.of(recorded(run));
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new Refused(new Problem(
                    ProblemCode.RUN_CORRUPT, "runs", run.id() + ": " + e.getMessage(), new Allowed.Nothing()));
        }
    }
}
