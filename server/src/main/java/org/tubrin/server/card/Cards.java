package org.tubrin.server.card;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.card.DialsAhead;
import org.tubrin.core.card.Place;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ModeSwitch;
import org.tubrin.core.station.Termination;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.tuneup.Preset;
import org.tubrin.server.station.Stations;
import org.tubrin.server.store.JsonProblems;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The tune cards. */
@Service
public class Cards {
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
        return mapper.all().stream().map(record -> new Row(record, row(record))).toList();
    }

    /** Returns the row of a record; fails with {@link Refused} where its body is not one. */
    public CardRow row(CardRecord record) {
        try {
            return json.readValue(record.body(), CardBody.class).row(record);
        } catch (JacksonException e) {
            throw new Refused(JsonProblems.of(e));
        } catch (IllegalArgumentException e) {
            throw new Refused(new Problem(
                    ProblemCode.MALFORMED, "cardRows", String.valueOf(e.getMessage()), new Allowed.Nothing()));
        }
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
        DialsAhead.Spot spot = new DialsAhead.Spot(band, frequencyHz, termination.at(frequencyHz), driveW);
        return DialsAhead.at(amplifier, known(amplifier, band), spot);
    }

    private List<DialsAhead.Known> known(Amplifier amplifier, Band band) {
        return rows(amplifier, band).stream()
                .map(row -> new DialsAhead.Known(
                        new DialsAhead.Spot(
                                band, row.frequencyHz(), into(row.termination(), row.frequencyHz()), row.driveW()),
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

    /** Returns what an amplifier worked into; a load or antenna that is gone counts as the line. */
    private ImpedancePoint into(String termination, double frequencyHz) {
        return stations.equipment().stream()
                .map(Stations.Kept::equipment)
                .filter(one -> one.name().equals(termination) && one instanceof Termination)
                .map(one -> ((Termination) one).at(frequencyHz))
                .findFirst()
                .orElseGet(() -> new ImpedancePoint(frequencyHz, Mismatch.LINE_OHM, 0));
    }

    /** Returns the dials to start from at a place: of the card where it was tuned there, else what follows from its rows. */
    public Optional<Preset> preset(Amplifier amplifier, Band band, double frequencyHz, Termination termination) {
        List<CardRow> rows = rows(amplifier, band);
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        return rows.stream()
                .filter(row -> row.holdsAt(frequencyHz, termination.name()))
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
