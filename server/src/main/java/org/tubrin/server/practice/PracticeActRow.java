package org.tubrin.server.practice;

import java.util.UUID;

/** One row of the table of what was done in exercises; the body is the act's JSON. */
public record PracticeActRow(UUID practiceId, int sequence, UUID clientId, double atS, String body) {}
