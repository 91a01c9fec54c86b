package org.tubrin.server.run;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedDeque;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.Steadied;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Rounding;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.ChainSteps;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.MatcherSteps;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SupplySteps;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.server.feed.BenchLink;
import org.tubrin.server.feed.Feed;
import org.tubrin.server.words.Figures;

/** Acts on instruments and on the simulated bench: what they read comes in as events, what was done goes out to the bench. */
@Component
class LiveActs {
    private static final Logger LOG = LoggerFactory.getLogger(LiveActs.class);
    private static final double WINDOW_S = 0.5;
    /** What meters show is watched at least so long after anything was turned or keyed. */
    private static final double LEAST_WINDOW_S = 0.25;

    private static final double SAME = 1e-6;

    /** Of the last ten seconds of two pages. */
    private static final int MOST_TOLD = 100;

    private final Feed feed;
    private final BenchLink bench;
    /** What pages were told of, the newest last. */
    private final Deque<Told> told = new ConcurrentLinkedDeque<>();

    LiveActs(Feed feed, BenchLink bench) {
        this.feed = feed;
        this.bench = bench;
    }

    /** Readings that a page was told of, with where the run stood. */
    private record Told(UUID id, long sequence, List<RunEvent> readings) {}

    /**
     * Returns readings of all meters that have a source, and before them where drive and dials of the bench stand; refuses
     * where there are none. What the meters showed before the last turn or key-down says nothing of what is set now: where that
     * was a moment ago, it waits for them, and for an answer that is late.
     */
    List<RunEvent> readings(RunState state, Instant asked) {
        long askedNs = System.nanoTime();
        Supplier<Instant> clock = () -> asked.plusNanos(System.nanoTime() - askedNs);
        boolean wasDown = isKeyDown(state);
        Shown shown = feed.await(() -> shown(state, sameForS(state, clock.get())), Shown::isAll);
        if (wasDown && !isKeyDown(state)) {
            throw noReading();
        }
        List<RunEvent> events = new ArrayList<>(positions(state));
        int controls = events.size();
        if (onBench(state) && state.setup().stage().kind() == RunKind.WAVEFORM) {
            bench.sweep().map(RunEvent.TraceTaken::new).ifPresent(events::add);
        }
        events.addAll(shown.readings());
        if (events.size() == controls) {
            throw noReading();
        }
        return events;
    }

    private static Refused noReading() {
        return new Refused(new Problem(ProblemCode.NO_LIVE_READING, "event", "", new Allowed.Nothing()));
    }

    /** A key that came up while an answer was waited for leaves nothing to be read. */
    private boolean isKeyDown(RunState state) {
        return onBench(state) && bench.panel().filter(BenchLink.Panel::keyed).isPresent();
    }

    /**
     * Returns what would be read off the meters now, as {@link #readings} does, without a wait and without asking anything;
     * empty where they have not settled or show nothing, and where a scope is asked as well.
     */
    List<RunEvent> settled(RunState state, Instant now) {
        double sameForS = sameForS(state, now);
        boolean asksScope = state.setup().stage().kind() == RunKind.WAVEFORM;
        List<RunEvent> shown = asksScope || sameForS < LEAST_WINDOW_S
                ? List.of()
                : shown(state, sameForS).readings();
        return shown.isEmpty()
                ? shown
                : Stream.concat(positions(state).stream(), shown.stream()).toList();
    }

    /** Notes readings that a page is told of; returns what it names them by. */
    UUID tells(RunState state, List<RunEvent> readings) {
        Told one = new Told(UUID.randomUUID(), state.sequence(), readings);
        told.add(one);
        while (told.size() > MOST_TOLD) {
            told.poll();
        }
        return one.id();
    }

    /**
     * Returns the readings that a page was told of, so that what was seen is what is saved, also where the key has come up since; empty
     * where none are named, or they say nothing of how the run and the bench stand now.
     */
    Optional<List<RunEvent>> told(RunState state, Optional<UUID> id) {
        return told.stream()
                .filter(one -> id.filter(one.id()::equals).isPresent() && one.sequence() == state.sequence())
                .map(Told::readings)
                .findFirst();
    }

    private List<RunEvent> positions(RunState state) {
        Optional<BenchLink.Panel> panel = onBench(state) ? bench.panel() : Optional.empty();
        return panel.stream()
                .flatMap(seen -> state.setup().stage().controls().stream()
                        .flatMap(control ->
                                stands(state.setup(), seen, control)
                                        .flatMap(shown -> moved(state, control, shown))
                                        .stream()))
                .toList();
    }

