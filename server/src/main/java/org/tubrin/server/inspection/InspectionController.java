package org.tubrin.server.inspection;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.choosing.Choosing;
import org.tubrin.core.station.Candidate;
import org.tubrin.server.inspection.InspectionViews.InspectedView;
import org.tubrin.server.inspection.InspectionViews.InspectionView;
import org.tubrin.server.inspection.InspectionViews.PhotoView;
import org.tubrin.server.station.ConditionWords;
import org.tubrin.server.words.Words;

/** Looking at an amplifier that is offered. */
@RestController
@RequestMapping("/api/candidates/{id}/inspection")
public class InspectionController {
    private static final MediaType HTML = new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8);

    private final Inspections inspections;
    private final InspectionSheet sheet;
    private final ConditionWords condition;
    private final Words words;

    InspectionController(Inspections inspections, InspectionSheet sheet, ConditionWords condition, Words words) {
        this.inspections = inspections;
        this.sheet = sheet;
        this.condition = condition;
        this.words = words;
    }

    @GetMapping
    InspectionView inspection(@PathVariable UUID id) {
        Candidate candidate = inspections.candidate(id);
        Choosing.Condition found = Choosing.Condition.of(candidate.inspected());
        return new InspectionView(
                id,
                candidate.name(),
                words.say("caution.HIGH_VOLTAGE"),
                points(candidate, inspections.photos(id)),
                condition.said(found).orElse(null),
                found.knockedOut(),
                Inspections.MOST_PHOTOS,
                Candidate.MOST_IN_NOTE);
    }

    private static List<InspectedView> points(Candidate candidate, List<PhotoRow> photos) {
        Map<Candidate.Point, Candidate.Inspected> looked = candidate.inspected().stream()
                .collect(Collectors.toMap(Candidate.Inspected::point, Function.identity()));
        return Stream.of(Candidate.Point.values())
                .map(point -> new InspectedView(
                        point,
                        Optional.ofNullable(looked.get(point))
                                .flatMap(Candidate.Inspected::state)
                                .orElse(null),
                        Optional.ofNullable(looked.get(point))
                                .flatMap(Candidate.Inspected::note)
                                .orElse(null),
                        Choosing.Condition.KNOCK_OUTS.contains(point),
                        photos.stream()
                                .filter(photo -> photo.point().equals(point.name()))
                                .map(photo -> new PhotoView(photo.id(), photo.takenAt()))
                                .toList()))
                .toList();
    }

    /** Returns the sheet to take along: one file that needs no network. */
    @GetMapping(value = "/sheet", produces = MediaType.TEXT_HTML_VALUE)
    ResponseEntity<String> sheet(@PathVariable UUID id) {
        InspectionView view = inspection(id);
        return ResponseEntity.ok()
                .contentType(HTML)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(view.name() + ".html", StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(sheet.of(view));
    }

    /** Puts in what a sheet brought back; the same again adds nothing. */
    @PostMapping
    InspectionView bring(@PathVariable UUID id, @RequestBody Inspections.InspectionFile file) {
        inspections.bring(id, file);
        return inspection(id);
    }

    @GetMapping(value = "/photos/{photoId}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> photo(@PathVariable UUID id, @PathVariable UUID photoId) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .contentType(MediaType.IMAGE_JPEG)
                .body(Base64.getDecoder().decode(inspections.picture(id, photoId)));
    }

    @DeleteMapping("/photos/{photoId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable UUID id, @PathVariable UUID photoId) {
        inspections.delete(id, photoId);
    }
}
