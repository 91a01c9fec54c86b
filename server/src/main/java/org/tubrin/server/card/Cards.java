package org.tubrin.server.card;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.util.ConcurrentLruCache;
import org.tubrin.core.card.CardLine;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.card.DialsAhead;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ModeSwitch;
import org.tubrin.core.station.Termination;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.server.station.Alterations;
import org.tubrin.server.station.Stations;
import org.tubrin.server.store.JsonProblems;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The tune cards. */
@Service
public class Cards {
    private static final int MOST_HELD = 2000;

    private final CardMapper mapper;
    private final Stations stations;
    private final Alterations alterations;
    private final JsonMapper json;
    /** Rows that were read lately: records do not change. */
    private final ConcurrentLruCache<CardRecord, CardRow> rows = new ConcurrentLruCache<>(MOST_HELD, this::read);

    Cards(CardMapper mapper, Stations stations, Alterations alterations, JsonMapper json) {
        this.mapper = mapper;
        this.stations = stations;
        this.alterations = alterations;
        this.json = json;
    }

    /** A line of a card; the run that left its newest row is absent where it came from a file. */
    public record Line(CardLine place, @Nullable UUID runId) {}

    /** Returns in words what closed a row: amplifier, load or antenna are no longer what it was tuned with. */
    Optional<String> closed(List<Alteration> all, CardRow row) {
        return alterations.closed(all, line(row), row.verifiedAt());
    }

    private static List<String> line(CardRow row) {
        return List.of(row.amplifier(), row.termination());
    }

    /** Returns the row of a record; fails with {@link Refused} where its body is not one. */
    public CardRow row(CardRecord record) {
        return rows.get(record);
    }

    private CardRow read(CardRecord record) {
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
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public List<Line> lines() {
        return lines(null, null);
    }

    private List<Line> lines(@Nullable String amplifier, @Nullable String band) {
        Map<UUID, CardRecord> records = new HashMap<>();
        mapper.atSpots(amplifier, band).forEach(record -> records.put(record.id(), record));
        IdentityHashMap<CardRow, CardRecord> kept = new IdentityHashMap<>();
        List<CardLine> places = new ArrayList<>();
        for (CardSpot spot : mapper.spots(amplifier, band)) {
            CardRecord record = Objects.requireNonNull(records.get(spot.newest()));
            CardRow newest = row(record);
            kept.put(newest, record);
            boolean once = spot.first().equals(spot.newest());
            CardRow first = once ? newest : row(Objects.requireNonNull(records.get(spot.first())));
            places.add(new CardLine(newest, first, spot.times()));
        }
        return CardLine.joined(places).stream()
                .map(place -> new Line(
                        place, Objects.requireNonNull(kept.get(place.newest())).runId()))
                .toList();
    }

    /** Keeps rows that came from a file; those that are there already are left out. Returns how many were new. */
    @Transactional
    public int keep(List<CardRow> rows) {
        int kept = 0;
        for (CardRow row : rows) {
            CardRecord record = CardBody.record(UUID.randomUUID(), null, row, json);
            if (!mapper.isThere(record)) {
                kept += mapper.insert(record);
            }
        }
        return kept;
    }

    /** Returns where the dials will go, by the card's rows and the twin; empty where neither knows anything. */
    public Optional<DialsAhead> ahead(
            Amplifier amplifier, Band band, double frequencyHz, Termination termination, double driveW) {
        return ahead(amplifier, rows(amplifier, band, Use.SPEECH_AND_CW), band, frequencyHz, termination, driveW);
    }

    private Optional<DialsAhead> ahead(
            Amplifier amplifier,
            List<CardRow> rows,
            Band band,
            double frequencyHz,
            Termination termination,
            double driveW) {
        DialsAhead.Spot spot = new DialsAhead.Spot(band, frequencyHz, termination.at(frequencyHz), driveW);
        return DialsAhead.at(amplifier, known(rows, band), spot);
    }

    private List<DialsAhead.Known> known(List<CardRow> rows, Band band) {
        return rows.stream()
                .map(row -> new DialsAhead.Known(
                        new DialsAhead.Spot(
                                band, row.frequencyHz(), into(row.termination(), row.frequencyHz()), row.driveW()),
                        row.plate(),
                        row.load()))
                .toList();
    }

    /**
     * Returns the newest row of each line of an amplifier's band that still holds, its mode switch standing as it stands: those for the use
     * asked for; where there is none, those for the other. Dials for a long carrier load too lightly for full drive, so that without a twin
     * that knows the way from one to the other they tell nothing of it.
     */
    private List<CardRow> rows(Amplifier amplifier, Band band, Use use) {
        List<Alteration> changed = alterations.all();
        List<CardRow> all = lines(amplifier.name(), band.name()).stream()
                .map(line -> line.place().newest())
                .filter(row ->
                        row.switchPosition().equals(amplifier.modeSwitch().map(ModeSwitch::at)))
                .filter(row ->
                        Alteration.closing(changed, line(row), row.verifiedAt()).isEmpty())
                .toList();
        List<CardRow> own = all.stream().filter(row -> row.use() == use).toList();
        boolean othersTell = use == Use.LONG_CARRIER || amplifier.twin().isPresent();
        return own.isEmpty() && othersTell ? all : own;
    }

    /** Returns what an amplifier worked into; a load or antenna that is gone counts as the line. */
    private ImpedancePoint into(String termination, double frequencyHz) {
        return stations.equipment().stream()
                .map(Stations.Stored::equipment)
                .filter(one -> one.name().equals(termination) && one instanceof Termination)
                .map(one -> ((Termination) one).at(frequencyHz))
                .findFirst()
                .orElseGet(() -> new ImpedancePoint(frequencyHz, Mismatch.LINE_OHM, 0));
    }

    /** Returns the row that still holds at a place for a use; empty where there is none. */
    public Optional<CardRow> row(Amplifier amplifier, Band band, double frequencyHz, Termination termination, Use use) {
        return at(rows(amplifier, band, use), frequencyHz, termination, use);
    }

    private static Optional<CardRow> at(List<CardRow> rows, double frequencyHz, Termination termination, Use use) {
        return rows.stream()
                .filter(row -> row.use() == use && row.holdsAt(frequencyHz, termination.name()))
                .findFirst();
    }

    /** Returns the dials to start from at a place: of the card where it was tuned there, else what follows from its rows. */
    public Optional<Preset> preset(
            Amplifier amplifier, Band band, double frequencyHz, Termination termination, Use use) {
        List<CardRow> rows = rows(amplifier, band, use);
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        return at(rows, frequencyHz, termination, use)
                .map(row -> new Preset(row.plate(), row.load(), Preset.Source.CARD))
                .or(() -> ahead(
                                amplifier,
                                rows,
                                band,
                                frequencyHz,
                                termination,
                                rows.get(0).use() == use ? rows.get(0).driveW() : amplifier.driveLimitW())
                        .map(ahead ->
                                new Preset(ahead.plate().value(), ahead.load().value(), Preset.Source.AHEAD)));
    }
}
