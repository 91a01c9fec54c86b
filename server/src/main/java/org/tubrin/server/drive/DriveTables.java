package org.tubrin.server.drive;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.tubrin.core.drive.DriveBand;
import org.tubrin.core.drive.DriveKind;
import org.tubrin.core.drive.SetBefore;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;
import org.tubrin.server.run.RunFilter;
import org.tubrin.server.run.RunMapper;
import org.tubrin.server.run.RunStore;
import org.tubrin.server.run.ToldRuns;

/** Finds the tables of each band among the runs of an amplifier, and what an exciter was last left at. */
@Component
class DriveTables {
    private static final int MOST_RUNS_A_BAND = 20;
    /** A set remembers what was set last: few runs back are enough. */
    private static final int LAST_RUNS_A_BAND = 8;

    private final RunMapper runs;
    private final ToldRuns<DriveBand> tables;
    private final ToldRuns<SetBefore> left;

    DriveTables(RunMapper runs, RunStore store) {
        this.runs = runs;
        tables = new ToldRuns<>(runs, store, DriveBand::of);
        left = new ToldRuns<>(runs, store, SetBefore::of);
    }

    /** A band's table, and the run that it was measured in. */
    record Measured(UUID runId, DriveBand table) {
        Band band() {
            return table.band();
        }
    }

    /** All tables of an amplifier, the newest of a band first. */
    record Known(List<Measured> all) {
        Known {
            all = List.copyOf(all);
        }

        /** Returns the newest table of each band of a kind. */
        Map<Band, Measured> newest(DriveKind kind) {
            return first(all.stream().filter(one -> one.table().kind() == kind).toList());
        }

        /** Returns the newest table of each band and kind. */
        List<DriveBand> newestOfEach() {
            List<DriveBand> each = new ArrayList<>();
            for (DriveKind kind : DriveKind.values()) {
                newest(kind).values().stream().map(Measured::table).forEach(each::add);
            }
            return each;
        }

        /** Returns the newest of each band of a kind that was begun before a moment, or since then. */
        Map<Band, Measured> newest(DriveKind kind, Instant moment, boolean since) {
            return first(all.stream()
                    .filter(one -> one.table().kind() == kind
                            && since == !one.table().at().isBefore(moment))
                    .toList());
        }

        /** Returns the newest table of all. */
        Optional<DriveBand> newestTable() {
            return all.stream().map(Measured::table).max(Comparator.comparing(DriveBand::at));
        }

        /** Returns the day, in UTC, on which a band was last measured again; where none was, on which one was last measured. */
        Optional<Instant> newestAgain(DriveKind kind) {
            Map<Band, Measured> newest = newest(kind);
            return all.stream()
                    .filter(one -> one.table().kind() == kind && !one.equals(newest.get(one.band())))
                    .map(older -> newest.get(older.band()))
                    .map(one -> one.table().at())
                    .max(Comparator.naturalOrder())
                    .or(() -> newestTable().map(DriveBand::at))
                    .map(at -> at.truncatedTo(ChronoUnit.DAYS));
        }

        private static Map<Band, Measured> first(List<Measured> tables) {
            return tables.stream()
                    .collect(Collectors.toMap(Measured::band, Function.identity(), (newer, older) -> newer));
        }
    }

    /** Returns whether any run made a table of an amplifier. */
    boolean isMeasured(String amplifier) {
        return runs.count(new RunFilter(amplifier, null, null, School.DRIVE_TABLE.name(), null, null)) > 0;
    }

    /** Returns what is known of an amplifier on its bands. */
    Known of(String amplifier, List<Band> bands) {
        List<Measured> all = new ArrayList<>();
        for (Band band : bands) {
            RunFilter filter = new RunFilter(amplifier, band.name(), null, School.DRIVE_TABLE.name(), null, null);
            tables.newest(filter, MOST_RUNS_A_BAND).forEach(told -> all.add(new Measured(told.runId(), told.told())));
        }
        return new Known(all);
    }

    /** Returns what an exciter was last left at on a band in a mode, whatever it drove. */
    Optional<SetBefore> setBefore(String exciter, Band band, Mode mode) {
        return left.newest(new RunFilter(null, band.name(), null, null, null, null), LAST_RUNS_A_BAND).stream()
                .map(ToldRuns.Told::told)
                .filter(one -> one.exciter().equals(exciter) && one.mode() == mode)
                .findFirst();
    }
}
