package org.tubrin.server.drive;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.server.run.LevelProfiles;
import org.tubrin.server.run.LevelView;
import org.tubrin.server.run.LevelViewer;
import org.tubrin.server.words.Words;

/** The levels into exciters, as runs told them. */
@RestController
@RequestMapping("/api/drive/alc")
public class AlcController {
    private final LevelProfiles profiles;
    private final LevelViewer viewer;
    private final Words words;

    AlcController(LevelProfiles profiles, LevelViewer viewer, Words words) {
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
                shown.flatMap(one -> viewer.view(one.run())).orElse(null));
    }

    private DriveViews.AlcRow row(LevelProfiles.Kept kept) {
        TuneSetup setup = kept.run().setup();
        Optional<LevelView> view = viewer.view(kept.run());
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
                view.flatMap(one -> Optional.ofNullable(one.window()).map(LevelView.WindowView::shown))
                        .orElse(null),
                view.flatMap(one -> Optional.ofNullable(one.gauge()).map(LevelView.GaugeView::title))
                        .orElse(null),
                view.flatMap(one -> Optional.ofNullable(one.gauge()).map(LevelView.GaugeView::right))
                        .orElse(null),
                kept.isShut(),
                kept.isShut() ? words.say("level.shut", args) : null);
    }
}
