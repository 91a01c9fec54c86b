package org.tubrin.server.inspection;

import java.time.Instant;
import java.util.UUID;

/** One row of the table of photographs without its picture. */
public record PhotoRow(UUID id, UUID candidateId, String point, Instant takenAt) {}
