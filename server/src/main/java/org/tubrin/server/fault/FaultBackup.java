package org.tubrin.server.fault;

import java.util.List;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;

/** Cases in a backup. */
@Component
@Order(6)
class FaultBackup implements BackupPart {
    private static final String CASES = "faultCases";

    private final FaultCases cases;

    FaultBackup(FaultCases cases) {
        this.cases = cases;
    }

    @Override
    public List<Field> fields() {
        return List.of(new Field(CASES, true));
    }

    @Override
    public List<String> tables() {
        return List.of("fault_case");
    }

    @Override
    public void write(JsonGenerator to, Written written) {
        to.writeArrayPropertyStart(CASES);
        cases.all().forEach(to::writePOJO);
        to.writeEndArray();
    }

    @Override
    public Intake intake(boolean apply) {
        return (name, from, reading) -> reading.each(from, () -> take(from, reading, apply));
    }

    private void take(JsonParser from, BackupReading reading, boolean apply) {
        FaultCases.Stored one = from.readValueAs(FaultCases.Stored.class);
        reading.once("id", "faultCase", one.id());
        if (apply) {
            cases.restore(one);
        }
    }
}
