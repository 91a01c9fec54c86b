package org.tubrin.server.card;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.station.Band;

/** Where dials are wanted for, at the highest drive that the maker allows; the frequency in MHz, as typed. */
public record DialsRequest(
        UUID amplifierId,
        UUID terminationId,
        Band band,
        String frequency,
        @Nullable String switchPosition) {}
