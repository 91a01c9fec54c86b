package org.tubrin.server.run;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.tubrin.core.budget.Room;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.PeakWatch;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.ResonanceSteps;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Stop;
import org.tubrin.core.run.Taken;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Band;
import org.tubrin.server.feed.BenchLink;
import org.tubrin.server.feed.Feed;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Language;
import org.tubrin.server.words.Words;
import tools.jackson.databind.json.JsonMapper;

/**
 * Sends the pages of a run what its meters show, what the bench's panels show and what the twin expects, 20 times a second.
 *
 * <p>A frame is made once a run and language and handed to each page's own writer, which keeps the newest alone: a page that does not read
 * holds up nobody, misses frames, and is let go when a write has not gone through in the connection's time-out.
 */
@Component
public class RunLive implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(RunLive.class);
    private static final long FRAME_MS = 50;
    private static final long LONGEST_MS = Duration.ofHours(12).toMillis();
    private static final int MOST_WATCHERS = 24;
    /** So many frames say the same of a reading that was not taken. */
    private static final int FRAMES_TOLD = 4;

    private final Feed feed;
    private final BenchLink bench;
    private final ExpectedWords expected;
    private final LiveActs acts;
    private final RunViewer viewer;
    private final Words words;
    private final JsonMapper json;
    private final Clock clock;
    private final List<Watcher> watchers = new CopyOnWriteArrayList<>();
    /** How each run that is looked at stands. */
    private final Map<UUID, Standing> standing = new ConcurrentHashMap<>();

    private final Map<Audience, Lately> lately = new ConcurrentHashMap<>();
    /** The key-down that goes on in each of them. */
    private final Map<UUID, Followed> followed = new ConcurrentHashMap<>();

    private @Nullable ScheduledExecutorService pulse;
    private volatile boolean running;

    RunLive(
            Feed feed,
            BenchLink bench,
            ExpectedWords expected,
            LiveActs acts,
            RunViewer viewer,
            Words words,
            JsonMapper json,
            Clock clock) {
        this.feed = feed;
        this.bench = bench;
        this.expected = expected;
        this.acts = acts;
        this.viewer = viewer;
        this.clock = clock;
        this.words = words;
        this.json = json;
    }

    /**
     * All that is live of a run at a moment.
     *
     * @param pastPeak whether output has fallen from its best of this key-down, as where PLATE was turned past resonance
     * @param ifRead what reading them now would come to; null while the key is up or they have not settled
     */
    public record LiveFrame(
            List<LiveReading> readings,
            @Nullable BenchView bench,
            List<ExpectedCell> expected,
            boolean pastPeak,
            RunView.@Nullable IfRead ifRead) {}

    /** A run's newest state, with a replay that stands there too, of which copies go on. */
    private record Standing(RunState state, Replay replay) {}

    /** What was told last, and how many frames carried it. */
    private record Lately(RunView.IfRead told, int frames) {}

    /** The output of one key-down, with its number in the run, and whether it has fallen from its best. */
    private record Followed(int keyDown, PeakWatch output, boolean pastPeak) {}

    /**
     * What a meter shows now, in the unit of its scale; {@code says} is empty while its source is well, {@code over} says
     * what to do where it is beyond its limit.
     *
     * @param ofLimit what it shows as a share of its limit; null where it has none
     * @param near whether that is near the limit, or beyond
     */
    public record LiveReading(
            ReadingRole role,
            String health,
            String says,
            @Nullable Double value,
            @Nullable String shown,
            @Nullable String withUncertainty,
            @Nullable Double ageS,
            @Nullable Double ofLimit,
            boolean near,
            @Nullable String over) {
        LiveReading with(String beyond) {
            return new LiveReading(role, health, says, value, shown, withUncertainty, ageS, ofLimit, near, beyond);
        }
    }

    /** What the bench's panels show; {@code present} is false while it is away, and the rest then says nothing. */
    public record BenchView(
            boolean present,
            boolean keyed,
            double driveW,
            double plate,
            double load,
            @Nullable Band band,
            boolean tripped,
            @Nullable SeenSign trip,
            double heaterS,
            double pot) {}

    /** What the twin expects a meter to show, in the unit of its scale. */
    public record ExpectedCell(ReadingRole role, double value, double low, double high, String shown) {}

    /** Pages of one run that are spoken to in one language: a frame is made once for all of them. */
    private record Audience(UUID runId, Language language) {}

    /** A page that looks on, with a thread of its own that writes to it. */
    private final class Watcher {
        private final Audience audience;
        private final SseEmitter emitter;
        private final BlockingQueue<String> newest = new ArrayBlockingQueue<>(1);
        private final Thread writer;

        Watcher(Audience audience, SseEmitter emitter) {
            this.audience = audience;
            this.emitter = emitter;
            writer = new Thread(this::write, "live-writer");
            writer.setDaemon(true);
        }

        /** Puts a frame in place of one that has not been written yet. */
        void offer(String frame) {
            while (!newest.offer(frame)) {
                newest.poll();
            }
        }

        private void write() {
            try {
                while (true) {
                    emitter.send(SseEmitter.event().data(newest.take(), MediaType.TEXT_PLAIN));
                }
            } catch (IOException | IllegalStateException gone) {
                emitter.completeWithError(gone);
            } catch (InterruptedException ended) {
                emitter.complete();
            } finally {
                watchers.remove(this);
            }
        }

        void end() {
            watchers.remove(this);
            writer.interrupt();
        }
    }

    /** Begins to send to a page; the page that has been looking on longest gives way where there are too many. */
    SseEmitter watch(UUID runId, KnownRun known) {
        SseEmitter emitter = new SseEmitter(LONGEST_MS);
        Watcher watcher = new Watcher(new Audience(runId, Language.now()), emitter);
        emitter.onCompletion(watcher::end);
        emitter.onTimeout(watcher::end);
        emitter.onError(gone -> watcher.end());
        standing.put(runId, new Standing(known.state(), known.replay()));
        watchers.add(watcher);
        watcher.writer.start();
        while (watchers.size() > MOST_WATCHERS) {
            watchers.get(0).end();
        }
        return emitter;
    }

    /**
     * Says that a run moved on.
     *
     * @param replay stands there too, and is left there
     */
    void changed(UUID runId, RunState state, Replay replay) {
        standing.computeIfPresent(
                runId,
                (id, known) -> known.state().sequence() > state.sequence() ? known : new Standing(state, replay));
    }

    private void send() {
        Map<Audience, List<Watcher>> audiences =
                watchers.stream().collect(Collectors.groupingBy(watcher -> watcher.audience));
        standing.keySet()
                .retainAll(audiences.keySet().stream().map(Audience::runId).collect(Collectors.toSet()));
        followed.keySet().retainAll(standing.keySet());
        lately.keySet().retainAll(audiences.keySet());
        standing.forEach((id, run) -> follow(id, run.state()));
        audiences.forEach((audience, looking) -> {
            Standing run = standing.get(audience.runId());
            if (run != null) {
                audience.language().speaks(() -> offer(audience, run, looking));
            }
        });
    }

    /** Follows the output of the key-down that goes on, one look a frame; of the thread that sends alone. */
    private void follow(UUID id, RunState state) {
        Optional<Double> output = state.isKeyed() && state.setup().stage().isTuned()
                ? state.setup()
                        .meterFor(ReadingRole.OUTPUT)
                        .flatMap(meter -> feed.now(meter.name(), ReadingRole.OUTPUT))
                        .flatMap(Feed.Now::value)
                : Optional.empty();
        followed.compute(
                id,
                (run, before) -> output.map(now -> {
                            int keyDown = state.keyDowns().size();
                            boolean goesOn = before != null && before.keyDown() == keyDown;
                            PeakWatch watch = goesOn ? before.output() : new PeakWatch();
                            return new Followed(keyDown, watch, watch.isPast(now));
                        })
                        .orElse(null));
    }

    private void offer(Audience audience, Standing run, List<Watcher> looking) {
        try {
            String frame = json.writeValueAsString(frame(audience, run));
            looking.forEach(watcher -> watcher.offer(frame));
        } catch (RuntimeException e) {
            LOG.warn(
                    "a live frame of a run into {} could not be made",
                    run.state().setup().termination().name(),
                    e);
        }
    }

    /** Returns what is live of a run now. */
    LiveFrame frame(UUID id, KnownRun known) {
        return frame(new Audience(id, Language.now()), new Standing(known.state(), known.replay()));
    }

    private LiveFrame frame(Audience audience, Standing run) {
        RunState state = run.state();
        TuneSetup setup = state.setup();
        if (setup.readings() == ReadingSource.TYPED) {
            return new LiveFrame(List.of(), null, List.of(), false, null);
        }
        List<LiveReading> readings = new ArrayList<>();
        for (ReadingRole role : ReadingRole.values()) {
            setup.meterFor(role)
                    .filter(meter -> state.shows(role))
                    .flatMap(meter -> feed.now(meter.name(), role))
                    .ifPresent(now -> readings.add(reading(state, role, now)));
        }
        alarm(state, readings);
        Optional<BenchLink.Panel> panel = bench.panel();
        boolean onBench = setup.readings() == ReadingSource.BENCH;
        List<ExpectedCell> cells = onBench && panel.isPresent()
                ? expected.at(
                        setup,
                        setup.driveOfW(panel.get().exciterW()),
                        panel.get().plate(),
                        panel.get().load())
                : expectedOfDraft(state);
        return new LiveFrame(
                readings,
                onBench ? view(setup, panel) : null,
                cells,
                isPastPeak(audience.runId()),
                ifRead(audience, run));
    }

    /** Says what the meters' readings would come to, so that a page can show it in the frame after it asked for them. */
    private RunView.@Nullable IfRead ifRead(Audience audience, Standing run) {
        RunState state = run.state();
        Instant now = clock.instant().isAfter(state.lastAt()) ? clock.instant() : state.lastAt();
        List<RunEvent> readings = state.isKeyed() ? acts.settled(state, now) : List.of();
        if (readings.isEmpty()) {
            lately.remove(audience);
            return null;
        }
        Lately last = lately.get(audience);
        if (last == null || last.told().sequence() != state.sequence() || last.frames() >= FRAMES_TOLD) {
            last = tell(run, readings, now);
        }
        if (last == null) {
            return null;
        }
        lately.put(audience, new Lately(last.told(), last.frames() + 1));
        return last.told();
    }

    private @Nullable Lately tell(Standing run, List<RunEvent> readings, Instant now) {
        try {
            RunState state = run.state();
            RunState read = Taken.by(state, run.replay().copy(), readings, now).state();
            return new Lately(viewer.ifRead(acts.tells(state, readings), state.sequence(), read), 0);
        } catch (RuntimeException notTold) {
            // Refused, or worse: what the meters show goes out all the same, and reading them says what is wrong.
            LOG.debug("what a reading would come to could not be told", notTold);
            return null;
        }
    }

    private boolean isPastPeak(UUID id) {
        Followed now = followed.get(id);
        return now != null && now.pastPeak();
    }

    /** Off resonance by more than an alarm is due for, it is said of the meter that tells of it. */
    private void alarm(RunState state, List<LiveReading> readings) {
        TuneSetup setup = state.setup();
        if (setup.stage().kind() != RunKind.RESONANCE) {
            return;
        }
        Map<ReadingRole, Quantity> now = new EnumMap<>(ReadingRole.class);
        for (LiveReading reading : readings) {
            if (reading.value() != null) {
                ReadingRole role = reading.role();
                Channel channel = setup.channelFor(role).orElseThrow();
                now.put(
                        role,
                        channel.measured(
                                reading.value() * channel.scaleUnit().inUnit(),
                                setup.meterFor(role).orElseThrow().name(),
                                range(state, role, channel)));
            }
        }
        ResonanceSteps.alarm(setup, now)
                .map(witness -> words.say(
                        "live.over.resonance",
                        Map.of("witness", witness.name(), "limit", ResonanceViewer.limit(witness))))
                .ifPresent(said -> readings.replaceAll(
                        reading -> setup.stage().needed().contains(reading.role()) ? reading.with(said) : reading));
    }

    private static MeterRange range(RunState state, ReadingRole role, Channel channel) {
        return channel.range(state.ranges().getOrDefault(role, ""))
                .orElse(channel.ranges().get(0));
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
                        shown.trip().orElse(null),
                        shown.heaterS(),
                        shown.pot()))
                .orElseGet(() -> new BenchView(false, false, 0, 0, 0, null, false, null, 0, 0));
    }

    private LiveReading reading(RunState state, ReadingRole role, Feed.Now now) {
        Channel channel = state.setup().channelFor(role).orElseThrow();
        String health = now.health();
        String says = health.equals("OK") ? "" : words.say("source." + health);
        if (now.value().isEmpty()) {
            return new LiveReading(role, health, says, null, null, null, null, null, false, null);
        }
        double value = now.value().get();
        MeterRange range = range(state, role, channel);
        Quantity measured = channel.measured(
                value, state.setup().meterFor(role).orElseThrow().name(), range);
        Figures.Figure figure = Figures.of(measured, channel.scaleUnit());
        ScaleUnit scale = channel.scaleUnit();
        Optional<Double> ofLimit = state.setup().ofLimit(role, measured.value());
        String over = state.setup()
                .limitOf(role)
                .filter(limit -> measured.value() > limit)
                .map(limit -> said("live.over", role, Figures.plain(limit / scale.inUnit(), 3), scale))
                .or(() -> Stop.of(state.setup(), state.school(), state.ranges()).stream()
                        .filter(stop -> stop.role() == role && value >= stop.shows())
                        .findFirst()
                        .map(stop -> said("live.stop", role, Figures.mark(stop.shows() / scale.inUnit()), scale)))
                .or(() -> tooMuch(state, role, value, scale))
                .orElse(null);
        return new LiveReading(
                role,
                health,
                says,
                value / channel.scaleUnit().inUnit(),
                figure.shown(),
                figure.withUncertainty(),
                now.ageS().orElse(null),
                ofLimit.orElse(null),
                ofLimit.filter(Room::isNear).isPresent(),
                over);
    }

    private String said(String key, ReadingRole role, String limit, ScaleUnit scale) {
        return words.say(key, Map.of("what", words.name(role.name()), "limit", limit, "unit", scale.symbol()));
    }

    /** Says which pot goes down at once, where a current rose by itself. */
    private Optional<String> tooMuch(RunState state, ReadingRole role, double value, ScaleUnit scale) {
        return BiasSteps.ceiling(state.setup(), state.steps())
                .filter(ceiling -> ceiling.role() == role && value > ceiling.most())
                .map(ceiling -> words.say(
                        "live.over.bias",
                        Map.of(
                                "device", Integer.toString(ceiling.device()),
                                "limit",
                                        BiasScale.of(state.setup())
                                                .orElseThrow()
                                                .words(ceiling.most()),
                                "unit", scale.symbol())));
    }

    @Override
    @SuppressWarnings("FutureReturnValueIgnored") // what it throws is caught in it
    public void start() {
        running = true;
        // Started again after a stop, it needs another pulse.
        ScheduledExecutorService fresh = Executors.newSingleThreadScheduledExecutor(work -> {
            Thread thread = new Thread(work, "live");
            thread.setDaemon(true);
            return thread;
        });
        pulse = fresh;
        fresh.scheduleWithFixedDelay(this::sendAll, FRAME_MS, FRAME_MS, TimeUnit.MILLISECONDS);
    }

    private void sendAll() {
        try {
            send();
        } catch (RuntimeException e) {
            LOG.warn("the live frames could not be sent; they go on", e);
        }
    }

    /** Ends all streams, early in a shutdown, so that open pages do not hold it up. */
    @Override
    public void stop() {
        running = false;
        if (pulse != null) {
            pulse.shutdownNow();
        }
        watchers.forEach(Watcher::end);
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
