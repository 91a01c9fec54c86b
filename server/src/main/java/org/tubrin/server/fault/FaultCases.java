package org.tubrin.server.fault;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.faults.CaseStep;
import org.tubrin.core.faults.Cause;
import org.tubrin.core.faults.FaultCase;
import org.tubrin.server.station.Alterations;
import org.tubrin.server.station.Stations;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.web.Stale;
import org.tubrin.server.words.Words;
import tools.jackson.databind.json.JsonMapper;

/** Cases, kept; what was replaced in one enters the station's ledger. */
@Service
public class FaultCases {
    private final FaultCaseMapper mapper;
    private final Alterations alterations;
    private final Stations stations;
    private final Words words;
    private final JsonMapper json;
    private final Clock clock;

    FaultCases(
            FaultCaseMapper mapper,
            Alterations alterations,
            Stations stations,
            Words words,
            JsonMapper json,
            Clock clock) {
        this.mapper = mapper;
        this.alterations = alterations;
        this.stations = stations;
        this.words = words;
        this.json = json;
        this.clock = clock;
    }

    /** A stored case. */
    public record Stored(UUID id, int revision, Instant openedAt, Instant changedAt, FaultCase about) {}

    /** Returns all, the open ones first. */
    public List<Stored> all() {
        return mapper.all().stream().map(this::kept).toList();
    }

    /** Returns one; fails with {@link NotThere}. */
    public Stored get(UUID id) {
        return Optional.ofNullable(mapper.byId(id)).map(this::kept).orElseThrow(() -> new NotThere(id.toString()));
    }

    /** Returns how often each cause was what cured a case; a code that is no longer known is left out. */
    public Map<Cause, Integer> own() {
        Map<Cause, Integer> own = new EnumMap<>(Cause.class);
        for (String code : mapper.cured()) {
            Stream.of(Cause.values())
                    .filter(cause -> cause.name().equals(code))
                    .forEach(cause -> own.merge(cause, 1, Integer::sum));
        }
        return own;
    }

    /** Opens one; the same id again returns the one that is there. */
    public Stored open(UUID id, FaultCase about) {
        Instant now = clock.instant();
        Stored opened = new Stored(id, 1, now, now, about);
        try {
            restore(opened);
            return opened;
        } catch (DuplicateKeyException e) {
            return get(id);
        }
    }

    /** Puts one in as it is, as a backup or the demo holds it. */
    public void restore(Stored kept) {
        mapper.insert(row(kept));
    }

    /** Adds a step to one that still stands as it was read; what was replaced enters the ledger. Fails with {@link Stale}. */
    @Transactional
    public Stored add(Stored read, CaseStep step) {
        Stored after = replace(read, read.about().with(step));
        replaced(step).ifPresent(cause -> enter(after, cause));
        return after;
    }

    /** Opens one again whose symptom came back; what was replaced stays in the ledger. */
    @Transactional
    public Stored cameBack(Stored read) {
        return replace(read, read.about().cameBack());
    }

    /** Takes the last step back, and its entry out of the ledger. */
    @Transactional
    public Stored undo(Stored read) {
        Stored after = replace(read, read.about().withoutLast());
        read.about().last().flatMap(FaultCases::replaced).ifPresent(cause -> alterations.forget(entry(read)));
        return after;
    }

    private Stored replace(Stored read, FaultCase about) {
        Stored after = new Stored(
                read.id(), Stale.next(read.revision(), read.id().toString()), read.openedAt(), clock.instant(), about);
        if (mapper.update(row(after)) == 0) {
            throw new Stale(read.id().toString());
        }
        return after;
    }

    private static Optional<Cause> replaced(CaseStep step) {
        return step instanceof CaseStep.Fixed fixed
                ? Optional.of(fixed.cause()).filter(cause -> cause.changes().isPresent())
                : Optional.empty();
    }

    /** Enters a replaced part where its amplifier is one of the station's; the entry is known by the case and its step. */
    private void enter(Stored after, Cause cause) {
        String amplifier = after.about().amplifier();
        boolean isKnown = stations.readableEquipment().stream()
                .anyMatch(one -> one.equipment().name().equals(amplifier));
        if (isKnown) {
            alterations.add(
                    entry(after),
                    amplifier,
                    cause.changes().orElseThrow(),
                    LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC),
                    words.say("faults.cause." + cause));
        }
    }

    private static UUID entry(Stored with) {
        return UUID.nameUUIDFromBytes((with.id() + "/" + with.about().steps().size()).getBytes(StandardCharsets.UTF_8));
    }

    /** Deletes one; fails with {@link NotThere}. */
    public void remove(UUID id) {
        if (mapper.delete(id) == 0) {
            throw new NotThere(id.toString());
        }
    }

    private FaultCaseRow row(Stored kept) {
        return new FaultCaseRow(
                kept.id(),
                kept.revision(),
                kept.openedAt(),
                kept.changedAt(),
                kept.about().cured().map(Enum::name).orElse(null),
                json.writeValueAsString(kept.about()));
    }

    private Stored kept(FaultCaseRow row) {
        return new Stored(
                row.id(), row.revision(), row.openedAt(), row.changedAt(), json.readValue(row.body(), FaultCase.class));
    }
}
