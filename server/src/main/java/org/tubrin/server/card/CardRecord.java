package org.tubrin.server.card;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** One row of the table of card rows; the body is the row's JSON; the run is absent where the row came from a file. */
public record CardRecord(
        UUID id,
        @Nullable UUID runId,
        String amplifier,
        String band,
        String termination,
        Instant verifiedAt,
        String body) {}
