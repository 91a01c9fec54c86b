package org.tubrin.server.run;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Which runs are asked for; what is absent lets all through, and {@code to} is the first moment that is too late. */
public record RunFilter(
        @Nullable String amplifier,
        @Nullable String onBand,
        @Nullable String termination,
        @Nullable String school,
        @Nullable Instant from,
        @Nullable Instant to) {
    /** Lets all through. */
    public static final RunFilter ALL = new RunFilter(null, null, null, null, null, null);
}
