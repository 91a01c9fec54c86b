package org.tubrin.server.run;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Timer;
import java.util.TimerTask;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.tubrin.core.budget.Verdict;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Band;
import org.tubrin.core.tuneup.ReadingSource;
import org.tubrin.core.tuneup.RunState;
import org.tubrin.core.tuneup.TuneSetup;
import org.tubrin.server.feed.BenchLink;
import org.tubrin.server.feed.Feed;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;
import tools.jackson.databind.json.JsonMapper;

/** Sends the pages of a run what its meters show, what the bench's panels show and what the twin expects, 20 times a second. */
@Component
public class RunLive implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(RunLive.class);
    private static final long FRAME_MS = 50;
    private static final long LONGEST_MS = Duration.ofHours(12).toMillis();

    private final Feed feed;
    private final BenchLink bench;
    private final ExpectedWords expected;
    private final Words words;
    private final JsonMapper json;
    private final List<Watcher> watchers = new CopyOnWriteArrayList<>();
    private Timer clock = new Timer("live", true);
    private volatile boolean running;

    RunLive(Feed feed, BenchLink bench, ExpectedWords expected, Words words, JsonMapper json) {
        this.feed = feed;
        this.bench = bench;
        this.expected = expected;
        this.words = words;
        this.json = json;
    }

    /** All that is live of a run at a moment. */
    public record LiveFrame(
            List<LiveReading> readings, @Nullable BenchView bench, List<ExpectedCell> expected) {}

    /**
     * What a meter shows now, in the unit of its scale; {@code says} is empty while its source is well, {@code over} says
     * what to do where it is beyond its limit.
     */
    public record LiveReading(
            ReadingRole role,
            String health,
            String says,
            @Nullable Double value,
            @Nullable String shown,
            @Nullable String withUncertainty,
            @Nullable Double ageS,
            @Nullable String over) {}

    /** What the bench's panels show; {@code present} is false while it is away, and the rest then says nothing. */
    public record BenchView(
            boolean present,
            boolean keyed,
            double driveW,
            double plate,
            double load,
            @Nullable Band band,
            boolean tripped,
            double heaterS) {}

    /** What the twin expects a meter to show, in the unit of its scale. */
    public record ExpectedCell(ReadingRole role, double value, double low, double high, String shown) {}

    /** A page that looks on. */
    private static final class Watcher {
        private final UUID runId;
        private final SseEmitter emitter;
        private volatile RunState state;

        Watcher(UUID runId, SseEmitter emitter, RunState state) {
            this.runId = runId;
            this.emitter = emitter;
            this.state = state;
        }
    }

    /** Begins to send to a page. */
    SseEmitter watch(UUID runId, RunState state) {
        SseEmitter emitter = new SseEmitter(LONGEST_MS);
        Watcher watcher = new Watcher(runId, emitter, state);
        emitter.onCompletion(() -> watchers.remove(watcher));
        emitter.onTimeout(() -> watchers.remove(watcher));
        emitter.onError(gone -> watchers.remove(watcher));
        watchers.add(watcher);
        return emitter;
    }

    /** Says that a run moved on. */
    void changed(UUID runId, RunState state) {
        for (Watcher watcher : watchers) {
            if (watcher.runId.equals(runId)) {
                watcher.state = state;
            }
        }
    }

    private void send() {
        for (Watcher watcher : watchers) {
            try {
                String frame = json.writeValueAsString(frame(watcher.state));
                watcher.emitter.send(SseEmitter.event().data(frame, MediaType.TEXT_PLAIN));
            } catch (IOException | IllegalStateException gone) {
                // Ending it takes the watcher away.
                watcher.emitter.completeWithError(gone);
            } catch (RuntimeException e) {
                LOG.warn("a live frame of run {} could not be made", watcher.runId, e);
            }
        }
    }

    /** Returns what is live of a run now. */
    LiveFrame frame(RunState state) {
        TuneSetup setup = state.setup();
        if (setup.readings() == ReadingSource.TYPED) {
            return new LiveFrame(List.of(), null, List.of());
        }
        List<LiveReading> readings = new ArrayList<>();
        for (ReadingRole role : ReadingRole.values()) {
            setup.meterFor(role)
                    .flatMap(meter -> feed.now(meter.name(), role))
                    .ifPresent(now -> readings.add(reading(state, role, now)));
        }
        Optional<BenchLink.Panel> panel = bench.panel();
        boolean onBench = setup.readings() == ReadingSource.BENCH;
        List<ExpectedCell> cells = onBench && panel.isPresent()
                ? expected.at(
                        setup,
                        setup.driveOfW(panel.get().exciterW()),
                        panel.get().plate(),
                        panel.get().load())
                : expectedOfDraft(state);
        return new LiveFrame(readings, onBench ? view(setup, panel) : null, cells);
    }

    private List<ExpectedCell> expectedOfDraft(RunState state) {
        return expected.of(state.draft());
    }

    private static BenchView view(TuneSetup setup, Optional<BenchLink.Panel> panel) {
        return panel.map(shown -> new BenchView(
                        true,
                        shown.keyed(),
                        setup.driveOfW(shown.exciterW()),
                        shown.plate(),
                        shown.load(),
                        shown.band(),
                        shown.tripped(),
                        shown.heaterS()))
                .orElseGet(() -> new BenchView(false, false, 0, 0, 0, null, false, 0));
    }

    private LiveReading reading(RunState state, ReadingRole role, Feed.Now now) {
        Channel channel = state.setup().channelFor(role).orElseThrow();
        String health = now.health();
        String says = health.equals("OK") ? "" : words.say("source." + health);
        if (now.value().isEmpty()) {
            return new LiveReading(role, health, says, null, null, null, null, null);
        }
        double value = now.value().get();
        MeterRange range = channel.range(state.ranges().getOrDefault(role, ""))
                .orElse(channel.ranges().get(0));
        Quantity measured = channel.measured(
                value, state.setup().meterFor(role).orElseThrow().name(), range);
        Figures.Figure figure = Figures.of(measured, channel.scaleUnit());
        ScaleUnit scale = channel.scaleUnit();
        String over = state.setup()
                .limitOf(role)
                .filter(limit -> Verdict.of(measured, limit) == Verdict.EXCEEDS)
                .map(limit -> words.say(
                        "live.over",
                        Map.of(
                                "what", words.name(role.name()),
                                "limit", Figures.plain(limit / scale.inUnit(), 3),
                                "unit", scale.symbol())))
                .orElse(null);
        return new LiveReading(
                role,
                health,
                says,
                value / channel.scaleUnit().inUnit(),
                figure.shown(),
                figure.withUncertainty(),
                now.ageS().orElse(null),
                over);
    }

    @Override
    public void start() {
        running = true;
        // Started again after a stop, it needs another clock.
        clock = new Timer("live", true);
        clock.schedule(
                new TimerTask() {
                    @Override
                    public void run() {
                        send();
                    }
                },
                FRAME_MS,
                FRAME_MS);
    }

    /** Ends all streams, early in a shutdown, so that open pages do not hold it up. */
    @Override
    public void stop() {
        running = false;
        clock.cancel();
        watchers.forEach(watcher -> watcher.emitter.complete());
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
