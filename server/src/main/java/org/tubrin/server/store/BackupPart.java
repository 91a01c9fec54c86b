package org.tubrin.server.store;

import java.util.List;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;

/**
 * What one feature keeps, as a part of a backup: it writes, checks and puts back its own. A feature that keeps something has one;
 * the order of the document is that of their {@link org.springframework.core.annotation.Order}.
 */
public interface BackupPart {
    /** A field of the document; whether it may be absent. */
    record Field(String name, boolean mayMiss) {}

    /** Is told how many runs of how many are written. */
    @FunctionalInterface
    interface Written {
        void runs(int done, int all);
    }

    /** Returns the fields that belong to it. */
    List<Field> fields();

    /** Returns the tables that are emptied before it is put back, all parts' at once. */
    List<String> tables();

    /** Writes its fields, within a read-only transaction of the caller. */
    void write(JsonGenerator to, Written written);

    /** Begins to read its fields; where they are to be put in place, within a transaction and after its tables were emptied. */
    Intake intake(boolean apply);

    /** One reading of a part; closed whether it came to its end or not. */
    interface Intake extends AutoCloseable {
        /** Reads a field, the parser standing at its first token; fails with {@link org.tubrin.core.quantity.Refused}. */
        void field(String name, JsonParser from, BackupReading reading);

        /** All of the document was read and holds: what is still in hand is put in place, in the order of the parts. */
        default void end() {}

        @Override
        default void close() {}
    }
}
