package org.tubrin.server.feed;

import org.jspecify.annotations.Nullable;

/** What came of trying a query: how it is in words, the answer as it came, and the value in the core's unit. */
public record Trial(
        String query,
        String health,
        String says,
        String answer,
        @Nullable Double value) {}
