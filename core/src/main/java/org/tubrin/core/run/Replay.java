package org.tubrin.core.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.scope.Sight;
import org.tubrin.core.scope.Waveform;
import org.tubrin.core.twin.Products;
import org.tubrin.core.twin.TransistorPoint;

/** Derives the state of a run from its events; each is answered by the step that is in hand after it. */
public final class Replay implements RunEvent.Cases<Step> {
    /** What the first output may be of what the record's twin, or the claim, lets expect. */
    private static final double OVER_TWIN = 1.5;

    private static final double OVER_CLAIM = 2;

    /** Efficiency of a stage of class AB, where nothing is read yet. */
    private static final double LIKELY_EFFICIENCY = 0.6;

    private TuneSetup setup;
    private School school;
    private final Instant startedAt;
    private final Set<Check> checks = EnumSet.noneOf(Check.class);
    private final List<Step> steps = new ArrayList<>();
    private final Map<ReadingRole, String> ranges = new EnumMap<>(ReadingRole.class);
    private final List<KeyDown> keyDowns = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private final List<String> correctedMeters = new ArrayList<>();
    private final Set<Check> unmeasured = EnumSet.noneOf(Check.class);
    private Optional<Instant> heatersOnSince = Optional.empty();
    private Optional<SeenSign> openSign = Optional.empty();
    private final Set<Control> movedSinceSign = EnumSet.noneOf(Control.class);
    private final Map<SignalPath, Products> products = new EnumMap<>(SignalPath.class);
    private Optional<Waveform> waveform = Optional.empty();
    private Conditions conditions = Conditions.NONE;
    private final List<WeatherAt> weather = new ArrayList<>();
    private final List<SeenSign> seen = new ArrayList<>();
    private final List<Trip> trips = new ArrayList<>();
    private Optional<Stopped> stopped = Optional.empty();
    private Optional<Step> struck = Optional.empty();
    private RunState.@Nullable Ending ending;
    private Step draft;
    private int keyDownsBeforeStep;
    private int triesStruck;
    private Instant stepSince;
    /** Readings came in since the powers of the last key-down were reckoned. */
    private boolean powersAreOld;

    private long sequence;
    private Instant lastAt;

    private Replay(Recorded first) {
        if (!(first.event() instanceof RunEvent.Started started)) {
            throw new IllegalArgumentException("a run begins with its start, not " + first.event());
        }
        setup = started.setup();
        startedAt = first.at();
        lastAt = first.at();
        stepSince = first.at();
        sequence = first.sequence();
        school = setup.school();
        draft = emptyDraft(setup.stage().start());
        setRanges();
    }

    private Replay(Replay other) {
        setup = other.setup;
        school = other.school;
        startedAt = other.startedAt;
        checks.addAll(other.checks);
        steps.addAll(other.steps);
        ranges.putAll(other.ranges);
        keyDowns.addAll(other.keyDowns);
        notes.addAll(other.notes);
        correctedMeters.addAll(other.correctedMeters);
        unmeasured.addAll(other.unmeasured);
        heatersOnSince = other.heatersOnSince;
        openSign = other.openSign;
        movedSinceSign.addAll(other.movedSinceSign);
        products.putAll(other.products);
        waveform = other.waveform;
        conditions = other.conditions;
        weather.addAll(other.weather);
        seen.addAll(other.seen);
        trips.addAll(other.trips);
        stopped = other.stopped;
        struck = other.struck;
        ending = other.ending;
        draft = other.draft;
        keyDownsBeforeStep = other.keyDownsBeforeStep;
        triesStruck = other.triesStruck;
        stepSince = other.stepSince;
        powersAreOld = other.powersAreOld;
        sequence = other.sequence;
        lastAt = other.lastAt;
    }

    /** Sets the range of each channel that stands on none of its own. */
    private void setRanges() {
        double firstOutputW = setup.customs()
                .sound()
                .map(path -> SoundPath.mostW(path.setPowerW()))
                .orElseGet(() -> setup.stage().amplifies()
                        ? firstOutputW(Ladder.drivesW(setup, school).get(0))
                        : 0);
        for (ReadingRole role : ReadingRole.values()) {
            setup.channelFor(role)
                    .filter(channel ->
                            channel.range(ranges.getOrDefault(role, "")).isEmpty())
                    .ifPresent(channel -> ranges.put(role, startingRange(role, channel, firstOutputW)));
        }
    }

    /** Returns the state after all the events; the first must be the start, the sequence without gaps. */
    public static RunState of(List<Recorded> events) {
        return after(events).state();
    }

