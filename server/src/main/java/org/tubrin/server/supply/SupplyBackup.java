package org.tubrin.server.supply;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;

/** Plans, profiles and high-voltage supplies in a backup; its form calls each of them a paper. */
@Component
@Order(4)
class SupplyBackup implements BackupPart {
    private static final String PAPERS = "papers";

    private final SupplyRecords records;

    SupplyBackup(SupplyRecords records) {
        this.records = records;
    }

    /** One plan, profile or high-voltage supply; its kind says which. */
    record Entry(UUID id, SupplyRecordKind kind, int revision, Instant changedAt, Object paper) {}

    @Override
    public List<Field> fields() {
        return List.of(new Field(PAPERS, true));
    }

    @Override
    public List<String> tables() {
        return List.of("paper");
    }

    @Override
    public void write(JsonGenerator to, Written written) {
        to.writeArrayPropertyStart(PAPERS);
        records.all()
                .forEach(one ->
                        to.writePOJO(new Entry(one.id(), one.kind(), one.revision(), one.changedAt(), one.paper())));
        to.writeEndArray();
    }

    @Override
    public Intake intake(boolean apply) {
        return (name, from, reading) -> reading.each(from, () -> take(from, reading, apply));
    }

    private void take(JsonParser from, BackupReading reading, boolean apply) {
        Entry one = from.readValueAs(Entry.class);
        SupplyRecords.Stored kept = new SupplyRecords.Stored(
                one.id(), one.kind(), one.revision(), one.changedAt(), records.read(one.kind(), one.paper()));
        reading.once("id", "paper", one.id());
        reading.once(
                "paper.name",
                one.kind(),
                SupplyRecordKind.nameOf(kept.paper()).strip().toLowerCase(Locale.ROOT));
        if (apply) {
            records.restore(kept);
        }
    }
}
