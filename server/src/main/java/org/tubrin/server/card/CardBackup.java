package org.tubrin.server.card;

import java.util.List;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import org.tubrin.server.store.BulkLoad;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;

/** The rows of cards that came from files in a backup; those of runs follow from the runs. */
@Component
@Order(3)
class CardBackup implements BackupPart {
    private static final String ROWS = "cardRows";

    private final CardMapper mapper;
    private final Cards cards;
    private final BulkLoad bulk;
    private final JdbcTemplate database;

    CardBackup(CardMapper mapper, Cards cards, BulkLoad bulk, JdbcTemplate database) {
        this.mapper = mapper;
        this.cards = cards;
        this.bulk = bulk;
        this.database = database;
    }

    @Override
    public List<Field> fields() {
        return List.of(new Field(ROWS, true));
    }

    @Override
    public List<String> tables() {
        return List.of("card_row", "card_spot");
    }

    @Override
    public void write(JsonGenerator to, Written written) {
        to.writeArrayPropertyStart(ROWS);
        mapper.fromFiles().forEach(to::writePOJO);
        to.writeEndArray();
    }

    @Override
    public Intake intake(boolean apply) {
        return new Reading(apply);
    }

    private final class Reading implements Intake {
        private final boolean apply;
        private final StringBuilder lines = new StringBuilder();

        Reading(boolean apply) {
            this.apply = apply;
        }

        @Override
        public void field(String name, JsonParser from, BackupReading reading) {
            reading.each(from, () -> {
                CardRecord row = from.readValueAs(CardRecord.class);
                reading.once("id", "cardRow", row.id());
                cards.row(row);
                row.line(lines);
            });
        }

        @Override
        public void end() {
            if (apply) {
                bulk.copy(CardRecord.COLUMNS, lines);
                mapper.countSpots();
                database.execute("analyze card_row, card_spot");
            }
        }
    }
}
