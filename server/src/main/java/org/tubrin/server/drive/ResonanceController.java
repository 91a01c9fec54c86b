package org.tubrin.server.drive;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.server.run.KeptRuns;
import org.tubrin.server.run.ResonanceView;
import org.tubrin.server.run.ResonanceViewer;
import org.tubrin.server.words.Words;

/** Antennas that were kept in resonance, by run. */
@RestController
@RequestMapping("/api/drive/resonance")
public class ResonanceController {
    private final KeptRuns kept;
    private final ResonanceViewer viewer;
    private final Words words;

    ResonanceController(KeptRuns kept, ResonanceViewer viewer, Words words) {
        this.kept = kept;
        this.viewer = viewer;
        this.words = words;
    }

    /** Returns all watches over antennas, one whole: a run's, else the newest. */
    @GetMapping
    DriveViews.ResonancePageView view(@RequestParam @Nullable UUID run) {
        List<KeptRuns.Kept> all = kept.newest(School.RESONANCE);
        Optional<KeptRuns.Kept> shown = KeptRuns.shown(all, run);
        return new DriveViews.ResonancePageView(
                all.stream().map(this::row).toList(),
                shown.map(KeptRuns.Kept::runId).orElse(null),
                shown.flatMap(one -> viewer.view(one.run())).orElse(null));
    }

    private DriveViews.ResonanceRow row(KeptRuns.Kept one) {
        RunState run = one.run();
        return new DriveViews.ResonanceRow(
                one.runId(),
                run.setup().termination().name(),
                words.name(run.setup().band().name()),
                run.startedAt(),
                viewer.view(run).map(ResonanceView::drift).orElse(null),
                viewer.came(run));
    }
}
