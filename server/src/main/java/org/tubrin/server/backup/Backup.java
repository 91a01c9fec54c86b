package org.tubrin.server.backup;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Station;
import org.tubrin.core.tuneup.RunEvent;
import org.tubrin.server.card.CardRecord;
import org.tubrin.server.supply.PaperKind;

/**
 * Everything that the station holds, as one document; its form is published as a JSON schema.
 *
 * @param format always {@link #FORMAT}
 * @param version of the form
 * @param madeAt when it was made
 * @param station the station, where described
 * @param stationRevision revision of the station's record
 * @param equipment all records
 * @param runs all runs with all their events; their card rows are derived from them
 * @param cardRows rows of cards that came from files; absent in backups from before there were any
 * @param papers plans, profiles and high-voltage supplies; absent in backups from before there were any
 */
public record Backup(
        String format,
        int version,
        Instant madeAt,
        @Nullable Station station,
        int stationRevision,
        List<EquipmentEntry> equipment,
        List<RunEntry> runs,
        @Nullable List<CardRecord> cardRows,
        @Nullable List<PaperEntry> papers) {
    /** Name of the form. */
    public static final String FORMAT = "tubrin-backup";

    /** Version of the form that is written now. */
    public static final int VERSION = 1;

    /** One record of equipment. */
    public record EquipmentEntry(UUID id, int revision, Equipment equipment) {}

    /** One plan, profile or high-voltage supply; its kind says which. */
    public record PaperEntry(UUID id, PaperKind kind, int revision, Instant changedAt, Object paper) {}

    /** One run. */
    public record RunEntry(UUID id, List<EventEntry> events) {}

    /** One event of a run. */
    public record EventEntry(long sequence, UUID clientId, Instant at, int version, RunEvent event) {}
}
