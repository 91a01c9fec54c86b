package org.tubrin.server.supply;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
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
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.supply.Plan;
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

    /** What is kept, as the page takes it. */
    public sealed interface PaperView {}

    /** A plan. */
    public record PlanPaper(
            UUID id,
            @Schema(allowableValues = "PLAN") PaperKind kind,
            int revision,
            String name,
            Instant changedAt,
            Plan body)
            implements PaperView {}

    /** The measuring of a set. */
    public record ProfilePaper(
            UUID id,
            @Schema(allowableValues = "PROFILE") PaperKind kind,
            int revision,
            String name,
            Instant changedAt,
            ProfileRun body)
            implements PaperView {}

    /** A high-voltage supply. */
    public record HighVoltagePaper(
            UUID id,
            @Schema(allowableValues = "HIGH_VOLTAGE") PaperKind kind,
            int revision,
            String name,
            Instant changedAt,
            HighVoltage body)
            implements PaperView {}

    @GetMapping
    List<PaperView> list() {
        return papers.all().stream().map(PaperController::view).toList();
    }

    @PostMapping("/plans")
    @ResponseStatus(HttpStatus.CREATED)
    PaperView addPlan(@RequestBody Plan plan) {
        return view(papers.add(UUID.randomUUID(), PaperKind.PLAN, plan));
    }

    @PostMapping("/profiles")
    @ResponseStatus(HttpStatus.CREATED)
    PaperView addProfile(@RequestBody ProfileRun run) {
        return view(papers.add(UUID.randomUUID(), PaperKind.PROFILE, run));
    }

    @PostMapping("/high-voltages")
    @ResponseStatus(HttpStatus.CREATED)
    PaperView addHighVoltage(@RequestBody HighVoltage supply) {
        return view(papers.add(UUID.randomUUID(), PaperKind.HIGH_VOLTAGE, supply));
    }

    @PutMapping("/plans/{id}")
    PaperView replacePlan(@PathVariable UUID id, @RequestParam int revision, @RequestBody Plan plan) {
        return view(papers.replace(id, PaperKind.PLAN, revision, plan));
    }

    @PutMapping("/profiles/{id}")
    PaperView replaceProfile(@PathVariable UUID id, @RequestParam int revision, @RequestBody ProfileRun run) {
        return view(papers.replace(id, PaperKind.PROFILE, revision, run));
    }

    @PutMapping("/high-voltages/{id}")
    PaperView replaceHighVoltage(@PathVariable UUID id, @RequestParam int revision, @RequestBody HighVoltage supply) {
        return view(papers.replace(id, PaperKind.HIGH_VOLTAGE, revision, supply));
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

    static PaperView view(Papers.Kept kept) {
        String name = PaperKind.nameOf(kept.paper());
        return switch (kept.kind()) {
            case PLAN ->
                new PlanPaper(kept.id(), kept.kind(), kept.revision(), name, kept.changedAt(), (Plan) kept.paper());
            case PROFILE ->
                new ProfilePaper(
                        kept.id(), kept.kind(), kept.revision(), name, kept.changedAt(), (ProfileRun) kept.paper());
            case HIGH_VOLTAGE ->
                new HighVoltagePaper(
                        kept.id(), kept.kind(), kept.revision(), name, kept.changedAt(), (HighVoltage) kept.paper());
        };
    }
}
