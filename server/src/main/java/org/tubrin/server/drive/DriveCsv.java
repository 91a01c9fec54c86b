package org.tubrin.server.drive;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.tubrin.core.drive.DriveBand;
import org.tubrin.core.drive.DriveRow;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Trip;
import org.tubrin.server.web.Csv;

/** Writes drive tables: one row a key-down and one a trip, in the core's units with standard uncertainties. */
final class DriveCsv {
    private static final List<String> HEADER = Arrays.asList(
            "band",
            "frequencyHz",
            "kind",
            "mode",
            "setW",
            "driveW",
            "driveW_u95",
            "outputW",
            "outputW_u95",
            "gainDb",
            "gainDb_u95",
            "inputSwr",
            "supplyV",
            "supplyA",
            "efficiency",
            "heatW",
            "heatSinkC",
            "trip");

    private DriveCsv() {}

    static ResponseEntity<String> of(String amplifier, List<DriveBand> tables) {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        for (DriveBand table : tables) {
            table.rows().forEach(row -> rows.add(row(table, row)));
            table.trips().forEach(trip -> rows.add(trip(table, trip)));
        }
        String name = "drive-" + amplifier.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + ".csv";
        return Csv.reply(name, HEADER, rows);
    }

    private static List<@Nullable Object> row(DriveBand table, DriveRow row) {
        return Arrays.asList(
                table.band(),
                table.setup().frequencyHz(),
                table.kind(),
                table.setup().carrier(),
                row.setW(),
                row.driveW().value(),
                row.driveW().halfWidth95(),
                row.outputW().value(),
                row.outputW().halfWidth95(),
                value(row.gainDb()),
                row.gainDb().map(Quantity::halfWidth95).orElse(null),
                value(row.inputSwr()),
                value(row.supplyV()),
                value(row.supplyA()),
                value(row.efficiency()),
                value(row.heatW()),
                value(row.heatSinkC()),
                null);
    }

    private static List<@Nullable Object> trip(DriveBand table, Trip trip) {
        List<@Nullable Object> cells = new ArrayList<>(Arrays.asList(new Object[HEADER.size()]));
        cells.set(0, table.band());
        cells.set(1, table.setup().frequencyHz());
        cells.set(2, table.kind());
        cells.set(3, table.setup().carrier());
        cells.set(5, trip.driveW().value());
        cells.set(6, trip.driveW().halfWidth95());
        cells.set(HEADER.size() - 1, trip.kind());
        return cells;
    }

    private static @Nullable Double value(Optional<Quantity> quantity) {
        return quantity.map(Quantity::value).orElse(null);
    }
}
