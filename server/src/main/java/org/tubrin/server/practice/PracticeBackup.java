package org.tubrin.server.practice;

import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;

/** Exercises in a backup, a page of them at a time. */
@Component
@Order(7)
class PracticeBackup implements BackupPart {
    private static final String PRACTICES = "practices";
    private static final int AT_A_TIME = 50;

    private final PracticeMapper mapper;
    private final Practices practices;

    PracticeBackup(PracticeMapper mapper, Practices practices) {
        this.mapper = mapper;
        this.practices = practices;
    }

    @Override
    public List<Field> fields() {
        return List.of(new Field(PRACTICES, true));
    }

    @Override
    public List<String> tables() {
        return List.of("practice", "practice_act");
    }

    @Override
    public void write(JsonGenerator to, Written written) {
        to.writeArrayPropertyStart(PRACTICES);
        List<PracticeRow> page = mapper.after(new UUID(0, 0), AT_A_TIME);
        while (!page.isEmpty()) {
            page.forEach(row -> to.writePOJO(practices.stored(row)));
            page = mapper.after(page.get(page.size() - 1).id(), AT_A_TIME);
        }
        to.writeEndArray();
    }

    @Override
    public Intake intake(boolean apply) {
        return new Intake() {
            @Override
            public void field(String name, JsonParser from, BackupReading reading) {
                reading.each(from, () -> take(from, reading, apply));
            }

            @Override
            public void end() {
                if (apply) {
                    practices.forgetAll();
                }
            }
        };
    }

    private void take(JsonParser from, BackupReading reading, boolean apply) {
        Practices.Stored one = from.readValueAs(Practices.Stored.class);
        reading.once("id", "practice", one.id());
        if (apply) {
            practices.restore(one);
        }
    }
}
