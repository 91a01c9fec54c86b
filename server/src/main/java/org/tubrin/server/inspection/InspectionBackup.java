package org.tubrin.server.inspection;

import java.util.List;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.tubrin.server.store.BackupPart;
import org.tubrin.server.store.BackupReading;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;

/** Photographs in a backup, one after the other. */
@Component
@Order(8)
class InspectionBackup implements BackupPart {
    private static final String PHOTOS = "inspectionPhotos";

    private final Inspections inspections;
    private final PhotoMapper photos;

    InspectionBackup(Inspections inspections, PhotoMapper photos) {
        this.inspections = inspections;
        this.photos = photos;
    }

    @Override
    public List<Field> fields() {
        return List.of(new Field(PHOTOS, true));
    }

    @Override
    public List<String> tables() {
        return List.of("inspection_photo");
    }

    @Override
    public void write(JsonGenerator to, Written written) {
        to.writeArrayPropertyStart(PHOTOS);
        photos.all().forEach(row -> to.writePOJO(inspections.stored(row)));
        to.writeEndArray();
    }

    @Override
    public Intake intake(boolean apply) {
        return (name, from, reading) -> reading.each(from, () -> take(from, reading, apply));
    }

    private void take(JsonParser from, BackupReading reading, boolean apply) {
        Inspections.StoredPhoto one = from.readValueAs(Inspections.StoredPhoto.class);
        reading.once("id", "inspectionPhoto", one.id());
        Inspections.check(reading.at() + ".jpeg", one.jpeg());
        reading.demand("candidateId", "equipment", one.candidateId());
        if (apply) {
            inspections.restore(one);
        }
    }
}
