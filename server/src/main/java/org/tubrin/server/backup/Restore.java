package org.tubrin.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Station;
import org.tubrin.core.tuneup.Recorded;
import org.tubrin.core.tuneup.Replay;
import org.tubrin.core.tuneup.RunState;
import org.tubrin.server.card.CardMapper;
import org.tubrin.server.card.CardRecord;
import org.tubrin.server.card.Cards;
import org.tubrin.server.run.BulkRuns;
import org.tubrin.server.run.RunMapper;
import org.tubrin.server.station.StationMapper;
import org.tubrin.server.station.Stations;
import org.tubrin.server.store.EventForms;
import org.tubrin.server.store.JsonProblems;
import org.tubrin.server.supply.PaperMapper;
import org.tubrin.server.supply.Papers;
import org.tubrin.server.web.Calls;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads a backup part by part and checks each; where asked to puts it in place of everything, in one transaction: all of it, or
 * where any of it does not hold nothing.
 */
@Service
public class Restore {
    private final Stations stations;
    private final StationMapper stationMapper;
    private final RunMapper runs;
    private final CardMapper cards;
    private final Cards cardRows;
    private final Papers papers;
    private final PaperMapper paperMapper;
    private final BulkRuns bulk;
    private final EventForms forms;
    private final JsonMapper json;

    Restore(
            Stations stations,
            StationMapper stationMapper,
            RunMapper runs,
            CardMapper cards,
            Cards cardRows,
            Papers papers,
            PaperMapper paperMapper,
            BulkRuns bulk,
            EventForms forms,
            JsonMapper json) {
        this.stations = stations;
        this.stationMapper = stationMapper;
        this.runs = runs;
        this.cards = cards;
        this.cardRows = cardRows;
        this.papers = papers;
        this.paperMapper = paperMapper;
        this.bulk = bulk;
        this.forms = forms;
        this.json = json;
    }

    /** What a backup holds, and whether it is now in place. */
    public record Report(
            boolean restored, Instant madeAt, @Nullable String station, int equipment, int runs, long events) {}

    /** Reads a backup; fails with {@link Refused} where any of it does not hold, and then changes nothing. */
    @Transactional
    public Report restore(InputStream in, boolean apply) {
        deleteAll();
        Reading reading = new Reading();
        try (JsonParser from = json.createParser(in)) {
            reading.document(from);
        } catch (JacksonException e) {
            throw reading.refused(e);
        }
        if (!apply) {
            TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
        }
        return new Report(
                apply,
                Objects.requireNonNull(reading.madeAt),
                reading.station == null ? null : reading.station.name(),
                reading.equipment,
                reading.runs,
                reading.events);
    }

    private void deleteAll() {
        paperMapper.deleteAll();
        cards.deleteAll();
        runs.deleteAllEvents();
        runs.deleteAllRuns();
        stationMapper.deleteAllEquipment();
        stationMapper.deleteStation();
    }

    /** One reading of a document, with where it stands. */
    private final class Reading {
        private final Map<String, Object> heading = new LinkedHashMap<>();
        private @Nullable Instant madeAt;
        private @Nullable Station station;
        private int equipment;
        private int runs;
        private long events;
        private String at = "";

