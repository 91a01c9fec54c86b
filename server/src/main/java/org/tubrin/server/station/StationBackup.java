package org.tubrin.server.station;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Station;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;

/** The station and its equipment in a backup. */
@Component
@Order(1)
class StationBackup implements BackupPart {
    private static final String STATION = "station";
    private static final String REVISION = "stationRevision";
    private static final String EQUIPMENT = "equipment";

    private final Stations stations;

    StationBackup(Stations stations) {
        this.stations = stations;
    }

    /** One record of equipment. */
    record Entry(UUID id, int revision, Equipment equipment) {}

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

        Reading(boolean apply) {
            this.apply = apply;
        }

        @Override
        public void field(String name, JsonParser from, BackupReading reading) {
            if (name.equals(EQUIPMENT)) {
                reading.each(from, () -> take(from.readValueAs(Entry.class), reading));
            } else if (name.equals(REVISION)) {
                revision = Math.max(1, from.getIntValue());
            } else {
                station = from.readValueAs(Station.class);
                reading.stationIs(station.name());
            }
        }

        private void take(Entry one, BackupReading reading) {
            reading.once("id", EQUIPMENT, one.id());
            reading.once(
                    "equipment.name", "name", one.equipment().name().strip().toLowerCase(Locale.ROOT));
            if (apply) {
                stations.restore(one.id(), one.revision(), one.equipment());
            }
            reading.count(BackupReading.Counted.EQUIPMENT, 1);
        }

        @Override
        public void end() {
            if (apply && (station != null)) {
                stations.restore(station, revision);
            }
        }
    }
}
