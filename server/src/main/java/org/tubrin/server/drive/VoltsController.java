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
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SupplySteps;
import org.tubrin.server.run.KeptRuns;
import org.tubrin.server.run.VoltsViewer;
import org.tubrin.server.words.Words;

/** Power by the volts of the supply, by run. */
@RestController
@RequestMapping("/api/drive/volts")
public class VoltsController {
    private final KeptRuns kept;
    private final VoltsViewer viewer;
    private final Words words;

    VoltsController(KeptRuns kept, VoltsViewer viewer, Words words) {
        this.kept = kept;
        this.viewer = viewer;
        this.words = words;
    }

    /** Returns all tables by supply volts, one whole: a run's, else the newest. */
    @GetMapping
    DriveViews.VoltsPageView view(@RequestParam @Nullable UUID run) {
        List<KeptRuns.Kept> all = kept.newest(School.SUPPLY_TABLE);
        Optional<KeptRuns.Kept> shown = KeptRuns.shown(all, run);
        return new DriveViews.VoltsPageView(
                all.stream().map(this::row).toList(),
                shown.map(KeptRuns.Kept::runId).orElse(null),
                shown.flatMap(one -> viewer.view(one.run())).orElse(null));
    }

    private DriveViews.VoltsRow row(KeptRuns.Kept one) {
        RunState run = one.run();
        return new DriveViews.VoltsRow(
                one.runId(),
                run.setup().amplifier().name(),
                words.name(run.setup().band().name()),
                words.say(
                        "volts.modules",
                        Map.of("count", SupplySteps.modules(run.lastStep().orElseThrow()))),
                run.startedAt(),
                words.say("volts.cameTo." + run.reached().map(Enum::name).orElse("open")));
    }
}
