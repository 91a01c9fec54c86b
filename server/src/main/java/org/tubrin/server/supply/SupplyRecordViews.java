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
public final class SupplyRecordViews {
    private SupplyRecordViews() {}

    /** What is kept, as the page takes it. */
    public sealed interface SupplyRecordView {}

    /** A plan. */
    public record PlanRecord(
            UUID id,
            @Schema(allowableValues = "PLAN") SupplyRecordKind kind,
            int revision,
            String name,
            Instant changedAt,
            Plan body)
            implements SupplyRecordView {}

    /** The measuring of a set. */
    public record ProfileRecord(
            UUID id,
            @Schema(allowableValues = "PROFILE") SupplyRecordKind kind,
            int revision,
            String name,
            Instant changedAt,
            ProfileRun body)
            implements SupplyRecordView {}

    /** A high-voltage supply. */
    public record HighVoltageRecord(
            UUID id,
            @Schema(allowableValues = "HIGH_VOLTAGE") SupplyRecordKind kind,
            int revision,
            String name,
            Instant changedAt,
            HighVoltage body)
            implements SupplyRecordView {}

    /** What a file of readings holds. */
    public record FileReadings(List<ProfileReading> listening, List<ProfileReading> keyed) {}

    /** Returns one as the page takes it. */
    static SupplyRecordView of(SupplyRecords.Stored kept) {
        String name = SupplyRecordKind.nameOf(kept.paper());
        return switch (kept.kind()) {
            case PLAN ->
                new PlanRecord(kept.id(), kept.kind(), kept.revision(), name, kept.changedAt(), (Plan) kept.paper());
            case PROFILE ->
                new ProfileRecord(
                        kept.id(), kept.kind(), kept.revision(), name, kept.changedAt(), (ProfileRun) kept.paper());
            case HIGH_VOLTAGE ->
                new HighVoltageRecord(
                        kept.id(), kept.kind(), kept.revision(), name, kept.changedAt(), (HighVoltage) kept.paper());
        };
    }
}
