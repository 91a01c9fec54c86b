package org.tubrin.server.drive;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.drive.DriveBand;
import org.tubrin.core.drive.DriveFor;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.server.station.Stations;
import org.tubrin.server.web.Csv;

/** Drive tables over the bands, and the guard of a band change. */
@RestController
@RequestMapping("/api/drive")
public class DriveController {
    private final Stations stations;
    private final DriveTables tables;
    private final DriveViewer viewer;

    DriveController(Stations stations, DriveTables tables, DriveViewer viewer) {
        this.stations = stations;
        this.tables = tables;
        this.viewer = viewer;
    }

    /** An amplifier that was asked for, with what is known of it. */
    private record Asked(UUID id, Amplifier amplifier, double wantedW, Map<Band, DriveTables.Measured> measured) {
        List<DriveBand> bands() {
            return measured.values().stream().map(DriveTables.Measured::table).toList();
        }
    }

    /** Returns the tables of an amplifier; where none is named, of the first that was measured. */
    @GetMapping
    DriveViews.DriveView view(@RequestParam @Nullable UUID amplifier, @RequestParam @Nullable Double wanted) {
        List<DriveViews.NamedAmplifier> all = stations.readableEquipment().stream()
                .filter(kept -> kept.equipment() instanceof Amplifier one && one.stage() instanceof Stage.Transistors)
                .map(kept -> new DriveViews.NamedAmplifier(
                        kept.id(), kept.equipment().name()))
                .toList();
        if (all.isEmpty()) {
            return new DriveViews.DriveView(all, null, List.of());
        }
        UUID chosen = amplifier != null
                ? amplifier
                : all.stream()
                        .filter(one -> tables.isMeasured(one.name()))
                        .findFirst()
                        .orElse(all.get(0))
                        .id();
        Asked asked = asked(chosen, wanted);
        return new DriveViews.DriveView(
                all,
                new DriveViews.AmplifierView(
                        asked.id(),
                        asked.amplifier().name(),
                        asked.amplifier().ratedOutputW(),
                        asked.amplifier().driveLimitW(),
                        asked.wantedW()),
                asked.amplifier().bands().stream()
                        .map(band -> viewer.band(
                                asked.amplifier(),
                                band,
                                Optional.ofNullable(asked.measured().get(band)),
                                asked.wantedW()))
                        .toList());
    }

    /** Returns the ways from a band to every other. */
    @GetMapping("/guard")
    List<DriveViews.BandGuardView> guard(
            @RequestParam UUID amplifier, @RequestParam Band from, @RequestParam @Nullable Double wanted) {
        Asked asked = asked(amplifier, wanted);
        Optional<DriveBand> here = Optional.ofNullable(asked.measured().get(from))
                .map(DriveTables.Measured::table)
                .filter(table -> !table.rows().isEmpty());
        return here.map(table -> asked.amplifier().bands().stream()
                        .filter(band -> band != from)
                        .map(band -> viewer.guard(asked.amplifier(), asked.bands(), table, band, asked.wantedW()))
                        .toList())
                .orElse(List.of());
    }

    /** Returns every row as a table for other programs. */
    @GetMapping(value = "/table.csv", produces = Csv.TYPE)
    ResponseEntity<String> csv(@RequestParam UUID amplifier) {
        Asked asked = asked(amplifier, null);
        return DriveCsv.of(asked.amplifier().name(), asked.bands());
    }

    private Asked asked(UUID id, @Nullable Double wanted) {
        Amplifier amplifier = stations.equipment(id, Amplifier.class, "amplifier");
        if (!(amplifier.stage() instanceof Stage.Transistors)) {
            throw new Refused(new Problem(ProblemCode.HAS_DIALS, "amplifier", amplifier.name(), new Allowed.Nothing()));
        }
        double wantedW = wanted == null ? DriveFor.usualOutputW(amplifier) : wanted;
        new Checks()
                .range("wanted", wantedW, 0.1, 2 * amplifier.ratedOutputW(), Unit.WATT)
                .done();
        return new Asked(id, amplifier, wantedW, tables.of(amplifier.name(), amplifier.bands()));
    }
}
