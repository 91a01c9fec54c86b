package org.tubrin.server.drive;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.server.run.BiasRecords;
import org.tubrin.server.run.BiasViewer;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** The idle currents of transistors, as runs set them. */
@RestController
@RequestMapping("/api/drive/bias")
public class BiasController {
    private final BiasRecords records;
    private final BiasViewer viewer;
    private final Words words;

    BiasController(BiasRecords records, BiasViewer viewer, Words words) {
        this.records = records;
        this.viewer = viewer;
        this.words = words;
    }

    /** Returns all of them, and one whole: that of a run, else the newest. */
    @GetMapping
    DriveViews.BiasPageView view(@RequestParam @Nullable UUID run) {
        List<BiasRecords.Kept> all = records.newest();
        Optional<BiasRecords.Kept> shown = all.stream()
                .filter(one -> one.runId().equals(run))
                .findFirst()
                .or(() -> all.stream().findFirst());
        return new DriveViews.BiasPageView(
                all.stream().map(this::row).toList(),
                shown.map(BiasRecords.Kept::runId).orElse(null),
                shown.flatMap(one -> viewer.view(one.run())).orElse(null));
    }

    private DriveViews.BiasRow row(BiasRecords.Kept kept) {
        BiasPlan plan = kept.run().setup().customs().bias().orElseThrow();
        return new DriveViews.BiasRow(
                kept.runId(),
                kept.run().setup().amplifier().name(),
                plan.deviceCount(),
                Figures.plain(plan.idleA() / ScaleUnit.MA.inUnit(), 1),
                plan.because(),
                kept.run().startedAt(),
                words.say("bias.short." + kept.climb().end().map(Enum::name).orElse("GOING")));
    }
}
