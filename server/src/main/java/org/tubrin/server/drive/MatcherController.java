package org.tubrin.server.drive;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.drive.DriveBand;
import org.tubrin.core.drive.DriveFor;
import org.tubrin.core.drive.DriveKind;
import org.tubrin.core.matcher.InputMatch;
import org.tubrin.core.matcher.MatchPoint;
import org.tubrin.core.matcher.Matching;
import org.tubrin.core.matcher.NextMatch.Node;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.MatcherSteps;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Matcher;
import org.tubrin.server.run.MatchRecords;
import org.tubrin.server.run.MatchViewer;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Matchers as runs tuned them, the match at an amplifier's input, and what is by hand at each change of band. */
@RestController
@RequestMapping("/api/drive/matcher")
public class MatcherController {
    private static final double MEGAHERTZ = 1e6;
    private static final int WATT_DECIMALS = 2;
    /** How many points the catalogue has of what is by hand. */
    private static final int BY_HAND = 6;

    private final MatchRecords records;
    private final MatchViewer viewer;
    private final Stations stations;
    private final DriveTables tables;
    private final Words words;

    MatcherController(MatchRecords records, MatchViewer viewer, Stations stations, DriveTables tables, Words words) {
        this.records = records;
        this.viewer = viewer;
        this.stations = stations;
        this.tables = tables;
        this.words = words;
    }

    /** Returns all matchers that were tuned, one whole, and the bands of its amplifier: of a run's, else of the first that has a matcher. */
    @GetMapping
    DriveViews.MatcherPageView view(@RequestParam @Nullable UUID run) {
        List<MatchRecords.Kept> all = records.newest();
        Optional<MatchRecords.Kept> shown = all.stream()
                .filter(one -> one.runId().equals(run))
                .findFirst()
                .or(() -> all.stream().findFirst());
        Optional<Amplifier> amplifier = amplifier(shown);
        return new DriveViews.MatcherPageView(
                all.stream().map(this::row).toList(),
                shown.map(MatchRecords.Kept::runId).orElse(null),
                shown.flatMap(one -> viewer.view(one.run())).orElse(null),
                amplifier.map(Amplifier::name).orElse(null),
                amplifier.flatMap(Amplifier::matcher).map(this::byHand).orElse(List.of()),
                words.say("match.inputs", MatchViewer.limits()),
                amplifier.map(one -> bands(one, all)).orElse(List.of()));
    }

    /** The record as it is now: what it was in an old run may have been mended since. */
    private Optional<Amplifier> amplifier(Optional<MatchRecords.Kept> shown) {
        List<Amplifier> all = stations.readableEquipment().stream()
                .filter(kept -> kept.equipment() instanceof Amplifier one
                        && one.matcher().isPresent())
                .map(kept -> (Amplifier) kept.equipment())
                .toList();
        return shown.map(one -> one.run().setup().amplifier().name())
                .flatMap(name ->
                        all.stream().filter(one -> one.name().equals(name)).findFirst())
                .or(() -> all.stream().findFirst());
    }

    private DriveViews.MatcherRow row(MatchRecords.Kept kept) {
        Matching matching = kept.matching();
        return new DriveViews.MatcherRow(
                kept.runId(),
                kept.run().setup().amplifier().name(),
                words.name(kept.run().setup().band().name()),
                kept.run().setup().frequencyHz() / MEGAHERTZ,
                kept.run().setup().termination().name(),
                kept.run().setup().exciter().name(),
                kept.run().setup().meterFor(ReadingRole.OUTPUT).orElseThrow().name(),
                kept.run().startedAt(),
                matching.last(Node.PROVE)
                        .map(MatchPoint::swr)
                        .map(MatchViewer::swr)
                        .orElse(null),
                matching.last(Node.TUNE)
                        .map(MatchPoint::swr)
                        .map(MatchViewer::swr)
                        .orElse(null),
                words.say("match.short." + matching.end().map(Enum::name).orElse("GOING")));
    }

    /** Returns what is to be done by hand at each change of band; nothing where the maker's cable does it. */
    private List<String> byHand(Matcher matcher) {
        return matcher.switchesByHand()
                ? IntStream.rangeClosed(1, BY_HAND)
                        .mapToObj(point -> words.say("match.byHand." + point, MatchViewer.limits()))
                        .toList()
                : List.of();
    }

    private List<DriveViews.MatcherBand> bands(Amplifier amplifier, List<MatchRecords.Kept> all) {
        Map<Band, DriveTables.Measured> measured =
                tables.of(amplifier.name(), amplifier.bands()).newest(DriveKind.CARRIER);
        List<DriveViews.MatcherBand> bands = new ArrayList<>();
        for (Band band : amplifier.bands()) {
            Optional<MatchRecords.Kept> tuned = all.stream()
                    .filter(one -> one.run().setup().band() == band
                            && one.run().setup().amplifier().name().equals(amplifier.name())
                            && one.matching()
                                    .end()
                                    .filter(Matching.End.MATCHED::equals)
                                    .isPresent())
                    .findFirst();
            bands.add(band(
                    amplifier, band, Optional.ofNullable(measured.get(band)).map(DriveTables.Measured::table), tuned));
        }
        return bands;
    }

    private DriveViews.MatcherBand band(
            Amplifier amplifier, Band band, Optional<DriveBand> table, Optional<MatchRecords.Kept> tuned) {
        Optional<Quantity> amplifying = table.flatMap(DriveBand::worstInputSwr)
                .or(() -> tuned.flatMap(one -> one.matching().last(Node.FIRST)).map(MatchPoint::swr));
        Optional<InputMatch> input = amplifying.map(swr -> InputMatch.of(swr.value()));
        double wantedW = DriveFor.usualOutputW(amplifier, DriveKind.CARRIER);
        return new DriveViews.MatcherBand(
                band,
                words.name(band.name()),
                tuned.flatMap(one -> one.matching().last(Node.TUNE))
                        .map(MatchPoint::swr)
                        .map(MatchViewer::swr)
                        .orElse(null),
                amplifying.map(MatchViewer::swr).orElse(null),
                input.map(InputMatch::verdict).orElse(null),
                input.map(viewer::input).orElse(null),
                tuned.flatMap(one -> MatcherSteps.setW(
                                one.run().setup(), one.run().steps(), one.run().trips(), Node.TUNE))
                        .map(watt -> Figures.plain(watt, WATT_DECIMALS))
                        .orElse(null),
                table.flatMap(one -> one.driveFor(wantedW).setW())
                        .map(watt -> Figures.plain(watt, WATT_DECIMALS))
                        .orElse(null));
    }
}
