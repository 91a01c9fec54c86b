package org.tubrin.server.card;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.server.store.BulkLoad;

/** One row of the table of card rows; the body is the row's JSON; the run is absent where the row came from a file. */
public record CardRecord(
        UUID id,
        @Nullable UUID runId,
        String amplifier,
        String band,
        String termination,
        Instant verifiedAt,
        String body) {
    /** The table with the columns of {@link #line}. */
    public static final String COLUMNS = "card_row (id, run_id, amplifier, band, termination, verified_at, body)";

    /** Writes it as a line for the bulk load. */
    public void line(StringBuilder to) {
        BulkLoad.line(to, id, runId, amplifier, band, termination, verifiedAt, body);
    }
}
