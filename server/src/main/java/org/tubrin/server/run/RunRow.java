package org.tubrin.server.run;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * One row of the table of runs: what the list shows, kept beside the events from which it is derived.
 *
 * @param longCarrierW output that a carrier that stands long wants, in watts; null where the dials are for speech and CW
 * @param stair output of each step in watts, parted by commas; null of a run that an earlier version kept
 */
public record RunRow(
        UUID id,
        Instant startedAt,
        Instant lastAt,
        long lastSequence,
        String amplifier,
        String termination,
        String band,
        double frequencyHz,
        @Nullable String ending,
        int steps,
        @Nullable Double outputW,
        String school,
        @Nullable Double lineVoltageV,
        @Nullable Double ambientC,
        int arcs,
        int trips,
        @Nullable Double longCarrierW,
        @Nullable String stair) {}
