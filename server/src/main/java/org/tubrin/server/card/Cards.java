package org.tubrin.server.card;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.DoubleFunction;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.card.DialsAhead;
import org.tubrin.core.card.Place;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.ModeSwitch;
import org.tubrin.core.station.Termination;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.tuneup.Preset;
import org.tubrin.server.station.Stations;
import tools.jackson.databind.json.JsonMapper;

/** The tune cards. */
@Service
public class Cards {
    /** Dials hold for frequencies this near, as a share, into the same thing. */
    private static final double SAME_SHARE = 0.002;

    private final CardMapper mapper;
    private final Stations stations;
    private final JsonMapper json;

    Cards(CardMapper mapper, Stations stations, JsonMapper json) {
        this.mapper = mapper;
        this.stations = stations;
        this.json = json;
    }

    /** A row with the record that keeps it. */
    public record Row(CardRecord record, CardRow row) {}

    /** Returns all rows, newest first. */
    public List<Row> all() {
        return mapper.all().stream()
                .map(record -> new Row(
                        record, json.readValue(record.body(), CardBody.class).row(record)))
                .toList();
    }

    /** Returns the lines of all cards. */
    public List<Place> places() {
        return Place.of(all().stream().map(Row::row).toList());
    }

    /** Keeps rows that came from a file; those that are there already are left out. Returns how many were new. */
    @Transactional
    public int keep(List<CardRow> rows) {
        List<CardRow> known = all().stream().map(Row::row).toList();
        int kept = 0;
        for (CardRow row : rows) {
            boolean isThere = known.stream()
                    .anyMatch(one -> one.amplifier().equals(row.amplifier())
                            && one.band() == row.band()
                            && one.termination().equals(row.termination())
                            && one.verifiedAt().equals(row.verifiedAt()));
            if (!isThere) {
                kept += mapper.insert(new CardRecord(
                        UUID.randomUUID(),
                        null,
                        row.amplifier(),
                        row.band().name(),
                        row.termination(),
                        row.verifiedAt(),
                        json.writeValueAsString(CardBody.of(row))));
            }
        }
        return kept;
    }

    /** Returns where the dials will go, by the card's rows and the twin; empty where neither knows anything. */
    public Optional<DialsAhead> ahead(
            Amplifier amplifier, Band band, double frequencyHz, Termination termination, double driveW) {
        DialsAhead.Spot spot =
                new DialsAhead.Spot(band, frequencyHz, into(termination).apply(frequencyHz), driveW);
        return DialsAhead.at(amplifier, known(amplifier, band), spot);
    }

    private List<DialsAhead.Known> known(Amplifier amplifier, Band band) {
        return rows(amplifier, band).stream()
                .map(row -> new DialsAhead.Known(
                        new DialsAhead.Spot(
                                band,
                                row.frequencyHz(),
                                into(row.termination()).apply(row.frequencyHz()),
                                row.driveW()),
                        row.plate(),
                        row.load()))
                .toList();
    }

    /** Returns the newest row of each line of an amplifier's band, its mode switch standing as it stands. */
    private List<CardRow> rows(Amplifier amplifier, Band band) {
        return places().stream()
                .map(Place::newest)
                .filter(row -> row.amplifier().equals(amplifier.name())
                        && row.band() == band
                        && row.switchPosition().equals(amplifier.modeSwitch().map(ModeSwitch::at)))
                .toList();
    }

    /** Returns what an amplifier works into, by frequency; a load or antenna that is gone counts as 50 Ω. */
    private DoubleFunction<ImpedancePoint> into(String termination) {
        return stations.equipment().stream()
                .map(Stations.Kept::equipment)
                .filter(one -> one.name().equals(termination) && one instanceof Termination)
                .map(one -> into((Termination) one))
                .findFirst()
                .orElse(Cards::line);
    }

    static DoubleFunction<ImpedancePoint> into(Termination termination) {
        if (termination instanceof Load load) {
            return hertz -> new ImpedancePoint(hertz, load.resistanceColdOhm(), 0);
        }
        return hertz -> ((Antenna) termination).impedanceAt(hertz).orElseGet(() -> line(hertz));
    }

    private static ImpedancePoint line(double hertz) {
        return new ImpedancePoint(hertz, Mismatch.LINE_OHM, 0);
    }

    /** Returns the dials to start from at a place: of the card where it was tuned there, else what follows from its rows. */
    public Optional<Preset> preset(Amplifier amplifier, Band band, double frequencyHz, Termination termination) {
        List<CardRow> rows = rows(amplifier, band);
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        return rows.stream()
                .filter(row -> row.termination().equals(termination.name())
                        && Math.abs(row.frequencyHz() / frequencyHz - 1) <= SAME_SHARE)
                .findFirst()
                .map(row -> new Preset(row.plate(), row.load(), Preset.Source.CARD))
                .or(() -> ahead(
                                amplifier,
                                band,
                                frequencyHz,
                                termination,
                                rows.get(0).driveW())
                        .map(ahead ->
                                new Preset(ahead.plate().value(), ahead.load().value(), Preset.Source.AHEAD)));
    }
}
