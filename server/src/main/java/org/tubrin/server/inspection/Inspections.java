package org.tubrin.server.inspection;

import java.time.Instant;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Candidate;
import org.tubrin.server.station.Stations;
import org.tubrin.server.web.NotThere;

/** What was looked at of amplifiers that are offered: the points stand in the candidate's record, the photographs beside it. */
@Service
public class Inspections {
    /** What the file of a sheet says that it is. */
    static final String FORMAT = "tubrin-inspection";

    /** Photographs that a candidate may have. */
    static final int MOST_PHOTOS = 60;

    /** Of 2 MB as base64. */
    private static final int MOST_CHARACTERS = 2 * 1024 * 1024 / 3 * 4;

    private static final byte[] JPEG_BEGINS = {(byte) 0xff, (byte) 0xd8, (byte) 0xff};

    private final Stations stations;
    private final PhotoMapper photos;

    Inspections(Stations stations, PhotoMapper photos) {
        this.stations = stations;
        this.photos = photos;
    }

    /**
     * What a sheet brings back.
     *
     * @param format {@value #FORMAT}
     * @param candidateId whose sheet it was
     * @param points those that were looked at or noted, each once
     * @param photos at most 60 of a candidate
     */
    public record InspectionFile(String format, UUID candidateId, List<PointFound> points, List<PhotoTaken> photos) {}

    /**
     * One point.
     *
     * @param state absent where it was not judged
     * @param note to 400 characters
     */
    public record PointFound(
            Candidate.Point point,
            Candidate.@Nullable State state,
            @Nullable String note) {
        Candidate.Inspected looked() {
            return new Candidate.Inspected(
                    point,
                    Optional.ofNullable(state),
                    Optional.ofNullable(note).map(String::strip).filter(text -> !text.isEmpty()));
        }
    }

    /**
     * One photograph.
     *
     * @param id given when it was taken; the same again is one
     * @param jpeg the picture as base64, to 2 MB
     */
    public record PhotoTaken(UUID id, Candidate.Point point, Instant takenAt, String jpeg) {}

    /** Returns a candidate; fails with {@link Refused} where the equipment is something else. */
    public Candidate candidate(UUID id) {
        return stations.equipment(id, Candidate.class, "candidateId");
    }

    /** Returns the photographs of a candidate, the first taken first. */
    public List<PhotoRow> photos(UUID candidateId) {
        return photos.of(candidateId);
    }

    /** Returns a photograph's picture as base64. */
    public String picture(UUID candidateId, UUID id) {
        return Optional.ofNullable(photos.picture(candidateId, id)).orElseThrow(() -> new NotThere(id.toString()));
    }

    /** Puts in what a sheet brought back: all of it or, where any of it does not hold, nothing; the same again adds nothing. */
    @Transactional
    public void bring(UUID candidateId, InspectionFile file) {
        Stations.Stored kept = stations.equipment(candidateId);
        Candidate before = candidate(candidateId);
        check(before, candidateId, file);
        Candidate after =
                before.with(file.points().stream().map(PointFound::looked).toList());
        if (!after.equals(before)) {
            stations.replace(candidateId, kept.revision(), after);
        }
        file.photos().forEach(one -> keep(candidateId, one));
        new Checks().size("photos", photos.of(candidateId), 0, MOST_PHOTOS).done();
    }

    private static void check(Candidate candidate, UUID candidateId, InspectionFile file) {
        new Checks()
                .oneOf("format", file.format(), List.of(FORMAT))
                .distinct(
                        "points", file.points().stream().map(PointFound::point).toList())
                .size("photos", file.photos(), 0, MOST_PHOTOS)
                .done();
        if (!file.candidateId().equals(candidateId)) {
            throw new Refused(new Problem(
                    ProblemCode.UNKNOWN_NAME,
                    "candidateId",
                    file.candidateId().toString(),
                    new Allowed.OneOf(List.of(candidate.name()))));
        }
        for (int i = 0; i < file.photos().size(); i++) {
            check("photos." + i + ".jpeg", file.photos().get(i).jpeg());
        }
    }

    /** Refuses what is no JPEG of such a size. */
    static void check(String field, String jpeg) {
        new Checks().range(field, jpeg.length(), 1, MOST_CHARACTERS, Unit.ONE).done();
        if (!isJpeg(jpeg)) {
            throw new Refused(new Problem(ProblemCode.NOT_A_PHOTO, field, "", new Allowed.Nothing()));
        }
    }

    private static boolean isJpeg(String base64) {
        try {
            byte[] bytes = Base64.getDecoder().decode(base64);
            int length = JPEG_BEGINS.length;
            return bytes.length > length && Arrays.equals(bytes, 0, length, JPEG_BEGINS, 0, length);
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private void keep(UUID candidateId, PhotoTaken one) {
        photos.insert(new PhotoRow(one.id(), candidateId, one.point().name(), one.takenAt()), one.jpeg());
    }

    /** Puts a photograph back as a backup holds it, once it is checked. */
    void restore(StoredPhoto one) {
        keep(one.candidateId(), new PhotoTaken(one.id(), one.point(), one.takenAt(), one.jpeg()));
    }

    /** A photograph as a backup holds it. */
    record StoredPhoto(UUID id, UUID candidateId, Candidate.Point point, Instant takenAt, String jpeg) {}

    /** Returns a photograph as a backup holds it. */
    StoredPhoto stored(PhotoRow row) {
        return new StoredPhoto(
                row.id(),
                row.candidateId(),
                Candidate.Point.valueOf(row.point()),
                row.takenAt(),
                picture(row.candidateId(), row.id()));
    }

    /** Deletes a photograph. */
    public void delete(UUID candidateId, UUID id) {
        if (photos.delete(candidateId, id) == 0) {
            throw new NotThere(id.toString());
        }
    }
}
