package org.tubrin.server.drive;

import java.time.Instant;
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
import org.tubrin.core.drive.BandGuard;
import org.tubrin.core.drive.DriveBand;
import org.tubrin.core.drive.DriveFor;
import org.tubrin.core.drive.DriveKind;
import org.tubrin.core.drive.DriveSweep;
import org.tubrin.core.drive.SetBefore;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;
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
    private record Asked(UUID id, Amplifier amplifier, DriveKind kind, double wantedW, DriveTables.Known known) {}

    /** Returns the tables of an amplifier of a kind; where none is named, of the first that was measured. */
    @GetMapping
    DriveViews.DriveView view(
            @RequestParam @Nullable UUID amplifier,
            @RequestParam(defaultValue = "CARRIER") DriveKind kind,
            @RequestParam @Nullable Double wanted) {
        List<DriveViews.NamedAmplifier> all = stations.readableEquipment().stream()
                .filter(kept -> kept.equipment() instanceof Amplifier one && one.stage() instanceof Stage.Transistors)
                .map(kept -> new DriveViews.NamedAmplifier(
                        kept.id(), kept.equipment().name()))
                .toList();
        if (all.isEmpty()) {
            return new DriveViews.DriveView(all, null, viewer.kinds(), kind, List.of());
        }
        UUID chosen = amplifier != null
                ? amplifier
                : all.stream()
                        .filter(one -> tables.isMeasured(one.name()))
                        .findFirst()
                        .orElse(all.get(0))
                        .id();
        Asked asked = asked(chosen, kind, wanted);
        Map<Band, DriveTables.Measured> measured = asked.known().newest(kind);
        return new DriveViews.DriveView(
                all,
                new DriveViews.AmplifierView(
                        asked.id(),
                        asked.amplifier().name(),
                        kind.ratedOutputW(asked.amplifier()),
                        kind.driveLimitW(asked.amplifier()),
                        asked.wantedW()),
                viewer.kinds(),
                kind,
                asked.amplifier().bands().stream()
                        .map(band -> viewer.band(
                                kind.driveLimitW(asked.amplifier()),
                                band,
                                Optional.ofNullable(measured.get(band)),
                                asked.wantedW()))
                        .toList());
    }

    /**
     * Returns the ways from a band to every other in a mode; to the same one where that goes by rows of another kind. Without a band
     * it begins from where nobody knows.
     */
    @GetMapping("/guard")
    List<DriveViews.BandGuardView> guard(
            @RequestParam UUID amplifier,
            @RequestParam @Nullable Band from,
            @RequestParam(defaultValue = "CARRIER") DriveKind kind,
            @RequestParam(defaultValue = "CW") Mode mode,
            @RequestParam @Nullable Double wanted) {
        DriveKind kindThere = DriveKind.of(mode);
        Asked here = asked(amplifier, kind, kind == kindThere ? wanted : null);
        double wantedThereW = kind == kindThere ? here.wantedW() : DriveFor.usualOutputW(here.amplifier(), kindThere);
        Optional<DriveBand> table = Optional.ofNullable(from)
                .flatMap(band -> Optional.ofNullable(here.known().newest(kind).get(band)))
                .map(DriveTables.Measured::table)
                .filter(one -> !one.rows().isEmpty());
        BandGuard.Asked asked = new BandGuard.Asked(
                here.amplifier(),
                kindThere,
                here.known().newestOfEach(),
                table.map(one -> BandGuard.uptoW(one, here.wantedW())),
                wantedThereW);
        return here.amplifier().bands().stream()
                .filter(band -> band != from || kind != kindThere)
                .map(band -> viewer.guard(
                        BandGuard.to(band, asked, setBefore(here, band, mode)), asked, Optional.ofNullable(from)))
                .toList();
    }

    /** What the exciter of the newest table was last left at there; else what its record says of the mode. */
    private Optional<SetBefore> setBefore(Asked asked, Band band, Mode mode) {
        return asked.known().newestTable().flatMap(table -> {
            String exciter = table.setup().exciter().name();
            return tables.setBefore(exciter, band, mode)
                    .or(() -> stations.readableEquipment().stream()
                            .filter(kept -> kept.equipment() instanceof Exciter one
                                    && one.name().equals(exciter))
                            .findFirst()
                            .flatMap(kept -> SetBefore.of((Exciter) kept.equipment(), mode)));
        });
    }

    /**
     * Returns the output of one drive over the bands, before and since a moment; without one, before and since a band was last measured again.
     */
    @GetMapping("/sweep")
    DriveViews.SweepView sweep(
            @RequestParam UUID amplifier,
            @RequestParam(defaultValue = "CARRIER") DriveKind kind,
            @RequestParam @Nullable Double drive,
            @RequestParam @Nullable Instant since) {
        Asked asked = asked(amplifier, kind, null);
        double driveW = drive == null ? DriveSweep.usualDriveW(asked.amplifier(), kind) : drive;
        new Checks()
                .range("drive", driveW, 1e-3, kind.driveLimitW(asked.amplifier()), Unit.WATT)
                .done();
        Instant moment = since != null ? since : asked.known().newestAgain(kind).orElse(Instant.EPOCH);
        Map<Band, DriveTables.Measured> before = asked.known().newest(kind, moment, false);
        Map<Band, DriveTables.Measured> after = asked.known().newest(kind, moment, true);
        return new DriveViews.SweepView(
                driveW,
                moment,
                asked.amplifier().bands().stream()
                        .map(band -> viewer.sweep(band, DriveSweep.of(driveW, table(before, band), table(after, band))))
                        .toList());
    }

    private static Optional<DriveBand> table(Map<Band, DriveTables.Measured> tables, Band band) {
        return Optional.ofNullable(tables.get(band)).map(DriveTables.Measured::table);
    }

    /** Returns every row as a table for other programs. */
    @GetMapping(value = "/table.csv", produces = Csv.TYPE)
    ResponseEntity<String> csv(@RequestParam UUID amplifier) {
        Asked asked = asked(amplifier, DriveKind.CARRIER, null);
        return DriveCsv.of(asked.amplifier().name(), asked.known().newestOfEach());
    }

    private Asked asked(UUID id, DriveKind kind, @Nullable Double wanted) {
        Amplifier amplifier = stations.equipment(id, Amplifier.class, "amplifier");
        if (!(amplifier.stage() instanceof Stage.Transistors)) {
            throw new Refused(new Problem(ProblemCode.HAS_DIALS, "amplifier", amplifier.name(), new Allowed.Nothing()));
        }
        double wantedW = wanted == null ? DriveFor.usualOutputW(amplifier, kind) : wanted;
        new Checks()
                .range("wanted", wantedW, 0.1, 2 * kind.ratedOutputW(amplifier), Unit.WATT)
                .done();
        return new Asked(id, amplifier, kind, wantedW, tables.of(amplifier.name(), amplifier.bands()));
    }
}
