package org.tubrin.core.tuneup;

import java.time.Instant;
import java.util.Optional;

/**
 * One key-down.
 *
 * @param from when the key went down
 * @param to when it went up; absent while it is down
 * @param powerW output meanwhile, as best known, in watts
 */
public record KeyDown(Instant from, Optional<Instant> to, double powerW) {}
