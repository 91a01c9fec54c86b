package org.tubrin.server.card;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.quantity.Rounding;
import org.tubrin.core.station.Band;
import org.tubrin.server.web.Csv;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** The tune cards. */
@RestController
@RequestMapping("/api")
public class CardController {
    private static final double MILLI = 1e-3;

    private final Cards cards;
    private final Words words;

    CardController(Cards cards, Words words) {
        this.cards = cards;
        this.words = words;
    }

    /** A row of a card, ready to be shown. */
    public record CardView(
            UUID runId,
            String amplifier,
            Band band,
            String bandName,
            String frequencyMhz,
            String termination,
            String exciter,
            String carrier,
            String plate,
            String load,
            String driveW,
            String outputW,
            String plateCurrentMa,
            @Nullable String gridCurrentMa,
            @Nullable String plateVoltageV,
            @Nullable String efficiencyPercent,
            Instant verifiedAt) {}

    @GetMapping("/cards")
    List<CardView> cards() {
        return cards.newest().stream().map(this::view).toList();
    }

    @GetMapping(value = "/cards.csv", produces = Csv.TYPE)
    ResponseEntity<String> csv() {
        List<String> header = List.of(
                "amplifier",
                "band",
                "frequencyHz",
                "termination",
                "exciter",
                "carrier",
                "plateMark",
                "loadMark",
                "driveW",
                "outputW",
                "plateCurrentA",
                "gridCurrentA",
                "plateVoltageV",
                "efficiency",
                "verifiedAt");
        List<List<@Nullable Object>> rows = cards.newest().stream()
                .map(row -> Arrays.<@Nullable Object>asList(
                        row.record().amplifier(),
                        words.name(row.record().band()),
                        row.body().frequencyHz(),
                        row.record().termination(),
                        row.body().exciter(),
                        row.body().carrier(),
                        row.body().plate(),
                        row.body().load(),
                        row.body().driveW(),
                        row.body().outputW().value(),
                        row.body().plateCurrentA().value(),
                        value(row.body().gridCurrentA()),
                        value(row.body().plateVoltageV()),
                        value(row.body().efficiency()),
                        row.record().verifiedAt()))
                .toList();
        return Csv.reply("tune-cards.csv", header, rows);
    }

    private static @Nullable Double value(CardBody.@Nullable Stated stated) {
        return stated == null ? null : stated.value();
    }

    private CardView view(Cards.Row row) {
        CardBody body = row.body();
        return new CardView(
                row.record().runId(),
                row.record().amplifier(),
                Band.valueOf(row.record().band()),
                words.name(row.record().band()),
                Figures.fixed(body.frequencyHz() / 1e6, 3),
                row.record().termination(),
                body.exciter(),
                words.name(body.carrier()),
                Figures.dial(body.plate()),
                Figures.dial(body.load()),
                Figures.plain(body.driveW(), 2),
                rounded(body.outputW(), 1),
                rounded(body.plateCurrentA(), MILLI),
                body.gridCurrentA() == null ? null : rounded(body.gridCurrentA(), MILLI),
                body.plateVoltageV() == null ? null : rounded(body.plateVoltageV(), 1),
                body.efficiency() == null ? null : rounded(body.efficiency(), 0.01),
                row.record().verifiedAt());
    }

    private static String rounded(CardBody.Stated stated, double inUnit) {
        double uncertainty = stated.standardUncertainty() / inUnit;
        return Figures.fixed(stated.value() / inUnit, uncertainty > 0 ? Rounding.decimals(uncertainty) : 0);
    }
}
