package org.tubrin.server.run;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;
import org.tubrin.server.words.Words;

/** A run in the list. */
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
        int trips) {

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
                row.trips());
    }
}
