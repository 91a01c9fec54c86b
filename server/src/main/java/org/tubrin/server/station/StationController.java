package org.tubrin.server.station;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.station.Gaps;
import org.tubrin.core.tank.Touchstone;
import org.tubrin.server.store.CoreJson;
import org.tubrin.server.web.TextFile;
import org.tubrin.server.words.Words;

/** The station and its equipment. */
@RestController
@RequestMapping("/api")
public class StationController {
    private final Stations stations;
    private final Words words;

    StationController(Stations stations, Words words) {
        this.stations = stations;
        this.words = words;
    }

    @GetMapping("/station")
    StationView station() {
        return stations.station()
                .map(kept -> new StationView(kept.revision(), kept.station()))
                .orElseGet(() -> new StationView(0, null));
    }

    @PutMapping("/station")
    StationView keepStation(@RequestBody StationRequest request) {
        Stations.KeptStation kept = stations.keep(request.station(), request.revision());
        return new StationView(kept.revision(), kept.station());
    }

    @GetMapping("/equipment")
    List<EquipmentView> equipment() {
        return stations.equipment().stream().map(this::view).toList();
    }

    @PostMapping("/equipment")
    @ResponseStatus(HttpStatus.CREATED)
    EquipmentView add(@RequestBody Equipment body) {
        return view(stations.add(UUID.randomUUID(), body));
    }

    @PutMapping("/equipment/{id}")
    EquipmentView replace(@PathVariable UUID id, @RequestParam int revision, @RequestBody Equipment body) {
        return view(stations.replace(id, revision, body));
    }

    @DeleteMapping("/equipment/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        stations.remove(id);
    }

    @GetMapping("/gaps")
    List<GapView> gaps() {
        List<Stations.Stored> kept = stations.equipment();
        return Gaps.of(kept.stream().map(Stations.Stored::equipment).toList()).stream()
                .map(gap -> view(gap, kept))
                .toList();
    }

    @PostMapping("/touchstone")
    List<ImpedanceView> touchstone(@RequestBody TextFile file) {
        return Touchstone.onePort(file.text()).stream().map(ImpedanceView::of).toList();
    }

    /** What an antenna's record shows over frequency; empty where it was not measured. */
    @GetMapping("/equipment/{id}/impedance")
    List<ImpedanceView> impedance(@PathVariable UUID id) {
        Antenna antenna = stations.equipment(id, Antenna.class, "equipment");
        return antenna.impedance().orElse(List.of()).stream()
                .map(ImpedanceView::of)
                .toList();
    }

    private GapView view(Gaps.Gap gap, List<Stations.Stored> kept) {
        UUID id = kept.stream()
                .filter(one -> one.equipment().name().equals(gap.equipment()))
                .map(Stations.Stored::id)
                .findFirst()
                .orElse(null);
        Map<String, Object> args = Map.of(
                "name", gap.equipment(),
                "bands",
                        String.join(
                                ", ",
                                gap.bands().stream()
                                        .map(band -> words.name(band.name()))
                                        .toList()));
        String key = "gap." + gap.code().name();
        return new GapView(gap.code().name(), words.say(key + ".title", args), words.say(key + ".remedy", args), id);
    }

    private EquipmentView view(Stations.Stored kept) {
        return new EquipmentView(
                kept.id(),
                kept.revision(),
                CoreJson.kind(Equipment.class, kept.equipment()),
                kept.equipment().name(),
                kept.equipment());
    }
}
