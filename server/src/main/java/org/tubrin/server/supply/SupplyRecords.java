package org.tubrin.server.supply;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.server.store.CoreJson;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.web.Stale;
import tools.jackson.databind.json.JsonMapper;

/** Plans, profiles and high-voltage supplies, read and written whole. */
@Service
public class SupplyRecords {
    private final SupplyRecordMapper mapper;
    private final JsonMapper json;
    private final Clock clock;

    SupplyRecords(SupplyRecordMapper mapper, JsonMapper json, Clock clock) {
        this.mapper = mapper;
        this.json = json;
        this.clock = clock;
    }

    /** A stored paper. */
    public record Stored(UUID id, SupplyRecordKind kind, int revision, Instant changedAt, Object paper) {}

    /** Returns all, the last changed first. */
    public List<Stored> all() {
        return mapper.all().stream().map(this::kept).toList();
    }

    /** Returns one. */
    public Stored get(UUID id) {
        return Optional.ofNullable(mapper.byId(id)).map(this::kept).orElseThrow(() -> new NotThere(id.toString()));
    }

    /** Returns by how much the voltage of a supply rose on transmission when last measured to the end; empty where it did not, or never was. */
    public Optional<Quantity> riseV(String supply) {
        return all().stream()
                .map(Stored::paper)
                .filter(ProfileRun.class::isInstance)
                .map(ProfileRun.class::cast)
                .filter(run -> run.supply().equals(supply) && run.tellsOfRise())
                .findFirst()
                .flatMap(ProfileRun::riseV);
    }

    /** Returns the record that a body means. */
    public Object read(SupplyRecordKind kind, Object body) {
        return CoreJson.read(json, body, kind.type());
    }

    /** Adds one. */
    public Stored add(UUID id, SupplyRecordKind kind, Object paper) {
        return restore(new Stored(id, kind, 1, clock.instant(), paper));
    }

    /** Puts one back as a backup holds it. */
    public Stored restore(Stored kept) {
        try {
            mapper.insert(row(kept));
        } catch (DuplicateKeyException e) {
            throw nameTaken(kept.paper());
        }
        return kept;
    }

    /** Replaces one, where nobody else did since it was read. */
    public Stored replace(UUID id, SupplyRecordKind kind, int readRevision, Object paper) {
        if (get(id).kind() != kind) {
            throw new NotThere(id.toString());
        }
        Stored kept = new Stored(id, kind, Stale.next(readRevision, id.toString()), clock.instant(), paper);
        try {
            if (mapper.update(row(kept)) == 0) {
                throw new Stale(SupplyRecordKind.nameOf(paper));
            }
        } catch (DuplicateKeyException e) {
            throw nameTaken(paper);
        }
        return kept;
    }

    /** Takes one away. */
    public void remove(UUID id) {
        if (mapper.delete(id) == 0) {
            throw new NotThere(id.toString());
        }
    }

    private SupplyRecordRow row(Stored kept) {
        String name = SupplyRecordKind.nameOf(kept.paper()).strip();
        return new SupplyRecordRow(
                kept.id(), kept.kind(), kept.revision(), name, kept.changedAt(), json.writeValueAsString(kept.paper()));
    }

    private Stored kept(SupplyRecordRow row) {
        Object paper = json.readValue(row.body(), row.kind().type());
        return new Stored(row.id(), row.kind(), row.revision(), row.changedAt(), paper);
    }

    private static Refused nameTaken(Object paper) {
        return new Refused(
                new Problem(ProblemCode.DUPLICATE, "name", SupplyRecordKind.nameOf(paper), new Allowed.Nothing()));
    }
}
