package org.tubrin.server.station;

import java.util.List;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;

/** What was changed of the station, in a backup. */
@Component
@Order(5)
class AlterationBackup implements BackupPart {
    private static final String ALTERATIONS = "alterations";

    private final Alterations alterations;

    AlterationBackup(Alterations alterations) {
        this.alterations = alterations;
    }

    @Override
    public List<Field> fields() {
        return List.of(new Field(ALTERATIONS, true));
    }

    @Override
    public List<String> tables() {
        return List.of("alteration");
    }

    @Override
    public void write(JsonGenerator to, Written written) {
        to.writeArrayPropertyStart(ALTERATIONS);
        alterations.rows().forEach(to::writePOJO);
        to.writeEndArray();
    }

    @Override
    public Intake intake(boolean apply) {
        return (name, from, reading) -> reading.each(from, () -> take(from, reading, apply));
    }

    private void take(JsonParser from, BackupReading reading, boolean apply) {
        AlterationRow row = from.readValueAs(AlterationRow.class);
        reading.once("id", "alteration", row.id());
        row.alteration();
        if (apply) {
            alterations.restore(row);
        }
    }
}
