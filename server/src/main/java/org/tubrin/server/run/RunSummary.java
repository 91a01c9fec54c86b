package org.tubrin.server.run;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;
import org.tubrin.server.words.Words;

/**
 * A run in the list.
 *
 * @param longCarrierW output that a carrier that stands long wants, in watts; absent where the dials are for speech and CW
 * @param stair output of each step in watts; empty where none was read
 */
public record RunSummary(
        UUID id,
        Instant startedAt,
        Instant lastAt,
        String amplifier,
        String termination,
        Band band,
        String bandName,
        double frequencyHz,
        @Nullable String ending,
        int steps,
        @Nullable Double outputW,
        School school,
        String schoolName,
        @Nullable Double lineVoltageV,
        @Nullable Double ambientC,
        int arcs,
        int trips,
        @Nullable Double longCarrierW,
        List<Double> stair) {

    static RunSummary of(RunRow row, Words words) {
        return new RunSummary(
                row.id(),
                row.startedAt(),
                row.lastAt(),
                row.amplifier(),
                row.termination(),
                Band.valueOf(row.band()),
                words.name(row.band()),
                row.frequencyHz(),
                row.ending(),
                row.steps(),
                row.outputW(),
                School.valueOf(row.school()),
                words.name(row.school()),
                row.lineVoltageV(),
                row.ambientC(),
                row.arcs(),
                row.trips(),
                row.longCarrierW(),
                stair(row.stair()));
    }

    private static List<Double> stair(@Nullable String outputs) {
        return outputs == null || outputs.isEmpty()
                ? List.of()
                : Stream.of(outputs.split(",", -1)).map(Double::valueOf).toList();
    }
}
