package org.tubrin.core.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.alc.LevelPoint;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.chain.Chain;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.scope.Look;
import org.tubrin.core.station.Meter;
import org.tubrin.core.tank.Dial;

/** Which events a run takes at a moment. What really happened is taken even where it should not have. */
public final class Admission implements RunEvent.Cases<List<Problem>> {
    /** A clock of the operator's that runs ahead is let pass by this much, in seconds. */
    private static final long CLOCK_LEEWAY_S = 120;

    /** A drive that passed through a pad and back is the same within this ratio. */
    private static final double SAME = 1.000001;

    private static final List<Problem> TAKEN = List.of();

    private final RunState state;
    private final TuneSetup setup;
    private final Instant now;

    private Admission(RunState state, Instant now) {
        this.state = state;
        this.setup = state.setup();
        this.now = now;
    }

    /** Returns why an event is not taken by a run that stands so; empty where it is. */
    public static List<Problem> refusals(RunState state, RunEvent event, Instant now) {
        return state.ending().isPresent() && !(event instanceof RunEvent.Note)
                ? List.of(problem(
                        ProblemCode.RUN_ENDED, "event", state.ending().get().name()))
                : event.in(new Admission(state, now));
    }

    @Override
    public List<Problem> started(RunEvent.Started started) {
        return List.of(problem(ProblemCode.MALFORMED, "event", "Started"));
    }

    @Override
    public List<Problem> keyed(RunEvent.Keyed keyed) {
        List<Problem> problems = new ArrayList<>();
        if (state.isKeyed()) {
            problems.add(problem(ProblemCode.ALREADY_KEYED, "event", "Keyed"));
        }
        problems.addAll(beforePower("Keyed"));
        return problems;
    }

    @Override
    public List<Problem> unkeyed(RunEvent.Unkeyed unkeyed) {
        return state.isKeyed() ? TAKEN : List.of(problem(ProblemCode.NOT_KEYED, "event", "Unkeyed"));
    }

    @Override
    public List<Problem> warm(RunEvent.Warm warm) {
        return warm.heatersOnSince().isAfter(now.plusSeconds(CLOCK_LEEWAY_S))
                ? List.of(problem(
                        ProblemCode.OUT_OF_RANGE,
                        "heatersOnSince",
                        warm.heatersOnSince().toString()))
                : TAKEN;
    }

    @Override
    public List<Problem> readingTaken(RunEvent.ReadingTaken taken) {
        ReadingRole role = taken.reading().role();
        Optional<MeterRange> range = setup.channelFor(role)
                .flatMap(channel -> channel.range(taken.reading().range()));
        return range.isPresent() ? TAKEN : List.of(problem(ProblemCode.NO_CHANNEL, "reading", role.name()));
    }

    @Override
    public List<Problem> leftUnread(RunEvent.LeftUnread left) {
        return state.mayLeave().contains(left.role())
                ? TAKEN
                : List.of(new Problem(
                        ProblemCode.UNKNOWN_NAME,
                        "role",
                        left.role().name(),
                        new Allowed.OneOf(
                                state.mayLeave().stream().map(ReadingRole::name).toList())));
    }

    @Override
    public List<Problem> schoolChosen(RunEvent.SchoolChosen chosen) {
        if (!setup.suited().contains(chosen.school())) {
            return List.of(TuneSetup.unsuited(chosen.school(), setup.suited()));
        }
        Optional<ReadingRole> unread = Stream.of(ReadingRole.values())
                .filter(role ->
                        chosen.school().needs(role) && setup.channelFor(role).isEmpty())
                .findFirst();
        if (unread.isPresent()) {
            return List.of(
                    problem(ProblemCode.NO_CHANNEL, "school", unread.get().name()));
        }
        return chosen.school() == School.PULSED && !setup.readsPeaks()
                ? List.of(problem(ProblemCode.NEEDS_PEAK_METER, "school", "OUTPUT"))
                : TAKEN;
    }

    @Override
    public List<Problem> rangeChosen(RunEvent.RangeChosen chosen) {
        Optional<Channel> channel = setup.channelFor(chosen.role());
        if (channel.flatMap(one -> one.range(chosen.range())).isPresent()) {
            return TAKEN;
        }
        List<String> names = channel.map(
                        one -> one.ranges().stream().map(MeterRange::name).toList())
                .orElse(List.of());
        return List.of(new Problem(ProblemCode.UNKNOWN_NAME, "range", chosen.range(), new Allowed.OneOf(names)));
    }

