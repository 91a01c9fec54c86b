package org.tubrin.server.station;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Alteration;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** What was changed of the station, and what that closes. */
@Service
public class Alterations {
    private final AlterationMapper mapper;
    private final Stations stations;
    private final Words words;
    private final Clock clock;

    Alterations(AlterationMapper mapper, Stations stations, Words words, Clock clock) {
        this.mapper = mapper;
        this.stations = stations;
        this.words = words;
        this.clock = clock;
    }

    /** Returns all, the last first. */
    List<AlterationRow> rows() {
        return mapper.all();
    }

    /** Returns all, the last first. */
    public List<Alteration> all() {
        return mapper.all().stream().map(AlterationRow::alteration).toList();
    }

    /** Returns in words what closed something that was found with these at a moment; empty where nothing did. */
    public Optional<String> closed(List<Alteration> all, Collection<String> equipment, Instant found) {
        return Alteration.closing(all, equipment, found).map(this::said);
    }

    /** Returns a change in words. */
    public String said(Alteration one) {
        return words.say(
                "alteration",
                Map.of(
                        "on", Figures.day(one.at()),
                        "part", words.name(one.part().name()),
                        "equipment", one.equipment(),
                        "noted", one.note().isEmpty() ? "no" : "yes",
                        "note", one.note()));
    }

    /**
     * Keeps a change. Of today it counts from now on, of another day from its beginning.
     *
     * <p>Fails with {@link Refused} where there is no such equipment, or the day is to come.
     */
    @Transactional
    public AlterationRow add(String equipment, Alteration.Part part, LocalDate on, String note) {
        return add(UUID.randomUUID(), equipment, part, on, note);
    }

    /** The same under an id of the caller's, by which it can be forgotten again. */
    @Transactional
    public AlterationRow add(UUID id, String equipment, Alteration.Part part, LocalDate on, String note) {
        Instant now = clock.instant();
        LocalDate today = LocalDate.ofInstant(now, ZoneOffset.UTC);
        List<String> known = stations.readableEquipment().stream()
                .map(one -> one.equipment().name())
                .toList();
        if (!known.contains(equipment)) {
            throw new Refused(new Problem(ProblemCode.UNKNOWN_NAME, "equipment", equipment, new Allowed.OneOf(known)));
        }
        if (on.isAfter(today)) {
            throw new Refused(new Problem(
                    ProblemCode.OUT_OF_RANGE, "on", on.toString(), new Allowed.OneOf(List.of(today.toString()))));
        }
        Instant at = on.equals(today) ? now : on.atStartOfDay(ZoneOffset.UTC).toInstant();
        Alteration checked = new Alteration(equipment, part, at, note.strip());
        AlterationRow row = new AlterationRow(id, equipment, part, checked.at(), checked.note());
        mapper.insert(row);
        return row;
    }

    void restore(AlterationRow row) {
        mapper.insert(row);
    }

    /** Deletes one where it is there. */
    public void forget(UUID id) {
        mapper.delete(id);
    }

    /** Deletes one; fails with {@link NotThere}. */
    @Transactional
    public void remove(UUID id) {
        if (mapper.delete(id) == 0) {
            throw new NotThere(id.toString());
        }
    }
}
