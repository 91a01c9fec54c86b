package org.tubrin.server.feed;

import org.jspecify.annotations.Nullable;

/** What came of trying: how it is in words, the answer as it came, and the value in the core's unit. */
public record Trial(
        String health, String says, String answer, @Nullable Double value) {}
