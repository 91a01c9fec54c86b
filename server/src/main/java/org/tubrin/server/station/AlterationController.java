package org.tubrin.server.station;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Termination;
import org.tubrin.server.words.Words;

/** What was changed of the station. */
@RestController
@RequestMapping("/api/alterations")
public class AlterationController {
    private static final int NOTHING_RESTS = 3;

    private final Alterations alterations;
    private final Stations stations;
    private final Words words;

    AlterationController(Alterations alterations, Stations stations, Words words) {
        this.alterations = alterations;
        this.stations = stations;
        this.words = words;
    }

    /** A part that can be changed. */
    public record PartView(Alteration.Part code, String name) {}

    /** One change in words. */
    public record AlterationView(UUID id, String says) {}

    /** All changes, the last first, and what one can be of. */
    public record AlterationsView(List<AlterationView> entries, List<PartView> parts, List<String> equipment) {}

    /**
     * A change.
     *
     * @param equipment name of an amplifier, an exciter, a load or an antenna
     * @param part which part of it
     * @param on the day, not one to come
     * @param note what exactly; may be absent
     */
    public record AlterationRequest(
            String equipment,
            Alteration.Part part,
            LocalDate on,
            @Nullable String note) {}

    @GetMapping
    AlterationsView all() {
        return new AlterationsView(
                alterations.rows().stream().map(this::view).toList(),
                Stream.of(Alteration.Part.values())
                        .map(part -> new PartView(part, words.name(part.name())))
                        .toList(),
                stations.readableEquipment().stream()
                        .map(Stations.Stored::equipment)
                        .filter(one -> rank(one) < NOTHING_RESTS)
                        .sorted(Comparator.comparingInt(AlterationController::rank))
                        .map(Equipment::name)
                        .toList());
    }

    /** Dials, levels and trends rest on these; what is changed most comes first. */
    private static int rank(Equipment one) {
        return one instanceof Amplifier
                ? 0
                : one instanceof Exciter ? 1 : one instanceof Termination ? 2 : NOTHING_RESTS;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    AlterationView add(@RequestBody AlterationRequest request) {
        String note = request.note() == null ? "" : request.note();
        return view(alterations.add(request.equipment(), request.part(), request.on(), note));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        alterations.remove(id);
    }

    private AlterationView view(AlterationRow row) {
        return new AlterationView(row.id(), alterations.said(row.alteration()));
    }
}