    /** What the meters showed since the last turn or key-down, and whether there is anything more to wait for. */
    private record Shown(List<RunEvent> readings, boolean isAll) {}

    private Shown shown(RunState state, double sameForS) {
        double windowS = Math.min(WINDOW_S, Math.max(LEAST_WINDOW_S, sameForS));
        List<RunEvent> readings = new ArrayList<>();
        boolean isAll = sameForS >= LEAST_WINDOW_S;
        for (ReadingRole role : liveRoles(state).toList()) {
            Optional<RunEvent> one = reading(state, role, windowS);
            one.ifPresent(readings::add);
            isAll &= one.isPresent()
                    || feed.isGone(state.setup().meterFor(role).orElseThrow().name(), role);
        }
        return new Shown(readings, isAll);
    }

    private static Stream<ReadingRole> liveRoles(RunState state) {
        return state.setup().readings() == ReadingSource.TYPED
                ? Stream.of()
                : Stream.of(ReadingRole.values())
                        .filter(role -> state.setup().meterFor(role).isPresent() && state.shows(role));
    }

    /** Returns where a control of the bench stands; empty where the run says it, and readings prove it, not a panel. */
    private static Optional<Double> stands(TuneSetup setup, BenchLink.Panel panel, Control control) {
        return switch (control) {
            case DRIVE -> Optional.of(setup.driveOfW(panel.exciterW()));
            case PLATE -> Optional.of(panel.plate());
            case LOAD -> Optional.of(panel.load());
            case TONE -> Optional.of(panel.toneHz());
            case LEVEL -> Optional.of(panel.level());
            case POT -> Optional.of(panel.pot());
            case ATTENUATOR -> Optional.of(panel.padDb());
            case SUPPLY -> Optional.of(panel.supplyV());
            case MODULES -> Optional.of(panel.modules());
            case MOTOR -> Optional.of(panel.motor());
            case DEVICE, POWER_AMPLIFIER, MATCHER, LOOK, WATTMETERS -> Optional.empty();
        };
    }

    private static Optional<RunEvent> moved(RunState state, Control control, double shown) {
        Optional<Double> known = state.draft().position(control);
        boolean same = known.isPresent() && Math.abs(known.get() - shown) < SAME;
        return same ? Optional.empty() : Optional.of(new RunEvent.DialMoved(control, "", shown));
    }

    /** Returns for how long nothing was turned or keyed. */
    private double sameForS(RunState state, Instant now) {
        double keyedForS = state.isKeyed()
                ? Duration.between(
                                        state.keyDowns()
                                                .get(state.keyDowns().size() - 1)
                                                .from(),
                                        now)
                                .toMillis()
                        / 1000.0
                : WINDOW_S;
        return Math.max(0, onBench(state) ? Math.min(bench.unchangedForS(), keyedForS) : keyedForS);
    }

    private Optional<RunEvent> reading(RunState state, ReadingRole role, double windowS) {
        Meter meter = state.setup().meterFor(role).orElseThrow();
        Channel channel = meter.channel(role).orElseThrow();
        return feed.window(meter.name(), role, windowS)
                .map(window -> new RunEvent.ReadingTaken(read(state, meter, channel, window), false));
    }

    private static Reading read(RunState state, Meter meter, Channel channel, Steadied window) {
        double least = channel.role().mayBeNegative() ? -1e6 : 0;
        double value = Math.max(least, window.median());
        String range = state.ranges()
                .getOrDefault(channel.role(), channel.ranges().get(0).name());
        Reading exact = new Reading(
                channel.role(),
                "?",
                value,
                meter.name(),
                range,
                OptionalDouble.of(window.spread()),
                OptionalDouble.empty());
        Quantity worth = channel.measured(exact, channel.range(range).orElseThrow());
        double unit = channel.scaleUnit().inUnit();
        // A gauge in marks of its own shows what it shows, and so does a display.
        String text = channel.role() == ReadingRole.ALC_GAUGE || channel.role() == ReadingRole.SIGNAL_WIDTH
                ? Figures.plain(value, 1)
                : Figures.fixed(value / unit, 1 + Rounding.decimals(worth.standardUncertainty() / unit));
        return new Reading(
                channel.role(),
                text,
                value,
                meter.name(),
                range,
                OptionalDouble.of(window.spread()),
                OptionalDouble.empty());
    }

