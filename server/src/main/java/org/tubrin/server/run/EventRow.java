package org.tubrin.server.run;

import java.time.Instant;
import java.util.UUID;

/** One stored event; the body is its JSON in the form of the version. */
public record EventRow(UUID runId, long sequence, UUID clientId, Instant at, int version, String body) {}
