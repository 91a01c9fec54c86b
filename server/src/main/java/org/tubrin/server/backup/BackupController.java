package org.tubrin.server.backup;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedOutputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.time.Clock;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Backup and restore. */
@RestController
@RequestMapping("/api/backup")
public class BackupController {
    private final Backups backups;
    private final Restore restore;
    private final Progress progress;
    private final Clock clock;

    BackupController(Backups backups, Restore restore, Progress progress, Clock clock) {
        this.progress = progress;
        this.backups = backups;
        this.restore = restore;
        this.clock = clock;
    }

    @GetMapping(produces = MediaType.APPLICATION_JSON_VALUE)
    void make(HttpServletResponse response) throws IOException {
        // Not closed where it fails: closing would send what is there as if it were all.
        OutputStream out = new BufferedOutputStream(new Headed(response), 1 << 16);
        backups.write(out);
        out.flush();
    }

    /** Says what the reply is when its first bytes come: until then a failure may still be told as one. */
    private final class Headed extends FilterOutputStream {
        private final HttpServletResponse response;
        private boolean begun;

        Headed(HttpServletResponse response) throws IOException {
            super(response.getOutputStream());
            this.response = response;
        }

        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
            if (!begun) {
                begun = true;
                String day = clock.instant().toString().substring(0, 10);
                response.setContentType(MediaType.APPLICATION_JSON_VALUE);
                response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"tubrin-" + day + ".json\"");
            }
            out.write(bytes, from, length);
        }
    }

    /** Returns how far a backup or a restore is; nothing where none is going on. */
    @GetMapping("/progress")
    ResponseEntity<Progress.ProgressView> progress() {
        return progress.now()
                .map(ResponseEntity::ok)
                .orElseGet(() -> ResponseEntity.noContent().build());
    }

    @GetMapping(value = "/schema", produces = "application/schema+json")
    String schema() {
        return backups.schema();
    }

    /** Checks a backup and, if asked to, puts it in place of everything; its form is the published one. */
    @PostMapping(value = "/restore", consumes = MediaType.APPLICATION_JSON_VALUE)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            required = true,
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_JSON_VALUE,
                            schema = @Schema(type = "string", format = "binary")))
    Restore.Report restore(@RequestParam boolean apply, HttpServletRequest request) throws IOException {
        return restore.restore(request.getInputStream(), request.getContentLengthLong(), apply);
    }
}
