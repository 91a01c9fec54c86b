package org.tubrin.server.run;

import java.time.Instant;
import java.util.UUID;

/** What trends are made of, of one run; the body is JSON. */
public record FiguresRow(
        UUID runId, String amplifier, String band, String termination, Instant at, int version, String body) {}
