package org.tubrin.server.card;

import org.jspecify.annotations.Nullable;

/** Where the dials will go, and how far one may then move. */
public record DialsView(
        @Nullable String plate,
        @Nullable String load,
        String basis,
        @Nullable String reach) {}
