package org.tubrin.server.twin;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The twin's answers. */
@RestController
@RequestMapping("/api")
public class TwinController {
    private final RunTwins twins;
    private final RunSignals signals;
    private final SheetFits fits;
    private final Learnings learnings;

    TwinController(RunTwins twins, RunSignals signals, SheetFits fits, Learnings learnings) {
        this.twins = twins;
        this.signals = signals;
        this.fits = fits;
        this.learnings = learnings;
    }

    @GetMapping("/runs/{id}/map")
    TwinViews.MapView map(@PathVariable UUID id, @RequestParam(required = false) @Nullable Double driveW) {
        return twins.map(id, driveW);
    }

    @GetMapping("/runs/{id}/power")
    TwinViews.PowerView power(@PathVariable UUID id) {
        return twins.power(id);
    }

    @GetMapping("/runs/{id}/signal")
    TwinViews.SignalView signal(@PathVariable UUID id) {
        return signals.signal(id);
    }

    /** Returns what a run teaches the twin; nothing where it has no twin of the band, or too few steps. */
    @GetMapping("/runs/{id}/learning")
    ResponseEntity<TwinViews.LearningView> learning(@PathVariable UUID id) {
        return learnings
                .learning(id)
                .map(ResponseEntity::ok)
                .orElseGet(() -> ResponseEntity.noContent().build());
    }

    @PostMapping("/runs/{id}/learning")
    TwinViews.Accepted learn(@PathVariable UUID id) {
        return learnings.accept(id);
    }

    @PostMapping("/twin/fit")
    TwinViews.FitView fit(@RequestBody TwinViews.FitRequest request) {
        return fits.fit(request);
    }
}
