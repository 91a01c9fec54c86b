package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;

/**
 * What a run is to be about.
 *
 * @param runId made by the caller: a run of the same id is begun once
 * @param amplifierId the amplifier
 * @param exciterId the exciter
 * @param carrier mode of the carrier
 * @param meterIds the meters in use
 * @param terminationId load or antenna
 * @param band the band
 * @param frequency in MHz, as typed
 * @param school how to decide
 * @param warmUpSpeed 1, or more for demonstration
 * @param source where readings come from
 * @param padId between exciter and amplifier; absent where there is none
 * @param rungs how the ladder is spaced; absent for the school's own custom
 * @param ownDrives for a ladder of one's own: watts as typed, parted by spaces or semicolons
 * @param wantedOutput output at which a drive table ends, in watts, as typed; absent where it goes as far as the amplifier is rated for
 * @param switchPosition of the amplifier's own mode switch; absent to leave it as the record has it
 * @param firstCeiling plate current not to pass at the first step, in amperes, as typed; absent where none is named
 */
public record StartRequest(
        UUID runId,
        UUID amplifierId,
        UUID exciterId,
        Mode carrier,
        List<UUID> meterIds,
        UUID terminationId,
        Band band,
        String frequency,
        School school,
        @Nullable Double warmUpSpeed,
        ReadingSource source,
        @Nullable UUID padId,
        @Nullable Rungs rungs,
        @Nullable String ownDrives,
        @Nullable String firstCeiling,
        @Nullable String wantedOutput,
        @Nullable String switchPosition) {}