    @Override
    public List<Problem> dialMoved(RunEvent.DialMoved moved) {
        Control control = moved.control();
        if (!setup.controls().contains(control)) {
            return List.of(new Problem(
                    ProblemCode.UNKNOWN_NAME,
                    "control",
                    control.name(),
                    new Allowed.OneOf(
                            setup.controls().stream().map(Control::name).toList())));
        }
        Optional<Dial> dial = setup.stage().dial(control);
        Likely within = dial.map(one -> new Likely(one.least(), one.most())).orElseGet(() -> within(control));
        double least = within.least();
        double most = within.most();
        return moved.position() >= least && moved.position() <= most
                ? TAKEN
                : List.of(new Problem(
                        ProblemCode.OUT_OF_RANGE,
                        control.name(),
                        moved.textAsTyped().isEmpty() ? Double.toString(moved.position()) : moved.textAsTyped(),
                        new Allowed.Range(least, most, control.unit())));
    }

    private Likely within(Control control) {
        return switch (control) {
            case DRIVE -> new Likely(setup.leastDriveW() / SAME, setup.mostDriveW() * SAME);
            case TONE -> new Likely(SoundPath.LOWEST_HZ, SoundPath.HIGHEST_HZ);
            case LEVEL -> new Likely(LevelPoint.LEAST_LEVEL, 1);
            case DEVICE ->
                new Likely(0, setup.customs().bias().map(BiasPlan::deviceCount).orElse(0));
            case POT ->
                new Likely(0, setup.customs().bias().map(BiasPlan::potTurns).orElse(0.0));
            case POWER_AMPLIFIER, MATCHER, WATTMETERS -> new Likely(0, 1);
            case ATTENUATOR -> new Likely(0, Chain.MOST_ATTENUATION_DB);
            case LOOK -> new Likely(1, Look.values().length);
            case SUPPLY, MODULES -> SupplySteps.within(setup, control);
            case MOTOR -> new Likely(-ResonanceSteps.MOST_STEPS, ResonanceSteps.MOST_STEPS);
            case PLATE, LOAD -> throw new IllegalArgumentException("a dial of its own: " + control);
        };
    }

    /** A corrected record must be of a meter in use, and know the ranges on which it was read. */
    @Override
    public List<Problem> meterCorrected(RunEvent.MeterCorrected corrected) {
        Meter meter = corrected.meter();
        List<String> names = setup.meters().stream().map(Meter::name).toList();
        if (!names.contains(meter.name())) {
            return List.of(new Problem(ProblemCode.UNKNOWN_NAME, "meter", meter.name(), new Allowed.OneOf(names)));
        }
        List<Problem> problems = new ArrayList<>();
        try {
            setup.withMeter(meter);
        } catch (Refused refused) {
            problems.addAll(refused.problems());
        }
        Stream.concat(state.steps().stream(), Stream.of(state.draft()))
                .flatMap(step -> step.readings().values().stream())
                .filter(reading -> reading.instrument().equals(meter.name()))
                .filter(reading -> meter.channel(reading.role())
                        .flatMap(channel -> channel.range(reading.range()))
                        .isEmpty())
                .findFirst()
                .ifPresent(reading -> problems.add(new Problem(
                        ProblemCode.UNKNOWN_NAME,
                        "meter." + reading.role().name() + ".range",
                        reading.range(),
                        new Allowed.OneOf(meter.channel(reading.role()).stream()
                                .flatMap(channel -> channel.ranges().stream())
                                .map(MeterRange::name)
                                .toList()))));
        return problems;
    }

