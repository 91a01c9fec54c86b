package org.tubrin.server.fault;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** One row of the table of cases; the body is the case's JSON, and what cured it is its cause's code. */
public record FaultCaseRow(
        UUID id,
        int revision,
        Instant openedAt,
        Instant changedAt,
        @Nullable String cured,
        String body) {}