    /** Lets the key of the bench go; refuses where it is away. */
    void keyUp() {
        bench.key(false);
    }

    /** Returns how many times faster than real ones the bench's heaters warm, where it answers. */
    Optional<Double> benchWarmUpSpeed() {
        return bench.lastPanel().map(BenchLink.Panel::warmUpSpeed);
    }

    /** Returns how long the bench's heaters have been on, where the run is on the bench and it answers. */
    Optional<Duration> heatersOnFor(RunState state) {
        return onBench(state)
                ? bench.panel()
                        .map(panel -> Duration.ofMillis(Math.round(1000
                                * panel.heaterS()
                                / state.setup().settings().warmUpSpeed())))
                : Optional.empty();
    }

    /** Moves what is named on the bench; refuses where the run is not on it, has ended, or the bench is away. */
    void move(RunState state, BenchRequest request) {
        if (!onBench(state) || state.ending().isPresent()) {
            throw new Refused(new Problem(ProblemCode.BENCH_AWAY, "bench", "", new Allowed.Nothing()));
        }
        if (request.control() != null && request.to() != null) {
            List<Problem> refusals = Admission.refusals(
                    state, new RunEvent.DialMoved(request.control(), "", request.to()), state.lastAt());
            if (!refusals.isEmpty()) {
                throw new Refused(refusals);
            }
            turn(state.setup(), request.control(), request.to());
        }
        if (request.band() != null) {
            bench.band(request.band());
        }
        if (Boolean.TRUE.equals(request.reset())) {
            bench.reset();
        }
    }

    private void turn(TuneSetup setup, Control control, double to) {
        told.clear();
        bench.turn(control, control == Control.DRIVE ? setup.exciterOfW(to) : to);
    }

    /**
     * Makes the bench ready for a run on it: amplifier, band, frequency, the wattmeter's range; refuses where it is away or has
     * no such amplifier.
     */
    void prepare(RunState begun) {
        TuneSetup setup = begun.setup();
        if (onBench(begun)) {
            bench.amplifier(setup.amplifier().name());
            bench.band(setup.band());
            bench.frequency(setup.frequencyHz());
            if (setup.stage().kind() == RunKind.MATCHER) {
                // The power amplifier stands as it was left: whether it is off the first key-down tells.
                bench.turn(Control.MATCHER, 0);
            } else {
                bench.operate(setup.stage().kind() != RunKind.ALC);
            }
            bench.sounding(setup.stage().kind() == RunKind.ALC);
            bench.tones(false);
            bench.biasing(setup.stage().kind() == RunKind.BIAS);
            // A bench with fewer transistors refuses before the run begins.
            setup.customs().bias().ifPresent(plan -> bench.turn(Control.DEVICE, plan.deviceCount()));
            if (setup.stage().kind() == RunKind.ALC) {
                bench.exciter(setup.exciter().name(), setup.exciter().firmware());
            }
            bench.antenna(atTheEnd(setup));
            bench.drifts(setup.stage().kind() == RunKind.RESONANCE);
            SupplySteps.stage(setup).ifPresent(stage -> {
                bench.turn(Control.SUPPLY, stage.leastSupplyDcV());
                begun.draft().position(Control.MODULES).ifPresent(count -> bench.turn(Control.MODULES, count));
            });
            if (setup.stage().kind() == RunKind.RESONANCE
                    && setup.amplifier().stage() instanceof Stage.Switching stage) {
                // It is on the air as it is used.
                bench.turn(Control.SUPPLY, stage.mostSupplyDcV());
                bench.turn(Control.DRIVE, setup.exciterOfW(stage.driveW()));
            }
            bench.detector(setup.readsPeaks());
            bench.pulse(dutyFactor(setup, setup.school()));
            bench.pad(setup.pad().map(Pad::attenuationDb).orElse(0.0));
            // A bench whose attenuator or generator does not go so far refuses before the run begins.
            ChainSteps.next(setup, begun.steps())
                    .ifPresent(first -> bench.turn(Control.ATTENUATOR, first.attenuationDb()));
            setup.customs()
                    .chain()
                    .ifPresent(plan ->
                            bench.turn(Control.DRIVE, plan.chain().generator().powerW()));
            setup.customs().scope().ifPresent(plan -> bench.turn(Control.DRIVE, setup.exciterOfW(plan.driveW())));
            range(setup, begun.ranges().getOrDefault(ReadingRole.OUTPUT, ""));
        }
    }