    @Override
    public List<Problem> stepRecorded(RunEvent.StepRecorded recorded) {
        List<Problem> problems = new ArrayList<>(beforePower("StepRecorded"));
        if (state.isKeyed() && !setup.stage().staysKeyed()) {
            problems.add(problem(ProblemCode.KEY_DOWN, "event", "StepRecorded"));
        }
        if (!state.draft().isComplete()) {
            List<String> wanted = new ArrayList<>();
            state.draft().missing().forEach(role -> wanted.add(role.name()));
            state.draft().unset().forEach(control -> wanted.add(control.name()));
            if (!state.draft().isSeen()) {
                wanted.add("WAVEFORM");
            }
            problems.add(new Problem(ProblemCode.STEP_INCOMPLETE, "event", "StepRecorded", new Allowed.OneOf(wanted)));
        }
        return problems;
    }

    @Override
    public List<Problem> stepUndone(RunEvent.StepUndone undone) {
        return afterAStep("StepUndone");
    }

    @Override
    public List<Problem> finished(RunEvent.Finished finished) {
        return afterAStep("Finished");
    }

    @Override
    public List<Problem> notMeasured(RunEvent.NotMeasured left) {
        return afterAStep("NotMeasured");
    }

    @Override
    public List<Problem> productsRead(RunEvent.ProductsRead read) {
        return afterAStep("ProductsRead");
    }

    @Override
    public List<Problem> waveformSeen(RunEvent.WaveformSeen seen) {
        return setup.stage().kind() == RunKind.WAVEFORM ? TAKEN : afterAStep("WaveformSeen");
    }

    @Override
    public List<Problem> trapezoidSeen(RunEvent.TrapezoidSeen seen) {
        return ofAScope("TrapezoidSeen");
    }

    @Override
    public List<Problem> traceTaken(RunEvent.TraceTaken taken) {
        return ofAScope("TraceTaken");
    }

    private List<Problem> ofAScope(String event) {
        return setup.stage().kind() == RunKind.WAVEFORM
                ? TAKEN
                : List.of(problem(ProblemCode.MALFORMED, "event", event));
    }

    @Override
    public List<Problem> checked(RunEvent.Checked checked) {
        return TAKEN;
    }

    @Override
    public List<Problem> triedAgain(RunEvent.TriedAgain triedAgain) {
        return TAKEN;
    }

    @Override
    public List<Problem> finishBegun(RunEvent.FinishBegun finishBegun) {
        return TAKEN;
    }

    @Override
    public List<Problem> signSeen(RunEvent.SignSeen signSeen) {
        List<SeenSign> known = setup.stage().seenSigns();
        return known.contains(signSeen.sign())
                ? TAKEN
                : List.of(new Problem(
                        ProblemCode.UNKNOWN_NAME,
                        "sign",
                        signSeen.sign().name(),
                        new Allowed.OneOf(known.stream().map(SeenSign::name).toList())));
    }

    @Override
    public List<Problem> weatherNoted(RunEvent.WeatherNoted noted) {
        return setup.stage().kind() == RunKind.RESONANCE
                ? TAKEN
                : List.of(problem(ProblemCode.MALFORMED, "event", "WeatherNoted"));
    }

    @Override
    public List<Problem> conditionsNoted(RunEvent.ConditionsNoted conditionsNoted) {
        return TAKEN;
    }

    @Override
    public List<Problem> note(RunEvent.Note note) {
        return TAKEN;
    }

    @Override
    public List<Problem> abandoned(RunEvent.Abandoned abandoned) {
        return TAKEN;
    }

    private List<Problem> afterAStep(String event) {
        return state.steps().isEmpty() ? List.of(problem(ProblemCode.NO_STEP, "event", event)) : TAKEN;
    }

    private List<Problem> beforePower(String event) {
        // What cannot be seen before the tubes are warm is asked for once they are.
        List<Check> open = state.openBeforePower().stream()
                .filter(check -> state.isDue(check, now))
                .toList();
        if (!open.isEmpty()) {
            return List.of(new Problem(
                    ProblemCode.PREFLIGHT_OPEN,
                    "event",
                    event,
                    new Allowed.OneOf(open.stream().map(Check::name).toList())));
        }
        return state.warmUpLeftS(now) > 0
                ? List.of(new Problem(
                        ProblemCode.NOT_WARM,
                        "event",
                        event,
                        new Allowed.Range(Math.ceil(state.warmUpLeftS(now)), 1800, Unit.SECOND)))
                : TAKEN;
    }

    private static Problem problem(ProblemCode code, String path, String found) {
        return new Problem(code, path, found, new Allowed.Nothing());
    }
}
