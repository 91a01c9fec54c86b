package org.tubrin.server.supply;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.ProfileReading;
import org.tubrin.core.supply.ProfileRun;

/** What the page is told of plans, measured sets and high-voltage supplies that are kept. */
public final class PaperViews {
    private PaperViews() {}

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

    /** What a file of readings holds. */
    public record FileReadings(List<ProfileReading> listening, List<ProfileReading> keyed) {}

    /** Returns one as the page takes it. */
    static PaperView of(Papers.Kept kept) {
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
