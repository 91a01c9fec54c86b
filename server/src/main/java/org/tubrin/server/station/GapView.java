package org.tubrin.server.station;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Something that is missing for an answer. */
public record GapView(
        String code, String title, String remedy, @Nullable UUID equipmentId) {}
