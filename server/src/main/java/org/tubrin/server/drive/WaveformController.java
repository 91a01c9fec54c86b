package org.tubrin.server.drive;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.server.run.KeptRuns;
import org.tubrin.server.run.ScopeViewer;
import org.tubrin.server.words.Words;

/** What a scope over the load showed, by run. */
@RestController
@RequestMapping("/api/drive/waveform")
public class WaveformController {
    private final KeptRuns records;
    private final ScopeViewer viewer;
    private final Words words;

    WaveformController(KeptRuns records, ScopeViewer viewer, Words words) {
        this.records = records;
        this.viewer = viewer;
        this.words = words;
    }

    /** Returns all waveform checks, one whole: a run's, else the newest. */
    @GetMapping
    DriveViews.WaveformPageView view(@RequestParam @Nullable UUID run) {
        List<KeptRuns.Kept> all = records.newest(School.WAVEFORM);
        Optional<KeptRuns.Kept> shown = KeptRuns.shown(all, run);
        return new DriveViews.WaveformPageView(
                all.stream().map(this::row).toList(),
                shown.map(KeptRuns.Kept::runId).orElse(null),
                shown.flatMap(one -> viewer.view(one.run())).orElse(null));
    }

    private DriveViews.WaveformRow row(KeptRuns.Kept kept) {
        RunState run = kept.run();
        return new DriveViews.WaveformRow(
                kept.runId(),
                run.setup().amplifier().name(),
                words.name(run.setup().band().name()),
                run.startedAt(),
                words.say("wave.cameTo." + run.reached().map(Enum::name).orElse("open")),
                run.reached().filter(ClimbEnd.SIGNAL_CLEAN::equals).isPresent());
    }
}
