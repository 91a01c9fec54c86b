package org.tubrin.server.station;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Instrument;
import org.tubrin.core.station.Station;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The station and its equipment in a backup. */
@Component
@Order(1)
class StationBackup implements BackupPart {
    private static final String STATION = "station";
    private static final String REVISION = "stationRevision";
    private static final String EQUIPMENT = "equipment";

    private final Stations stations;
    private final JsonMapper json;

    StationBackup(Stations stations, JsonMapper json) {
        this.stations = stations;
        this.json = json;
    }

    /** One record of equipment. */
    record Entry(UUID id, int revision, Equipment equipment) {}

    /** One as it stands in a file, maybe in the form of an older one. */
    record Filed(UUID id, int revision, ObjectNode equipment) {
        Entry entry(JsonMapper json) {
            return new Entry(id, revision, json.treeToValue(equipment, Equipment.class));
        }

        /** Returns whether it is an instrument from before one could have several queries. */
        boolean isOfOneQuery() {
            return equipment.path("kind").asString("").equals("instrument") && equipment.has("query");
        }

        /** Returns such a one in the form of today. */
        Instrument instrument(JsonMapper json) {
            ObjectNode query = equipment.objectNode();
            for (String field : List.of("query", "factor", "meter", "role")) {
                if (equipment.has(field)) {
                    query.set(field, equipment.remove(field));
                }
            }
            equipment.putArray("queries").add(query);
            return (Instrument) json.treeToValue(equipment, Equipment.class);
        }
    }

    @Override
    public List<Field> fields() {
        return List.of(new Field(STATION, true), new Field(REVISION, true), new Field(EQUIPMENT, false));
    }

    @Override
    public List<String> tables() {
        return List.of(STATION, EQUIPMENT);
    }

    @Override
    public void write(JsonGenerator to, Written written) {
        Optional<Stations.KeptStation> station = stations.station();
        station.ifPresent(kept -> to.writePOJOProperty(STATION, kept.station()));
        to.writeNumberProperty(
                REVISION, station.map(Stations.KeptStation::revision).orElse(0));
        to.writeArrayPropertyStart(EQUIPMENT);
        stations.equipment().forEach(kept -> to.writePOJO(new Entry(kept.id(), kept.revision(), kept.equipment())));
        to.writeEndArray();
    }

    @Override
    public Intake intake(boolean apply) {
        return new Reading(apply);
    }

    private final class Reading implements Intake {
        private final boolean apply;
        private @Nullable Station station;
        private int revision = 1;
        /** Records of one query, by host and port: there was one for each query of an instrument. */
        private final Map<String, List<Entry>> ofOneQuery = new LinkedHashMap<>();

        Reading(boolean apply) {
            this.apply = apply;
        }

        @Override
        public void field(String name, JsonParser from, BackupReading reading) {
            if (name.equals(EQUIPMENT)) {
                reading.each(from, () -> take(from.readValueAs(Filed.class), reading));
                ofOneQuery.values().forEach(this::putTogether);
            } else if (name.equals(REVISION)) {
                revision = Math.max(1, from.getIntValue());
            } else {
                station = from.readValueAs(Station.class);
                reading.stationIs(station.name());
            }
        }

        private void take(Filed filed, BackupReading reading) {
            boolean isOld = filed.isOfOneQuery();
            Entry one = isOld ? new Entry(filed.id(), filed.revision(), filed.instrument(json)) : filed.entry(json);
            reading.once("id", EQUIPMENT, one.id());
            reading.once(
                    "equipment.name", "name", one.equipment().name().strip().toLowerCase(Locale.ROOT));
            reading.count(BackupReading.Counted.EQUIPMENT, 1);
            if (isOld) {
                Instrument instrument = (Instrument) one.equipment();
                ofOneQuery
                        .computeIfAbsent(instrument.host() + " " + instrument.port(), place -> new ArrayList<>())
                        .add(one);
            } else {
                put(one);
            }
        }

        private void putTogether(List<Entry> ofOnePlace) {
            Instrument instrument = Instrument.together(
                    ofOnePlace.stream().map(one -> (Instrument) one.equipment()).toList());
            Entry first = ofOnePlace.stream()
                    .filter(one -> one.equipment().name().equals(instrument.name()))
                    .findFirst()
                    .orElseThrow();
            put(new Entry(first.id(), first.revision(), instrument));
        }

        private void put(Entry one) {
            if (apply) {
                stations.restore(one.id(), one.revision(), one.equipment());
            }
        }

        @Override
        public void end() {
            if (apply && (station != null)) {
                stations.restore(station, revision);
            }
        }
    }
}
