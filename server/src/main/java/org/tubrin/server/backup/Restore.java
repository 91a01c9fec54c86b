package org.tubrin.server.backup;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import org.tubrin.server.store.JsonProblems;
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
    private final List<BackupPart> parts;
    private final JdbcTemplate database;
    private final JsonMapper json;
    private final Progress progress;
    private final TransactionTemplate transactions;

    Restore(
            List<BackupPart> parts,
            JdbcTemplate database,
            JsonMapper json,
            Progress progress,
            PlatformTransactionManager transactions) {
        this.parts = parts;
        this.database = database;
        this.json = json;
        this.progress = progress;
        this.transactions = new TransactionTemplate(transactions);
    }

    /** What a backup holds, and whether it is now in place. */
    public record Report(
            boolean restored, Instant madeAt, @Nullable String station, int equipment, int runs, long events) {}

    /** Reads a backup; fails with {@link Refused} where any of it does not hold, and then changes nothing. */
    public Report restore(InputStream in, long length, boolean apply) {
        try (Progress.Job job = progress.begin(apply ? Progress.Doing.RESTORING : Progress.Doing.CHECKING)) {
            InputStream counted = new Counted(in, job, Math.max(0, length));
            return apply
                    ? Objects.requireNonNull(transactions.execute(status -> {
                        database.execute("truncate "
                                + parts.stream()
                                        .flatMap(part -> part.tables().stream())
                                        .collect(Collectors.joining(", ")));
                        return read(counted, true, job);
                    }))
                    : read(counted, false, job);
        }
    }

    /** Tells how many bytes went through. */
    private static final class Counted extends FilterInputStream {
        private final Progress.Job job;
        private final long whole;
        private long bytes;

        Counted(InputStream in, Progress.Job job, long whole) {
            super(in);
            this.job = job;
            this.whole = whole;
        }

        @Override
        public int read(byte[] into, int from, int most) throws IOException {
            int read = super.read(into, from, most);
            bytes += Math.max(0, read);
            job.at(bytes, whole);
            return read;
        }
    }

    private Report read(InputStream in, boolean apply, Progress.Job job) {
        try (Document document = new Document(apply, job)) {
            try (JsonParser from = json.createParser(in)) {
                document.read(from);
            } catch (JacksonException e) {
                throw document.refused(e);
            }
            return document.report();
        }
    }

    /** One document that is read. */
    private final class Document implements AutoCloseable {
        private final boolean apply;
        private final BackupReading reading;
        private final Map<BackupPart, BackupPart.Intake> intakes = new HashMap<>();
        private final Set<String> met = new HashSet<>();
        private @Nullable Object format;
        private @Nullable Object version;
        private @Nullable Instant madeAt;

        Document(boolean apply, Progress.Job job) {
            this.apply = apply;
            reading = new BackupReading(job::atRun);
            parts.forEach(part -> intakes.put(part, part.intake(apply)));
        }

        void read(JsonParser from) {
            if (from.nextToken() != JsonToken.START_OBJECT) {
                throw reading.refused(ProblemCode.MALFORMED, "");
            }
            while (from.nextToken() == JsonToken.PROPERTY_NAME) {
                String name = from.currentName();
                reading.goTo(name);
                from.nextToken();
                if (!met.add(name)) {
                    throw reading.refused(ProblemCode.DUPLICATE, name);
                }
                field(from, name);
            }
            headed();
            parts.stream()
                    .flatMap(part -> part.fields().stream())
                    .filter(field -> !field.mayMiss())
                    .forEach(field -> demand(field.name()));
            demand("madeAt");
            if (from.nextToken() != null) {
                throw reading.refused(ProblemCode.MALFORMED, "");
            }
            reading.goTo("");
            parts.forEach(part -> intake(part).end());
        }

        private BackupPart.Intake intake(BackupPart part) {
            return Objects.requireNonNull(intakes.get(part));
        }

        private void demand(String field) {
            if (!met.contains(field)) {
                reading.goTo(field);
                throw reading.refused(ProblemCode.MISSING, "");
            }
        }

        private void field(JsonParser from, String name) {
            switch (name) {
                case "format" -> format = from.readValueAs(Object.class);
                case "version" -> version = from.readValueAs(Object.class);
                case "madeAt" -> madeAt = from.readValueAs(Instant.class);
                default -> {
                    headed();
                    ofPart(from, name);
                }
            }
        }

        private void ofPart(JsonParser from, String name) {
            for (BackupPart part : parts) {
                for (BackupPart.Field field : part.fields()) {
                    if (field.name().equals(name)) {
                        boolean absent = field.mayMiss() && (from.currentToken() == JsonToken.VALUE_NULL);
                        if (!absent) {
                            intake(part).field(name, from, reading);
                        }
                        return;
                    }
                }
            }
            throw reading.refused(ProblemCode.UNKNOWN_FIELD, name);
        }

        /** The form must have been said before what is of that form. */
        private void headed() {
            String known = Backups.FORMAT + " " + Backups.VERSION;
            String found = format + " " + version;
            if (!known.equals(found)) {
                throw new Refused(new Problem(
                        ProblemCode.UNSUPPORTED_VERSION, "version", found, new Allowed.OneOf(List.of(known))));
            }
        }

        Report report() {
            return new Report(
                    apply,
                    Objects.requireNonNull(madeAt),
                    reading.station().orElse(null),
                    (int) reading.counted(BackupReading.Counted.EQUIPMENT),
                    (int) reading.counted(BackupReading.Counted.RUNS),
                    reading.counted(BackupReading.Counted.EVENTS));
        }

        @Override
        public void close() {
            intakes.values().forEach(BackupPart.Intake::close);
        }

        /** Returns the refusal behind a failure to read, told by where it lies; a call that is cut off stays what it is. */
        RuntimeException refused(JacksonException failure) {
            for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
                if (cause instanceof Calls.TooLarge tooLarge) {
                    return new IllegalArgumentException(tooLarge);
                }
                if (cause instanceof IOException cutOff) {
                    return new UncheckedIOException(cutOff);
                }
            }
            return new Refused(JsonProblems.of(failure).stream()
                    .map(problem -> problem.under(reading.at()))
                    .toList());
        }
    }
}