    /** Returns a replay that stands after all the events, and goes on from there; used by one thread. */
    public static Replay after(List<Recorded> events) {
        Replay replay = new Replay(events.get(0));
        events.subList(1, events.size()).forEach(replay::apply);
        return replay;
    }

    /** Returns one that stands where this stands and goes on alone. */
    public Replay copy() {
        return new Replay(this);
    }

    /** Takes the next event; returns the state after it. */
    public RunState then(Recorded recorded) {
        apply(recorded);
        return state();
    }

    private static String startingRange(ReadingRole role, Channel channel, double firstOutputW) {
        boolean power = role == ReadingRole.OUTPUT || role == ReadingRole.OTHER_OUTPUT || role == ReadingRole.REFLECTED;
        // The others start on their widest range: too wide only costs accuracy.
        return channel.rangeFor(power ? firstOutputW : Double.MAX_VALUE).name();
    }

    /** Returns the most output that the first drive lets expect. */
    private double firstOutputW(double driveW) {
        boolean hasTwin = RecordTwin.transistors(setup, driveW).isPresent();
        return (hasTwin ? OVER_TWIN : OVER_CLAIM) * likelyOutputW(driveW);
    }

    /** Returns a first guess of the output at a drive: of transistors by the record's twin, else in proportion to the claim. */
    private double likelyOutputW(double driveW) {
        if (!setup.stage().amplifies()) {
            return driveW;
        }
        return RecordTwin.transistors(setup, driveW)
                .map(TransistorPoint::outputW)
                .orElseGet(() -> setup.amplifier().ratedOutputW()
                        * driveW
                        / setup.amplifier().driveLimitW());
    }

    /** Takes the next event; {@link #then} does it with the state after it. */
    public void apply(Recorded recorded) {
        if (recorded.sequence() != sequence + 1) {
            throw new IllegalArgumentException("event " + recorded.sequence() + " follows " + sequence);
        }
        sequence = recorded.sequence();
        lastAt = recorded.at();
        RunEvent event = recorded.event();
        if (!(event instanceof RunEvent.ReadingTaken)) {
            // Readings come in rows; one reckoning for a row is enough.
            reckonPowers();
        }
        draft = event.in(this);
    }

    @Override
    public Step started(RunEvent.Started started) {
        throw new IllegalArgumentException("not in the middle of a run: " + started);
    }

    @Override
    public Step checked(RunEvent.Checked checked) {
        checks.add(checked.check());
        unmeasured.remove(checked.check());
        return draft;
    }

    @Override
    public Step warm(RunEvent.Warm warm) {
        heatersOnSince = Optional.of(warm.heatersOnSince());
        return draft;
    }

    @Override
    public Step keyed(RunEvent.Keyed keyed) {
        keyDowns.add(new KeyDown(lastAt, Optional.empty(), powerInHandW(), heatInHandW()));
        return with(draft.readings(), draft.confirmed(), draft.keyDowns() + 1);
    }

    @Override
    public Step unkeyed(RunEvent.Unkeyed unkeyed) {
        unkey();
        return draft;
    }

    @Override
    public Step readingTaken(RunEvent.ReadingTaken taken) {
        ReadingRole role = taken.reading().role();
        Map<ReadingRole, Reading> readings = new EnumMap<>(ReadingRole.class);
        readings.putAll(draft.readings());
        readings.put(role, taken.reading());
        Set<ReadingRole> confirmed = EnumSet.noneOf(ReadingRole.class);
        confirmed.addAll(draft.confirmed());
        if (taken.confirmed()) {
            confirmed.add(role);
        } else {
            confirmed.remove(role);
        }
        powersAreOld = draft.keyDowns() > 0;
        return new Step(
                setup,
                school,
                draft.kind(),
                draft.positions(),
                draft.moved(),
                readings,
                without(draft.unread(), role),
                confirmed,
                draft.sight(),
                draft.keyDowns(),
                Optional.of(lastAt),
                keyDowns.size(),
                new Worked());
    }

    @Override
    public Step leftUnread(RunEvent.LeftUnread left) {
        Set<ReadingRole> unread = EnumSet.of(left.role());
        unread.addAll(draft.unread());
        return draft.withUnread(unread);
    }

    private static Set<ReadingRole> without(Set<ReadingRole> some, ReadingRole role) {
        Set<ReadingRole> rest = EnumSet.noneOf(ReadingRole.class);
        rest.addAll(some);
        rest.remove(role);
        return rest;
    }

