package org.tubrin.server.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Station;
import org.tubrin.server.store.CoreJson;
import org.tubrin.server.web.NotThere;
import org.tubrin.server.web.Stale;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The station's records, read and written whole. */
@Service
public class Stations {
    private static final Logger LOG = LoggerFactory.getLogger(Stations.class);

    private static final int MOST_READ = 500;

    private final StationMapper mapper;
    private final JsonMapper json;
    /** Records that were said to be unreadable, each once. */
    private final Set<String> unreadable = ConcurrentHashMap.newKeySet();

    private final Map<UUID, Read> read = new ConcurrentHashMap<>();

    Stations(StationMapper mapper, JsonMapper json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** A record as it was read. */
    private record Read(String body, Equipment equipment) {}

    /** A stored piece of equipment. */
    public record Stored(UUID id, int revision, Equipment equipment) {}

    /** The stored station. */
    public record KeptStation(int revision, Station station) {}

    /** Returns the station, where one was described. */
    public Optional<KeptStation> station() {
        return Optional.ofNullable(mapper.station())
                .map(row -> new KeptStation(row.revision(), json.readValue(row.body(), Station.class)));
    }

    /** Keeps the station in place of the revision that was read; 0 where there was none. */
    public KeptStation keep(Station station, int readRevision) {
        StationRow row = new StationRow(Stale.next(readRevision, station.name()), json.writeValueAsString(station));
        int kept =
                readRevision == 0 && mapper.station() == null ? mapper.insertStation(row) : mapper.updateStation(row);
        if (kept == 0) {
            throw new Stale(station.name());
        }
        return new KeptStation(row.revision(), station);
    }

    /** Returns all equipment by name. */
    public List<Stored> equipment() {
        return mapper.equipment().stream().map(this::kept).toList();
    }

    /** Returns all equipment whose records can be read; one that cannot is left out, and said in the log. */
    public List<Stored> readableEquipment() {
        List<Stored> readable = new ArrayList<>();
        for (EquipmentRow row : mapper.equipment()) {
            try {
                readable.add(kept(row));
            } catch (JacksonException e) {
                if (unreadable.add(row.id() + " " + row.revision())) {
                    LOG.warn("the record {} cannot be read: {}", row.name(), e.getMessage());
                }
            }
        }
        return readable;
    }

    /** Returns one piece. */
    public Stored equipment(UUID id) {
        return Optional.ofNullable(mapper.equipmentById(id))
                .map(this::kept)
                .orElseThrow(() -> new NotThere(id.toString()));
    }

    /** Returns one piece that must be of a type; refuses by the field's name else. */
    public <T extends Equipment> T equipment(UUID id, Class<T> type, String field) {
        Equipment found = equipment(id).equipment();
        if (!type.isInstance(found)) {
            List<String> fitting = readableEquipment().stream()
                    .map(Stored::equipment)
                    .filter(type::isInstance)
                    .map(Equipment::name)
                    .toList();
            throw new Refused(new Problem(ProblemCode.UNKNOWN_NAME, field, found.name(), new Allowed.OneOf(fitting)));
        }
        return type.cast(found);
    }

    /** Adds a piece. */
    public Stored add(UUID id, Equipment equipment) {
        fits(equipment);
        try {
            mapper.insertEquipment(row(id, 1, equipment));
        } catch (DuplicateKeyException e) {
            throw nameTaken(equipment);
        }
        return new Stored(id, 1, equipment);
    }

    /** Replaces a piece, where nobody else did since it was read. */
    public Stored replace(UUID id, int readRevision, Equipment equipment) {
        fits(equipment);
        try {
            if (mapper.updateEquipment(row(id, Stale.next(readRevision, equipment.name()), equipment)) == 0) {
                equipment(id);
                throw new Stale(equipment.name());
            }
        } catch (DuplicateKeyException e) {
            throw nameTaken(equipment);
        }
        return new Stored(id, Stale.next(readRevision, equipment.name()), equipment);
    }

    /** Puts a piece back as a backup holds it. */
    public void restore(UUID id, int revision, Equipment equipment) {
        try {
            mapper.insertEquipment(row(id, revision, equipment));
        } catch (DuplicateKeyException e) {
            throw nameTaken(equipment);
        }
    }

    /** Puts the station back as a backup holds it. */
    public void restore(Station station, int revision) {
        mapper.insertStation(new StationRow(revision, json.writeValueAsString(station)));
    }

    /** Takes a piece away; the runs keep their copies of it. */
    public void remove(UUID id) {
        if (mapper.deleteEquipment(id) == 0) {
            throw new NotThere(id.toString());
        }
    }

    private EquipmentRow row(UUID id, int revision, Equipment equipment) {
        return new EquipmentRow(
                id,
                revision,
                equipment.name().strip(),
                json.writerFor(Equipment.class).writeValueAsString(equipment));
    }

    /** Reads a record, or takes it as it was read before, where not a character of it has changed. */
    private Stored kept(EquipmentRow row) {
        Read before = read.get(row.id());
        if (before != null && before.body.equals(row.body())) {
            return new Stored(row.id(), row.revision(), before.equipment);
        }
        Equipment equipment = json.readValue(row.body(), Equipment.class);
        if (read.size() >= MOST_READ) {
            read.clear();
        }
        read.put(row.id(), new Read(row.body(), equipment));
        return new Stored(row.id(), row.revision(), equipment);
    }

    /** Returns equipment from a tree. */
    public Equipment read(Object tree) {
        return CoreJson.read(json, tree, Equipment.class);
    }

    /** A meter kept before may have scales that fit nothing; none is kept any more. */
    private static void fits(Equipment equipment) {
        if (equipment instanceof Meter meter && !meter.misfits().isEmpty()) {
            throw new Refused(meter.misfits());
        }
    }

    private static Refused nameTaken(Equipment equipment) {
        return new Refused(new Problem(ProblemCode.DUPLICATE, "name", equipment.name(), new Allowed.Nothing()));
    }
}
