package org.tubrin.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.server.store.BackupPart;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes everything out as one document of a form that is published as a JSON schema: form, version and moment, then what each
 * feature keeps.
 */
@Service
public class Backups {
    /** Name of the form. */
    static final String FORMAT = "tubrin-backup";

    /** Version of the form that is written now. */
    static final int VERSION = 1;

    private static final String SCHEMA = "/backup/backup-1.schema.json";

    private final List<BackupPart> parts;
    private final Progress progress;
    private final JsonMapper json;
    private final Clock clock;

    Backups(List<BackupPart> parts, Progress progress, JsonMapper json, Clock clock) {
        this.parts = parts;
        this.progress = progress;
        this.json = json;
        this.clock = clock;
    }

    /** Writes a backup, all of it as it stands at one moment. */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public void write(OutputStream out) {
        try (Progress.Job job = progress.begin(Progress.Doing.SAVING)) {
            // Closed only when all is written: closing after a failure would end every list and pass for a whole
            // backup.
            JsonGenerator to = json.writer().createGenerator(out);
            to.writeStartObject();
            to.writeStringProperty("format", FORMAT);
            to.writeNumberProperty("version", VERSION);
            to.writePOJOProperty("madeAt", clock.instant());
            parts.forEach(part -> part.write(to, (done, all) -> {
                job.at(done, all);
                job.atRun(done);
            }));
            to.writeEndObject();
            to.close();
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
