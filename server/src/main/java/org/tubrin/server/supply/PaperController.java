package org.tubrin.server.supply;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.supply.ProfileReading;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.server.web.Csv;
import org.tubrin.server.web.TextFile;

/** Plans, profiles and high-voltage supplies, kept. */
@RestController
@RequestMapping("/api/papers")
public class PaperController {
    private final Papers papers;

    PaperController(Papers papers) {
        this.papers = papers;
    }

    /** A paper; the body has the form of the backup's schema. */
    public record PaperView(UUID id, PaperKind kind, int revision, String name, Instant changedAt, Object body) {}

    @GetMapping
    List<PaperView> list() {
        return papers.all().stream().map(papers::view).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    PaperView add(@RequestParam PaperKind kind, @RequestBody Map<String, Object> body) {
        return papers.view(papers.add(UUID.randomUUID(), kind, papers.read(kind, body)));
    }

    @PutMapping("/{id}")
    PaperView replace(@PathVariable UUID id, @RequestParam int revision, @RequestBody Map<String, Object> body) {
        return papers.view(
                papers.replace(id, revision, papers.read(papers.get(id).kind(), body)));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        papers.remove(id);
    }

    /** Returns a profile's readings as a file. */
    @GetMapping(value = "/{id}/readings.csv", produces = Csv.TYPE)
    ResponseEntity<String> csv(@PathVariable UUID id) {
        if (papers.get(id).paper() instanceof ProfileRun run) {
            return ProfileFile.reply(run);
        }
        throw new Refused(new Problem(ProblemCode.UNKNOWN_NAME, "id", id.toString(), new Allowed.Nothing()));
    }

    /** What a file of readings holds. */
    public record FileReadings(List<ProfileReading> listening, List<ProfileReading> keyed) {}

    /** Reads a file of readings, without keeping it. */
    @PostMapping("/readings")
    FileReadings readings(@RequestBody TextFile file) {
        return ProfileFile.read(file.text());
    }
}
