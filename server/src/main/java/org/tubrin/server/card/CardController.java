package org.tubrin.server.card;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.card.CardLine;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.card.DialsAhead;
import org.tubrin.core.metering.NumberEntry;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Rounding;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Termination;
import org.tubrin.server.station.Alterations;
import org.tubrin.server.station.Stations;
import org.tubrin.server.web.Csv;
import org.tubrin.server.web.TextFile;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** The tune cards. */
@RestController
@RequestMapping("/api")
public class CardController {
    private static final double MILLI = 1e-3;

    private final Cards cards;
    private final Stations stations;
    private final Alterations alterations;
    private final ReachWords reach;
    private final Words words;

    CardController(Cards cards, Stations stations, Alterations alterations, ReachWords reach, Words words) {
        this.cards = cards;
        this.stations = stations;
        this.alterations = alterations;
        this.reach = reach;
        this.words = words;
    }

    @GetMapping("/cards")
    List<CardView> cards() {
        List<Alteration> changed = alterations.all();
        return cards.lines().stream().map(line -> view(line, changed)).toList();
    }

    @GetMapping(value = "/cards.csv", produces = Csv.TYPE)
    ResponseEntity<String> csv() {
        List<List<@Nullable Object>> rows = cards.lines().stream()
                .map(line -> CardFile.cells(line.place().newest()))
                .toList();
        return Csv.reply("tune-cards.csv", CardFile.HEADER, rows);
    }

    @PostMapping("/cards/import")
    Imported bring(@RequestBody TextFile file) {
        List<CardRow> rows = CardFile.rows(file.text());
        return new Imported(rows.size(), cards.keep(rows));
    }

    @PostMapping("/cards/dials")
    DialsView dials(@RequestBody DialsRequest request) {
        Amplifier named = stations.equipment(request.amplifierId(), Amplifier.class, "amplifier");
        if (!(named.stage() instanceof Stage.Tubes)) {
            throw new Refused(new Problem(ProblemCode.NO_DIALS, "amplifier", named.name(), new Allowed.Nothing()));
        }
        Amplifier amplifier = request.switchPosition() == null ? named : named.switchedTo(request.switchPosition());
        Termination termination = stations.equipment(request.terminationId(), Termination.class, "termination");
        double frequencyHz = NumberEntry.parseFrequencyHz(
                "frequency", request.frequency(), lowestHz(request.band()), highestHz(request.band()));
        double driveW = amplifier.driveLimitW();
        Optional<DialsAhead> ahead = cards.ahead(amplifier, request.band(), frequencyHz, termination, driveW);
        return new DialsView(
                ahead.map(one -> Figures.of(one.plate(), 1, "", 2).withUncertainty())
                        .orElse(null),
                ahead.map(one -> Figures.of(one.load(), 1, "", 2).withUncertainty())
                        .orElse(null),
                ahead.map(one -> words.say("ahead." + one.basis().name(), Map.of("rows", one.rows())))
                        .orElseGet(() -> words.say("ahead.none")),
                reach.words(amplifier, request.band(), frequencyHz, driveW, termination)
                        .orElse(null));
    }

    private double lowestHz(Band band) {
        return stations.station().map(kept -> kept.station().lowestHz(band)).orElse(band.lowestHz());
    }

    private double highestHz(Band band) {
        return stations.station().map(kept -> kept.station().highestHz(band)).orElse(band.highestHz());
    }

    private CardView view(Cards.Line line, List<Alteration> changed) {
        CardLine place = line.place();
        CardRow row = place.newest();
        return new CardView(
                line.runId(),
                row.amplifier(),
                row.band(),
                words.name(row.band().name()),
                row.frequencyHz(),
                Figures.fixed(row.frequencyHz() / 1e6, 3),
                row.termination(),
                row.switchPosition().orElse(null),
                row.exciter(),
                words.name(row.carrier().name()),
                row.use(),
                words.name(row.use().name()),
                row.pulsed(),
                Figures.dial(row.plate()),
                Figures.dial(row.load()),
                Figures.plain(row.driveW(), 2),
                rounded(row.outputW(), 1),
                row.plateCurrentA().map(one -> rounded(one, MILLI)).orElse(null),
                row.gridCurrentA().map(one -> rounded(one, MILLI)).orElse(null),
                row.plateVoltageV().map(one -> rounded(one, 1)).orElse(null),
                row.efficiency().map(one -> rounded(one, 0.01)).orElse(null),
                row.verifiedAt(),
                place.times(),
                place.drift().map(this::driftWords).orElse(null),
                cards.closed(changed, row).orElse(null));
    }

    private String driftWords(CardLine.Drift drift) {
        return words.say(
                drift.outputW().isPresent() ? "drift" : "drift.dials",
                Map.of(
                        "since", Figures.day(drift.since().verifiedAt()),
                        "plate", signed(drift.plateMarks()),
                        "load", signed(drift.loadMarks()),
                        "output",
                                drift.outputW()
                                        .map(one -> Figures.of(one, 1, "").withUncertainty())
                                        .orElse("")));
    }

    private static String signed(double marks) {
        String shown = Figures.plain(marks, 2);
        return marks > 0 && !shown.equals("0") ? "+" + shown : shown;
    }

    private static String rounded(Quantity quantity, double inUnit) {
        double uncertainty = quantity.standardUncertainty() / inUnit;
        return Figures.fixed(quantity.value() / inUnit, uncertainty > 0 ? Rounding.decimals(uncertainty) : 0);
    }
}