    /** Returns what stands in the place of the bench's own load: an antenna, or a load that is there to be matched. */
    private static Optional<ImpedancePoint> atTheEnd(TuneSetup setup) {
        return setup.termination() instanceof Antenna antenna
                ? antenna.impedanceAt(setup.frequencyHz())
                : MatcherSteps.knownSwr(setup.termination())
                        .map(any -> setup.termination().at(setup.frequencyHz()));
    }

    /** Does on the bench what has happened in a run on it; a bench that is away leaves the run as it is. */
    void follow(RunState state, List<Recorded> added) {
        if (!onBench(state)) {
            return;
        }
        for (Recorded recorded : added) {
            try {
                recorded.event().in(new OnBench(state.setup())).run();
            } catch (Refused refused) {
                LOG.info(
                        "the bench does not follow ({}); the run goes on without it",
                        refused.problems().get(0).code());
                return;
            }
        }
    }

    private static double dutyFactor(TuneSetup setup, School school) {
        return school == School.PULSED ? setup.customs().dutyFactor() : 1;
    }

    private static void nothing() {}

    /** What the bench is to do for each event. */
    private final class OnBench implements RunEvent.Cases<Runnable> {
        private final TuneSetup setup;

        private OnBench(TuneSetup setup) {
            this.setup = setup;
        }

        @Override
        public Runnable started(RunEvent.Started started) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable checked(RunEvent.Checked checked) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable notMeasured(RunEvent.NotMeasured notMeasured) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable meterCorrected(RunEvent.MeterCorrected meterCorrected) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable warm(RunEvent.Warm warm) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable keyed(RunEvent.Keyed keyed) {
            return () -> bench.key(true);
        }

        @Override
        public Runnable unkeyed(RunEvent.Unkeyed unkeyed) {
            return () -> bench.key(false);
        }

        @Override
        public Runnable readingTaken(RunEvent.ReadingTaken readingTaken) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable leftUnread(RunEvent.LeftUnread leftUnread) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable rangeChosen(RunEvent.RangeChosen rangeChosen) {
            return rangeChosen.role() == ReadingRole.OUTPUT
                    ? () -> range(setup, rangeChosen.range())
                    : LiveActs::nothing;
        }

        @Override
        public Runnable dialMoved(RunEvent.DialMoved dialMoved) {
            return () -> turn(setup, dialMoved.control(), dialMoved.position());
        }

        @Override
        public Runnable triedAgain(RunEvent.TriedAgain triedAgain) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable finishBegun(RunEvent.FinishBegun finishBegun) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable stepRecorded(RunEvent.StepRecorded stepRecorded) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable stepUndone(RunEvent.StepUndone stepUndone) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable signSeen(RunEvent.SignSeen signSeen) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable productsRead(RunEvent.ProductsRead productsRead) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable waveformSeen(RunEvent.WaveformSeen waveformSeen) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable trapezoidSeen(RunEvent.TrapezoidSeen trapezoidSeen) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable traceTaken(RunEvent.TraceTaken traceTaken) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable schoolChosen(RunEvent.SchoolChosen schoolChosen) {
            return () -> bench.pulse(dutyFactor(setup, schoolChosen.school()));
        }

        @Override
        public Runnable weatherNoted(RunEvent.WeatherNoted weatherNoted) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable conditionsNoted(RunEvent.ConditionsNoted conditionsNoted) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable note(RunEvent.Note note) {
            return LiveActs::nothing;
        }

        @Override
        public Runnable finished(RunEvent.Finished finished) {
            return () -> bench.key(false);
        }

        @Override
        public Runnable abandoned(RunEvent.Abandoned abandoned) {
            return () -> bench.key(false);
        }
    }

    private void range(TuneSetup setup, String name) {
        // What has one range is no meter that is switched.
        setup.channelFor(ReadingRole.OUTPUT)
                .filter(channel -> channel.ranges().size() > 1)
                .flatMap(channel -> channel.range(name))
                .ifPresent(range -> bench.range(range.fullScale()));
    }

    private static boolean onBench(RunState state) {
        return state.setup().readings() == ReadingSource.BENCH;
    }
}
