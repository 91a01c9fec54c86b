package org.tubrin.server.drive;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Meter;
import org.tubrin.server.run.LevelProfiles;
import org.tubrin.server.run.LevelView;
import org.tubrin.server.run.LevelViewer;
import org.tubrin.server.station.Alterations;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Words;

/** The levels into exciters, as runs told them. */
@RestController
@RequestMapping("/api/drive/alc")
public class AlcController {
    private final LevelProfiles profiles;
    private final LevelViewer viewer;
    private final Stations stations;
    private final Alterations alterations;
    private final Words words;

    AlcController(LevelProfiles profiles, LevelViewer viewer, Stations stations, Alterations alterations, Words words) {
        this.alterations = alterations;
        this.stations = stations;
        this.profiles = profiles;
        this.viewer = viewer;
        this.words = words;
    }

    /** Returns all of them, and one whole: that of a run, else the newest that still counts, else the newest. */
    @GetMapping
    DriveViews.AlcView view(@RequestParam @Nullable UUID run) {
        List<LevelProfiles.Kept> all = profiles.newest();
        Optional<LevelProfiles.Kept> shown = all.stream()
                .filter(one -> one.runId().equals(run))
                .findFirst()
                .or(() -> all.stream().filter(one -> !one.isShut()).findFirst())
                .or(() -> all.stream().findFirst());
        return new DriveViews.AlcView(
                all.stream().map(this::row).toList(),
                shown.map(LevelProfiles.Kept::runId).orElse(null),
                shown.flatMap(one -> viewer.view(one.run())).orElse(null),
                outputMeters());
    }

    /** Returns the meters of output, the finest first: levels are tried at little power. */
    private List<UUID> outputMeters() {
        return stations.readableEquipment().stream()
                .filter(kept -> finestW(kept).isPresent())
                .sorted(Comparator.comparingDouble(kept -> finestW(kept).getAsDouble()))
                .map(Stations.Stored::id)
                .toList();
    }

    private static OptionalDouble finestW(Stations.Stored kept) {
        return kept.equipment() instanceof Meter meter
                ? meter.channel(ReadingRole.OUTPUT).stream()
                        .mapToDouble(channel -> channel.ranges().get(0).fullScale())
                        .findFirst()
                : OptionalDouble.empty();
    }

    private DriveViews.AlcRow row(LevelProfiles.Kept kept) {
        TuneSetup setup = kept.run().setup();
        String then = setup.exciter().firmware().orElse("");
        Map<String, Object> args = Map.of(
                "then",
                then.isEmpty() ? "none" : then,
                "now",
                kept.firmwareNow().orElse("none"));
        return new DriveViews.AlcRow(
                kept.runId(),
                setup.exciter().name(),
                words.name(setup.carrier().name()),
                words.name(setup.band().name()),
                then,
                kept.run().startedAt(),
                viewer.window(kept.profile()).map(LevelView.WindowView::shown).orElse(null),
                viewer.gauge(kept.profile()).map(LevelView.GaugeView::right).orElse(null),
                kept.isShut(),
                !kept.isShut()
                        ? null
                        : kept.changed()
                                .map(change -> alterations.said(change) + " " + words.say("level.again"))
                                .orElseGet(() -> words.say("level.shut", args)));
    }
}
