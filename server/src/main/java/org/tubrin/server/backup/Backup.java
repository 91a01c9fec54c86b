package org.tubrin.server.backup;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.tubrin.core.station.Equipment;
import org.tubrin.server.supply.SupplyRecordKind;
import tools.jackson.databind.JsonNode;

/**
 * The parts of a backup: one document with everything that the station holds, of a form that is published as a JSON schema. Its
 * fields stand in the order in which they are written: form, version, moment, station, equipment, runs with all their events,
 * rows of cards that came from files, papers. Card rows of runs are derived from them.
 */
final class Backup {
    /** Name of the form. */
    static final String FORMAT = "tubrin-backup";

    /** Version of the form that is written now. */
    static final int VERSION = 1;

    private Backup() {}

    /** One record of equipment. */
    record EquipmentEntry(UUID id, int revision, Equipment equipment) {}

    /** One plan, profile or high-voltage supply; its kind says which. */
    record PaperEntry(UUID id, SupplyRecordKind kind, int revision, Instant changedAt, Object paper) {}

    /** One run. */
    record RunEntry(UUID id, List<EventEntry> events) {}

    /** One event of a run, in the form of its version. */
    record EventEntry(long sequence, UUID clientId, Instant at, int version, JsonNode event) {}
}