    @Override
    public Step rangeChosen(RunEvent.RangeChosen chosen) {
        ranges.put(chosen.role(), chosen.range());
        return draft;
    }

    @Override
    public Step dialMoved(RunEvent.DialMoved moved) {
        Map<Control, Double> positions = new EnumMap<>(Control.class);
        positions.putAll(draft.positions());
        positions.put(moved.control(), moved.position());
        if (moved.control() == Control.DEVICE && setup.stage().controls().contains(Control.POT)) {
            positions.put(Control.POT, BiasSteps.potTurns(steps, moved.position()));
        }
        Set<Control> turned = EnumSet.of(moved.control());
        turned.addAll(draft.moved());
        movedSinceSign.add(moved.control());
        return new Step(
                setup,
                school,
                draft.kind(),
                positions,
                turned,
                draft.readings(),
                draft.unread(),
                draft.confirmed(),
                draft.sight(),
                draft.keyDowns(),
                draft.readAt(),
                draft.keyDown(),
                new Worked());
    }

    @Override
    public Step triedAgain(RunEvent.TriedAgain again) {
        openSign = Optional.empty();
        double driveW = draft.driveW().value();
        double load = draft.position(Control.LOAD).orElse(0.0);
        stopped = Stop.of(setup, school, ranges).stream()
                .filter(stop -> stop.isReached(draft))
                .findFirst()
                .map(stop -> new Stopped(driveW, stop.role(), load))
                .filter(now -> stopped.isEmpty() || driveW <= stopped.get().driveW())
                .or(() -> stopped);
        struck = Optional.of(draft);
        triesStruck += draft.keyDowns() > 0 ? 1 : 0;
        return new Step(
                setup,
                school,
                draft.kind(),
                draft.positions(),
                draft.moved(),
                Map.of(),
                Set.of(),
                Set.of(),
                Sight.NOTHING,
                0,
                Optional.empty(),
                0,
                new Worked());
    }

    @Override
    public Step finishBegun(RunEvent.FinishBegun begun) {
        return draft.with(school, Step.Kind.FINISH);
    }

    @Override
    public Step stepRecorded(RunEvent.StepRecorded recorded) {
        steps.add(withKind(draft));
        stopped = stopped.filter(one -> draft.driveW().value() < one.driveW());
        struck = Optional.empty();
        triesStruck = 0;
        keyDownsBeforeStep = keyDowns.size();
        stepSince = lastAt;
        return emptyDraft(draft.positions());
    }

    @Override
    public Step stepUndone(RunEvent.StepUndone undone) {
        checks.removeIf(check -> check.moment() == Check.Moment.CLOSING);
        unmeasured.clear();
        struck = Optional.empty();
        stepSince = lastAt;
        return steps.remove(steps.size() - 1);
    }

    @Override
    public Step signSeen(RunEvent.SignSeen sign) {
        openSign = Optional.of(sign.sign());
        seen.add(sign.sign());
        if (sign.sign().isTrip()) {
            trips.add(new Trip(sign.sign(), draft.driveW(), steps.size()));
        }
        movedSinceSign.clear();
        return draft;
    }

    @Override
    public Step schoolChosen(RunEvent.SchoolChosen chosen) {
        school = chosen.school();
        return with(draft.readings(), draft.confirmed(), draft.keyDowns());
    }

    @Override
    public Step productsRead(RunEvent.ProductsRead read) {
        products.put(read.through(), read.products());
        return draft;
    }

    @Override
    public Step waveformSeen(RunEvent.WaveformSeen looked) {
        waveform = Optional.of(looked.waveform());
        return draft.with(draft.sight().with(looked.waveform()));
    }

    @Override
    public Step trapezoidSeen(RunEvent.TrapezoidSeen looked) {
        return draft.with(draft.sight().with(looked.trapezoid()));
    }

    @Override
    public Step traceTaken(RunEvent.TraceTaken taken) {
        return draft.with(draft.sight().with(taken.trace()));
    }

    @Override
    public Step weatherNoted(RunEvent.WeatherNoted noted) {
        weather.add(new WeatherAt(lastAt, noted.weather()));
        return draft;
    }

    @Override
    public Step conditionsNoted(RunEvent.ConditionsNoted noted) {
        conditions = noted.conditions();
        return draft;
    }

    @Override
    public Step notMeasured(RunEvent.NotMeasured left) {
        unmeasured.add(left.check());
        return draft;
    }

