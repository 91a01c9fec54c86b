package org.tubrin.server.supply;

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
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.server.web.Csv;
import org.tubrin.server.web.TextFile;

/** Plans, profiles and high-voltage supplies, kept. */
@RestController
@RequestMapping("/api/supply-records")
public class SupplyRecordController {
    private final SupplyRecords papers;

    SupplyRecordController(SupplyRecords papers) {
        this.papers = papers;
    }

    @GetMapping
    List<SupplyRecordViews.SupplyRecordView> list() {
        return papers.all().stream().map(SupplyRecordViews::of).toList();
    }

    @PostMapping("/plans")
    @ResponseStatus(HttpStatus.CREATED)
    SupplyRecordViews.SupplyRecordView addPlan(@RequestBody Plan plan) {
        return SupplyRecordViews.of(papers.add(UUID.randomUUID(), SupplyRecordKind.PLAN, plan));
    }

    @PostMapping("/profiles")
    @ResponseStatus(HttpStatus.CREATED)
    SupplyRecordViews.SupplyRecordView addProfile(@RequestBody ProfileRun run) {
        return SupplyRecordViews.of(papers.add(UUID.randomUUID(), SupplyRecordKind.PROFILE, run));
    }

    @PostMapping("/high-voltages")
    @ResponseStatus(HttpStatus.CREATED)
    SupplyRecordViews.SupplyRecordView addHighVoltage(@RequestBody HighVoltage supply) {
        return SupplyRecordViews.of(papers.add(UUID.randomUUID(), SupplyRecordKind.HIGH_VOLTAGE, supply));
    }

    @PutMapping("/plans/{id}")
    SupplyRecordViews.SupplyRecordView replacePlan(
            @PathVariable UUID id, @RequestParam int revision, @RequestBody Plan plan) {
        return SupplyRecordViews.of(papers.replace(id, SupplyRecordKind.PLAN, revision, plan));
    }

    @PutMapping("/profiles/{id}")
    SupplyRecordViews.SupplyRecordView replaceProfile(
            @PathVariable UUID id, @RequestParam int revision, @RequestBody ProfileRun run) {
        return SupplyRecordViews.of(papers.replace(id, SupplyRecordKind.PROFILE, revision, run));
    }

    @PutMapping("/high-voltages/{id}")
    SupplyRecordViews.SupplyRecordView replaceHighVoltage(
            @PathVariable UUID id, @RequestParam int revision, @RequestBody HighVoltage supply) {
        return SupplyRecordViews.of(papers.replace(id, SupplyRecordKind.HIGH_VOLTAGE, revision, supply));
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

    /** Reads a file of readings, without keeping it. */
    @PostMapping("/readings")
    SupplyRecordViews.FileReadings readings(@RequestBody TextFile file) {
        return ProfileFile.read(file.text());
    }
}