        void document(JsonParser from) {
            if (from.nextToken() != JsonToken.START_OBJECT) {
                throw refused(ProblemCode.MALFORMED, "");
            }
            while (from.nextToken() == JsonToken.PROPERTY_NAME) {
                String name = from.currentName();
                at = name;
                JsonToken token = from.nextToken();
                boolean absent = token == JsonToken.VALUE_NULL;
                switch (name) {
                    case "format", "version" -> heading.put(name, from.readValueAs(Object.class));
                    case "madeAt" -> madeAt = from.readValueAs(Instant.class);
                    case "stationRevision" -> {
                        int revision = from.getIntValue();
                        if (station != null) {
                            stations.restore(station, revision);
                        }
                    }
                    case "station" -> station = absent ? null : from.readValueAs(Station.class);
                    case "equipment" ->
                        each(from, name, () -> {
                            Backup.EquipmentEntry one = from.readValueAs(Backup.EquipmentEntry.class);
                            stations.restore(one.id(), one.revision(), one.equipment());
                            equipment++;
                        });
                    case "runs" -> {
                        BulkRuns.Load load = bulk.begin();
                        each(from, name, () -> run(from.readValueAs(Backup.RunEntry.class), load));
                        load.flush();
                    }
                    case "cardRows" -> {
                        if (!absent) {
                            each(from, name, () -> {
                                CardRecord row = from.readValueAs(CardRecord.class);
                                cardRows.row(row);
                                cards.insert(row);
                            });
                        }
                    }
                    case "papers" -> {
                        if (!absent) {
                            each(from, name, () -> paper(from.readValueAs(Backup.PaperEntry.class)));
                        }
                    }
                    default -> throw refused(ProblemCode.UNKNOWN_FIELD, name);
                }
            }
            headed();
            if (madeAt == null) {
                at = "madeAt";
                throw refused(ProblemCode.MISSING, "");
            }
            if (from.nextToken() != null) {
                throw refused(ProblemCode.MALFORMED, "");
            }
        }

        /** Reads an array, entry by entry; the form must have been said before. */
        private void each(JsonParser from, String name, Runnable entry) {
            headed();
            if (from.currentToken() != JsonToken.START_ARRAY) {
                throw refused(ProblemCode.WRONG_KIND, from.getString());
            }
            for (int i = 0; from.nextToken() != JsonToken.END_ARRAY; i++) {
                at = name + "." + i;
                entry.run();
            }
        }

        private void headed() {
            String known = Backup.FORMAT + " " + Backup.VERSION;
            String found = heading.get("format") + " " + heading.get("version");
            if (!known.equals(found)) {
                throw new Refused(new Problem(
                        ProblemCode.UNSUPPORTED_VERSION, "version", found, new Allowed.OneOf(List.of(known))));
            }
        }

        private void run(Backup.RunEntry entry, BulkRuns.Load load) {
            List<Recorded> recorded = new ArrayList<>();
            for (Backup.EventEntry one : entry.events()) {
                try {
                    recorded.add(new Recorded(one.sequence(), one.at(), forms.read(one.version(), one.event())));
                } catch (JacksonException e) {
                    at += ".events." + recorded.size() + ".event";
                    throw e;
                }
            }
            load.add(entry.id(), state(entry.id(), recorded), rows(entry));
            runs++;
            events += recorded.size();
        }

        private List<BulkRuns.Event> rows(Backup.RunEntry entry) {
            return entry.events().stream()
                    .map(one -> new BulkRuns.Event(
                            one.sequence(),
                            one.clientId(),
                            one.at(),
                            one.version(),
                            one.event().toString()))
                    .toList();
        }

        private RunState state(UUID id, List<Recorded> recorded) {
            try {
                return Replay.of(recorded);
            } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
                throw new Refused(
                        new Problem(ProblemCode.RUN_CORRUPT, at, id + ": " + e.getMessage(), new Allowed.Nothing()));
            }
        }

        private void paper(Backup.PaperEntry one) {
            papers.restore(new Papers.Kept(
                    one.id(), one.kind(), one.revision(), one.changedAt(), papers.read(one.kind(), one.paper())));
        }

        private Refused refused(ProblemCode code, String found) {
            return new Refused(new Problem(code, at, found, new Allowed.Nothing()));
        }

        /** Returns the refusal behind a failure to read, told by where it lies; a call that is cut off stays what it is. */
        RuntimeException refused(JacksonException failure) {
            for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
                if (cause instanceof Calls.TooLarge tooLarge) {
                    return new IllegalArgumentException(tooLarge);
                }
                if (cause instanceof IOException cutOff) {
                    return new java.io.UncheckedIOException(cutOff);
                }
            }
            return new Refused(JsonProblems.of(failure).stream()
                    .map(problem -> problem.under(at))
                    .toList());
        }
    }
}
