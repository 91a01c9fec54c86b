package org.tubrin.server.backup;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunState;
import org.tubrin.core.station.Station;
import org.tubrin.server.card.CardRecord;
import org.tubrin.server.card.Cards;
import org.tubrin.server.run.BulkRuns;
import org.tubrin.server.station.Stations;
import org.tubrin.server.store.EventForms;
import org.tubrin.server.store.JsonProblems;
import org.tubrin.server.supply.SupplyRecordKind;
import org.tubrin.server.supply.SupplyRecords;
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
    /** Few, so that what is under way dies young in the heap. */
    private static final int MOST_UNDER_WAY = 8;

    private final Stations stations;
    private final Cards cardRows;
    private final SupplyRecords papers;
    private final BulkRuns bulk;
    private final EventForms forms;
    private final JsonMapper json;
    private final Progress progress;
    private final TransactionTemplate transactions;

    Restore(
            Stations stations,
            Cards cardRows,
            SupplyRecords papers,
            BulkRuns bulk,
            EventForms forms,
            JsonMapper json,
            Progress progress,
            PlatformTransactionManager transactions) {
        this.stations = stations;
        this.cardRows = cardRows;
        this.papers = papers;
        this.bulk = bulk;
        this.forms = forms;
        this.json = json;
        this.progress = progress;
        this.transactions = new TransactionTemplate(transactions);
    }

    /** What a backup holds, and whether it is now in place. */
    public record Report(
            boolean restored, Instant madeAt, @Nullable String station, int equipment, int runs, long events) {}

    /** Reads a backup; fails with {@link Refused} where any of it does not hold, and then changes nothing. */
    public Report restore(InputStream in, long length, boolean apply) {
        try (Progress.Job job =
                progress.begin(apply ? Progress.Doing.RESTORING : Progress.Doing.CHECKING, Math.max(0, length))) {
            InputStream counted = new Counted(in, job);
            return apply
                    ? Objects.requireNonNull(
                            transactions.execute(status -> read(counted, Optional.of(new Target(bulk.begin())), job)))
                    : read(counted, Optional.empty(), job);
        }
    }

    /** Tells how many bytes went through. */
    private static final class Counted extends FilterInputStream {
        private final Progress.Job job;
        private long bytes;

        Counted(InputStream in, Progress.Job job) {
            super(in);
            this.job = job;
        }

        @Override
        public int read(byte[] into, int from, int most) throws IOException {
            int read = super.read(into, from, most);
            bytes += Math.max(0, read);
            job.at(bytes);
            return read;
        }
    }

    private Report read(InputStream in, Optional<Target> target, Progress.Job job) {
        ExecutorService workers =
                Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());
        Reading reading = new Reading(target, job, workers);
        try (JsonParser from = json.createParser(in)) {
            reading.document(from);
        } catch (JacksonException e) {
            throw reading.refused(e);
        } finally {
            workers.shutdownNow();
        }
        return new Report(
                target.isPresent(),
                Objects.requireNonNull(reading.madeAt),
                reading.station == null ? null : reading.station.name(),
                reading.equipment,
                reading.runs,
                reading.events);
    }

    /** Returns what a run comes to, as lines where wanted; fails with {@link Refused} where it does not hold. */
    private Optional<BulkRuns.Lines> derived(String at, Backup.RunEntry entry, boolean wanted) {
        List<Recorded> recorded = new ArrayList<>();
        for (Backup.EventEntry one : entry.events()) {
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
            // No view shows a run without dials yet.
            if (state.setup().stage().dial(Control.PLATE).isEmpty()) {
                throw new Refused(new Problem(
                        ProblemCode.NO_DIALS, at, state.setup().amplifier().name(), new Allowed.Nothing()));
            }
            return wanted ? Optional.of(bulk.lines(entry.id(), state, rows(entry))) : Optional.empty();
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new Refused(new Problem(
                    ProblemCode.RUN_CORRUPT, at, entry.id() + ": " + e.getMessage(), new Allowed.Nothing()));
        }
    }

    private static List<BulkRuns.Event> rows(Backup.RunEntry entry) {
        return entry.events().stream()
                .map(one -> new BulkRuns.Event(
                        one.sequence(),
                        one.clientId(),
                        one.at(),
                        one.version(),
                        one.event().toString()))
                .toList();
    }

    /** Where what was read is put. */
    private final class Target {
        private final BulkRuns.Load load;

        Target(BulkRuns.Load load) {
            this.load = load;
        }

        void add(Backup.EquipmentEntry one) {
            stations.restore(one.id(), one.revision(), one.equipment());
        }

        void add(SupplyRecords.Stored paper) {
            papers.restore(paper);
        }

        void end(@Nullable Station station, int revision) {
            if (station != null) {
                stations.restore(station, revision);
            }
            load.end();
        }
    }

    /** One reading of a document, with where it stands. */
    private final class Reading {
        private final Optional<Target> target;
        private final Progress.Job job;
        private final ExecutorService workers;
        private final Deque<Future<Optional<BulkRuns.Lines>>> underWay = new ArrayDeque<>();
        private final Map<String, Object> parts = new LinkedHashMap<>();
        private final Set<List<Object>> seen = new HashSet<>();
        private @Nullable Instant madeAt;
        private @Nullable Station station;
        private int stationRevision = 1;
        private int equipment;
        private int runs;
        private long events;
        private String at = "";

        Reading(Optional<Target> target, Progress.Job job, ExecutorService workers) {
            this.target = target;
            this.workers = workers;
            this.job = job;
        }

        void document(JsonParser from) {
            if (from.nextToken() != JsonToken.START_OBJECT) {
                throw refused(ProblemCode.MALFORMED, "");
            }
            while (from.nextToken() == JsonToken.PROPERTY_NAME) {
                at = from.currentName();
                from.nextToken();
                part(from, at);
            }
            headed();
            for (String part : List.of("madeAt", "equipment", "runs")) {
                if (!parts.containsKey(part)) {
                    at = part;
                    throw refused(ProblemCode.MISSING, "");
                }
            }
            if (from.nextToken() != null) {
                throw refused(ProblemCode.MALFORMED, "");
            }
            at = "";
            target.ifPresent(to -> to.end(station, stationRevision));
        }

        private void part(JsonParser from, String name) {
            if (parts.put(name, true) != null) {
                throw refused(ProblemCode.DUPLICATE, name);
            }
            boolean mayMiss = name.equals("station") || name.equals("cardRows") || name.equals("papers");
            if (mayMiss && from.currentToken() == JsonToken.VALUE_NULL) {
                return;
            }
            switch (name) {
                case "format", "version" -> parts.put(name, from.readValueAs(Object.class));
                case "madeAt" -> madeAt = from.readValueAs(Instant.class);
                case "stationRevision" -> stationRevision = Math.max(1, from.getIntValue());
                case "station" -> station = from.readValueAs(Station.class);
                case "equipment" -> each(from, name, () -> equipment(from.readValueAs(Backup.EquipmentEntry.class)));
                case "runs" -> {
                    each(from, name, () -> run(from.readValueAs(Backup.RunEntry.class)));
                    while (!underWay.isEmpty()) {
                        take();
                    }
                }
                case "cardRows" -> each(from, name, () -> cardRow(from.readValueAs(CardRecord.class)));
                case "papers" -> each(from, name, () -> paper(from.readValueAs(Backup.PaperEntry.class)));
                default -> throw refused(ProblemCode.UNKNOWN_FIELD, name);
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
            String found = parts.get("format") + " " + parts.get("version");
            if (!known.equals(found)) {
                throw new Refused(new Problem(
                        ProblemCode.UNSUPPORTED_VERSION, "version", found, new Allowed.OneOf(List.of(known))));
            }
        }

        /** Refuses what stands in the file twice. */
        private void once(String field, Object... key) {
            if (!seen.add(List.of(key))) {
                at += "." + field;
                throw refused(ProblemCode.DUPLICATE, key[key.length - 1].toString());
            }
        }

        private void equipment(Backup.EquipmentEntry one) {
            once("id", "equipment", one.id());
            once("equipment.name", "name", one.equipment().name().strip().toLowerCase(Locale.ROOT));
            target.ifPresent(to -> to.add(one));
            equipment++;
        }

        /** Leaves a run to be derived beside the reading of the next ones; what is derived is taken in the order of the file. */
        private void run(Backup.RunEntry entry) {
            once("id", "run", entry.id());
            String where = at;
            underWay.add(workers.submit(() -> derived(where, entry, target.isPresent())));
            runs++;
            events += entry.events().size();
            job.atRun(runs);
            if (underWay.size() >= MOST_UNDER_WAY) {
                take();
            }
        }

        private void take() {
            try {
                Optional<BulkRuns.Lines> lines = underWay.remove().get();
                target.ifPresent(to -> lines.ifPresent(to.load::add));
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

        private void cardRow(CardRecord row) {
            once("id", "cardRow", row.id());
            cardRows.row(row);
            target.ifPresent(to -> to.load.add(row));
        }

        private void paper(Backup.PaperEntry one) {
            SupplyRecords.Stored kept = new SupplyRecords.Stored(
                    one.id(), one.kind(), one.revision(), one.changedAt(), papers.read(one.kind(), one.paper()));
            once("id", "paper", one.id());
            once(
                    "paper.name",
                    one.kind(),
                    SupplyRecordKind.nameOf(kept.paper()).strip().toLowerCase(Locale.ROOT));
            target.ifPresent(to -> to.add(kept));
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
