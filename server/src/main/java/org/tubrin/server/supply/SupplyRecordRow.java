package org.tubrin.server.supply;

import java.time.Instant;
import java.util.UUID;

/** One row of the table of papers; the body is the record's JSON. */
public record SupplyRecordRow(
        UUID id, SupplyRecordKind kind, int revision, String name, Instant changedAt, String body) {}
