package org.tubrin.server.backup;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Backup and restore. */
@RestController
@RequestMapping("/api/backup")
public class BackupController {
    private final Backups backups;
    private final JsonMapper json;

    BackupController(Backups backups, JsonMapper json) {
        this.backups = backups;
        this.json = json;
    }

    /** What a backup holds, and whether it is now in place. */
    public record Report(
            boolean restored, Instant madeAt, @Nullable String station, int equipment, int runs, int events) {}

    @GetMapping(produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> make() {
        Backup backup = backups.make();
        String day = backup.madeAt().toString().substring(0, 10);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"tubrin-" + day + ".json\"")
                .body(json.writerWithDefaultPrettyPrinter().writeValueAsString(backup));
    }

    @GetMapping(value = "/schema", produces = "application/schema+json")
    String schema() {
        return backups.schema();
    }

    /** Checks a backup and, if asked to, puts it in place of everything. */
    @PostMapping(value = "/restore", consumes = MediaType.APPLICATION_JSON_VALUE)
    Report restore(@RequestParam boolean apply, @RequestBody byte[] body) {
        Backup backup = backups.read(new String(body, StandardCharsets.UTF_8));
        if (apply) {
            backups.restore(backup);
        }
        return new Report(
                apply,
                backup.madeAt(),
                backup.station() == null ? null : backup.station().name(),
                backup.equipment().size(),
                backup.runs().size(),
                backup.runs().stream().mapToInt(run -> run.events().size()).sum());
    }
}