    /** What was read stays as it was typed, and is worth what the corrected record says, from the first step on. */
    @Override
    public Step meterCorrected(RunEvent.MeterCorrected corrected) {
        setup = setup.withMeter(corrected.meter());
        setRanges();
        steps.replaceAll(step -> step.with(setup));
        correctedMeters.add(corrected.meter().name());
        return draft.with(setup);
    }

    @Override
    public Step note(RunEvent.Note note) {
        notes.add(note.text());
        return draft;
    }

    @Override
    public Step finished(RunEvent.Finished finished) {
        unkey();
        ending = RunState.Ending.FINISHED;
        return draft;
    }

    @Override
    public Step abandoned(RunEvent.Abandoned abandoned) {
        unkey();
        ending = RunState.Ending.ABANDONED;
        return draft;
    }

    private void unkey() {
        if (!keyDowns.isEmpty()) {
            KeyDown last = keyDowns.get(keyDowns.size() - 1);
            if (last.to().isEmpty()) {
                keyDowns.set(keyDowns.size() - 1, last.endedAt(lastAt));
            }
        }
    }

    private void reckonPowers() {
        if (powersAreOld) {
            powersAreOld = false;
            KeyDown last = keyDowns.get(keyDowns.size() - 1);
            keyDowns.set(keyDowns.size() - 1, last.withPowers(powerInHandW(), heatInHandW()));
        }
    }

    /** Returns the best guess of the average output while the key goes down, before it is read. */
    private double powerInHandW() {
        double driveW = draft.driveW().value();
        return draft.measured(ReadingRole.OUTPUT)
                .or(() -> LoadVolts.outputW(draft))
                .or(() -> ScopeSteps.expectedW(draft).map(watt -> Quantity.exact(watt, Unit.WATT, Standing.ASSUMED)))
                .or(() -> steps.isEmpty()
                        ? Optional.empty()
                        : steps.get(steps.size() - 1).measured(ReadingRole.OUTPUT))
                .map(quantity -> draft.dutyFactor() * Math.max(0, quantity.value()))
                .orElseGet(() -> draft.dutyFactor() * likelyOutputW(driveW));
    }

    /** Returns the best guess of the heat in each tube meanwhile. */
    private double heatInHandW() {
        return draft.budget()
                .heatPerDeviceW()
                .or(() -> steps.isEmpty()
                        ? Optional.empty()
                        : steps.get(steps.size() - 1).budget().heatPerDeviceW())
                .map(quantity -> draft.dutyFactor() * Math.max(0, quantity.value()))
                .orElseGet(() -> draft.dutyFactor()
                        * likelyOutputW(draft.driveW().value())
                        * (1 / LIKELY_EFFICIENCY - 1)
                        / setup.stage().deviceCount());
    }

    private Step with(Map<ReadingRole, Reading> readings, Set<ReadingRole> confirmed, int keyed) {
        return new Step(
                setup,
                school,
                draft.kind(),
                draft.positions(),
                draft.moved(),
                readings,
                draft.unread(),
                confirmed,
                draft.sight(),
                keyed,
                draft.readAt(),
                draft.keyDown(),
                new Worked());
    }

    private Step emptyDraft(Map<Control, Double> positions) {
        return new Step(
                setup,
                school,
                Step.Kind.CLIMB,
                positions,
                Set.of(),
                Map.of(),
                Set.of(),
                Set.of(),
                Sight.NOTHING,
                0,
                Optional.empty(),
                0,
                new Worked());
    }

    private Step withKind(Step step) {
        boolean last = step.kind() == Step.Kind.FINISH
                || (setup.stage().amplifies()
                        && RunState.climbEnd(setup, steps, trips, stopped).isPresent());
        return step.with(school, last ? Step.Kind.FINISH : Step.Kind.CLIMB);
    }

    /** Returns the state as it stands. */
    public RunState state() {
        reckonPowers();
        return new RunState(
                setup,
                school,
                sequence,
                startedAt,
                lastAt,
                checks,
                unmeasured,
                heatersOnSince,
                stepSince,
                steps,
                withKind(draft),
                ranges,
                keyDowns,
                keyDowns.size() - keyDownsBeforeStep,
                triesStruck + (draft.keyDowns() > 0 ? 1 : 0),
                openSign,
                movedSinceSign,
                products,
                waveform,
                conditions,
                weather,
                seen,
                trips,
                stopped,
                struck,
                correctedMeters,
                notes,
                Optional.ofNullable(ending));
    }
}
