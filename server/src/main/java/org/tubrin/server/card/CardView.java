package org.tubrin.server.card;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Band;

/** A line of a card, ready to be shown; the run is absent where the row came from a file. */
public record CardView(
        @Nullable UUID runId,
        String amplifier,
        Band band,
        String bandName,
        double frequencyHz,
        String frequencyMhz,
        String termination,
        @Nullable String switchPosition,
        String exciter,
        String carrier,
        Use use,
        String useName,
        boolean pulsed,
        String plate,
        String load,
        String driveW,
        String outputW,
        @Nullable String plateCurrentMa,
        @Nullable String gridCurrentMa,
        @Nullable String plateVoltageV,
        @Nullable String efficiencyPercent,
        Instant verifiedAt,
        int times,
        @Nullable String drift,
        @Nullable String closed) {}
