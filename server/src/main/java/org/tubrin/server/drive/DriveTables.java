package org.tubrin.server.drive;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.tubrin.core.drive.DriveBand;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;
import org.tubrin.server.run.RunFilter;
import org.tubrin.server.run.RunMapper;
import org.tubrin.server.run.RunRow;
import org.tubrin.server.run.RunStore;
import tools.jackson.core.JacksonException;

/** Finds the newest table of each band among the runs of an amplifier. */
@Component
class DriveTables {
    private static final Logger LOG = LoggerFactory.getLogger(DriveTables.class);
    private static final int MOST_RUNS_A_BAND = 20;

    private final RunMapper runs;
    private final RunStore store;

    DriveTables(RunMapper runs, RunStore store) {
        this.runs = runs;
        this.store = store;
    }

    /** A band's table, and the run that it was measured in. */
    record Measured(UUID runId, DriveBand table) {}

    /** Returns whether any run made a table of an amplifier. */
    boolean isMeasured(String amplifier) {
        return runs.count(new RunFilter(amplifier, null, null, School.DRIVE_TABLE.name(), null, null)) > 0;
    }

    /** Returns the tables of an amplifier by band: of the newest run that has a row or a trip. */
    Map<Band, Measured> of(String amplifier, List<Band> bands) {
        Map<Band, Measured> tables = new EnumMap<>(Band.class);
        for (Band band : bands) {
            newest(amplifier, band).ifPresent(found -> tables.put(band, found));
        }
        return tables;
    }

    private Optional<Measured> newest(String amplifier, Band band) {
        RunFilter filter = new RunFilter(amplifier, band.name(), null, School.DRIVE_TABLE.name(), null, null);
        for (RunRow row : runs.runs(filter, false, 0, MOST_RUNS_A_BAND)) {
            Optional<Measured> found = row.steps() + row.trips() == 0 ? Optional.empty() : read(row.id());
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private Optional<Measured> read(UUID id) {
        try {
            return DriveBand.of(Replay.of(new ArrayList<>(store.events(id)))).map(table -> new Measured(id, table));
        } catch (JacksonException | IllegalArgumentException | IndexOutOfBoundsException | Refused e) {
            LOG.warn("the run {} cannot be read: {}", id, e.getMessage());
            return Optional.empty();
        }
    }
}
