package org.tubrin.server.card;

import java.time.Instant;
import java.util.UUID;

/** One row of the table of card rows; the body is the row's JSON. */
public record CardRecord(
        UUID runId, String amplifier, String band, String termination, Instant verifiedAt, String body) {}
