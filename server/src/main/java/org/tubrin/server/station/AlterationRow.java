package org.tubrin.server.station;

import java.time.Instant;
import java.util.UUID;
import org.tubrin.core.station.Alteration;

/** One row of the table of alterations. */
public record AlterationRow(UUID id, String equipment, Alteration.Part part, Instant at, String note) {
    Alteration alteration() {
        return new Alteration(equipment, part, at, note);
    }
}
