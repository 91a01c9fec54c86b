package org.tubrin.server.practice;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** One row of the table of exercises; the body is the exercise's JSON. */
public record PracticeRow(
        UUID id,
        String lesson,
        int seed,
        boolean helped,
        Instant startedAt,
        @Nullable Instant endedAt,
        @Nullable Double points,
        String body) {}
