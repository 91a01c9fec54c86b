package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.scope.ScopePlan;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.PowerStep;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;

/**
 * What a run is about, with the equipment records as they were when it began.
 *
 * @param station the station
 * @param amplifier the amplifier under tuning
 * @param exciter what drives it; its lowest power does not exceed the amplifier's drive limit
 * @param carrier mode that gives the carrier; of a run by levels the one that takes sound
 * @param meters meters in use; between them they read what the stage needs, each role once
 * @param termination dummy load or antenna
 * @param band one that the amplifier covers, any where it is bypassed
 * @param frequencyHz within the band
 * @param school how the run decides
 * @param preset where the dials start; says nothing where the stage has none
 * @param settings figures of good practice
 * @param source where readings come from; absent in runs from before there was a choice: typed
 * @param pad between exciter and amplifier; absent where there is none
 * @param practice what the operator chose about how the school is followed; absent where nothing
 */
public record TuneSetup(
        Station station,
        Amplifier amplifier,
        Exciter exciter,
        Mode carrier,
        List<Meter> meters,
        Termination termination,
        Band band,
        double frequencyHz,
        School school,
        Preset preset,
        TuneSettings settings,
        Optional<ReadingSource> source,
        Optional<Pad> pad,
        Optional<Customs> practice) {

    private static final double EDGE_SHARE = 0.02;
    /** What a panel meter is switched between. */
    private static final Set<ReadingRole> SWITCHED = Set.of(
            ReadingRole.SCREEN_CURRENT, ReadingRole.GRID_CURRENT, ReadingRole.PLATE_CURRENT, ReadingRole.PLATE_VOLTAGE);
    /** Well below full drive: what the first key-down with a power amplifier may have. */
    private static final double FIRST_SHARE = 0.25;
    /** Less is no output of an amplifier. */
    private static final double LEAST_LONG_W = 1;

    public TuneSetup {
        meters = List.copyOf(meters);
        List<Problem> problems = new ArrayList<>();
        boolean isAlc = school == School.ALC;
        boolean isBias = school == School.BIAS;
        boolean isMatcher = school == School.MATCHER;
        boolean isChain = school == School.CHAIN;
        boolean isScope = school == School.WAVEFORM;
        boolean isResonance = school == School.RESONANCE;
        RunStage stage = inRun(amplifier, carrier, school, practice, source);
        if (!isAlc && !amplifier.bands().contains(band)) {
            problems.add(new Problem(
                    ProblemCode.UNKNOWN_NAME,
                    "band",
                    band.name(),
                    new Allowed.OneOf(amplifier.bands().stream().map(Band::name).toList())));
        }
        // Older runs may lie a little outside the edges of today; new ones are held to the station's at the door.
        if (!(frequencyHz >= (1 - EDGE_SHARE) * band.lowestHz()
                && frequencyHz <= (1 + EDGE_SHARE) * band.highestHz())) {
            problems.add(new Problem(
                    ProblemCode.OUT_OF_RANGE,
                    "frequencyHz",
                    Double.toString(frequencyHz),
                    new Allowed.Range(band.lowestHz(), band.highestHz(), Unit.HERTZ)));
        }
        if (isAlc && !carrier.takesSound()) {
            problems.add(new Problem(
                    ProblemCode.UNKNOWN_NAME, "carrier", carrier.name(), new Allowed.OneOf(List.of("DATA", "SSB"))));
        }
        if (isAlc && practice.flatMap(Customs::sound).isEmpty()) {
            problems.add(new Problem(ProblemCode.MISSING, "practice.sound", "", new Allowed.Nothing()));
        }
        if (isBias && practice.flatMap(Customs::bias).isEmpty()) {
            problems.add(new Problem(ProblemCode.MISSING, "practice.bias", "", new Allowed.Nothing()));
        }
        if (isBias && !(amplifier.stage() instanceof Stage.Transistors)) {
            problems.add(
                    new Problem(ProblemCode.NEEDS_TRANSISTORS, "amplifier", amplifier.name(), new Allowed.Nothing()));
        }
        if (isMatcher && amplifier.matcher().isEmpty()) {
            problems.add(new Problem(ProblemCode.NEEDS_MATCHER, "amplifier", amplifier.name(), new Allowed.Nothing()));
        }
        if (isChain && practice.flatMap(Customs::chain).isEmpty()) {
            problems.add(new Problem(ProblemCode.MISSING, "practice.chain", "", new Allowed.Nothing()));
        }
        if (isScope && practice.flatMap(Customs::scope).isEmpty()) {
            problems.add(new Problem(ProblemCode.MISSING, "practice.scope", "", new Allowed.Nothing()));
        }
        if (isResonance && practice.flatMap(Customs::resonance).isEmpty()) {
            problems.add(new Problem(ProblemCode.MISSING, "practice.resonance", "", new Allowed.Nothing()));
        }
        if (isResonance && !(termination instanceof Antenna)) {
            problems.add(
                    new Problem(ProblemCode.NEEDS_ANTENNA, "termination", termination.name(), new Allowed.Nothing()));
        }
        if ((isAlc || isBias || isChain || isScope) && !(termination instanceof Load)) {
            problems.add(new Problem(
                    ProblemCode.NEEDS_DUMMY_LOAD, "termination", termination.name(), new Allowed.Nothing()));
        }
        if (!isAlc && !carrier.givesCarrier()) {
            problems.add(new Problem(
                    ProblemCode.UNKNOWN_NAME,
                    "carrier",
                    carrier.name(),
                    new Allowed.OneOf(List.of("CW", "RTTY", "FM", "AM"))));
        }
        double leastDriveW = pad.map(one -> one.outputW(exciter.powerMinW())).orElse(exciter.powerMinW());
        if (stage.amplifies() && leastDriveW > amplifier.driveLimitW()) {
            problems.add(new Problem(
                    ProblemCode.BEYOND_EXCITER,
                    "exciter",
                    Double.toString(leastDriveW),
                    new Allowed.Range(0, amplifier.driveLimitW(), Unit.WATT)));
        }
        if (termination instanceof Antenna antenna && antenna.on(band).isEmpty()) {
            problems.add(new Problem(
                    ProblemCode.UNKNOWN_NAME,
                    "termination",
                    antenna.name(),
                    new Allowed.OneOf(antenna.bands().stream()
                            .map(one -> one.band().name())
                            .toList())));
        }
        Customs followed = practice.orElse(Customs.CUSTOMARY);
        for (ReadingRole role : ReadingRole.values()) {
            List<String> readers = meters.stream()
                    .filter(meter -> followed.reads(role) && meter.channel(role).isPresent())
                    .map(Meter::name)
                    .toList();
            boolean needed = stage.needed().contains(role) || school.needs(role);
            if (readers.isEmpty() && needed) {
                problems.add(new Problem(ProblemCode.NO_CHANNEL, "meters", role.name(), new Allowed.Nothing()));
            } else if (readers.size() > 1) {
                problems.add(new Problem(ProblemCode.DUPLICATE, "meters", role.name(), new Allowed.OneOf(readers)));
            }
        }
        List<School> suited = suited(stage, use(stage, practice));
        if (!suited.contains(school)) {
            problems.add(unsuited(school, suited));
        }
        if (school == School.PULSED && !readsPeaks(meters)) {
            problems.add(new Problem(ProblemCode.NEEDS_PEAK_METER, "meters", "OUTPUT", new Allowed.Nothing()));
        }
        if (!problems.isEmpty()) {
            throw new Refused(problems);
        }
    }

    /** By what tells most setups apart: what was found of one is looked up by it many times in each look at a run. */
    @Override
    public int hashCode() {
        return Objects.hash(amplifier.name(), termination.name(), band, frequencyHz, school, preset);
    }

    /** Returns the schools by which the run can be gone about. */
    public List<School> suited() {
        return suited(stage(), use());
    }

    private static List<School> suited(RunStage stage, Use use) {
        return stage.schools().stream().filter(one -> one.suits(use)).toList();
    }

    static Problem unsuited(School school, List<School> suited) {
        return new Problem(
                ProblemCode.UNKNOWN_NAME,
                "school",
                school.name(),
                new Allowed.OneOf(suited.stream().map(School::name).toList()));
    }

    /** Returns where readings come from. */
    public ReadingSource readings() {
        return source.orElse(ReadingSource.TYPED);
    }

    /** Returns the same with dials that start elsewhere. */
    public TuneSetup withPreset(Preset from) {
        return with(meters, from, practice);
    }

    /** Returns the same with the corrected record of a meter that is in use; fails with {@link Refused} where it reads too little. */
    public TuneSetup withMeter(Meter corrected) {
        return with(
                meters.stream()
                        .map(one -> one.name().equals(corrected.name()) ? corrected : one)
                        .toList(),
                preset,
                practice);
    }

    /** Returns the same with what the operator chose about how the school is followed. */
    public TuneSetup chosen(Customs customs) {
        return with(meters, preset, Optional.of(customs));
    }

    private TuneSetup with(List<Meter> used, Preset from, Optional<Customs> chosen) {
        return new TuneSetup(
                station,
                amplifier,
                exciter,
                carrier,
                used,
                termination,
                band,
                frequencyHz,
                school,
                from,
                settings,
                source,
                pad,
                chosen);
    }

    /** Returns what the operator chose about how the school is followed, or what is customary. */
    public Customs customs() {
        return practice.orElse(Customs.CUSTOMARY);
    }

    /** Returns what the dials are for. */
    public Use use() {
        return use(stage(), practice);
    }

    private static Use use(RunStage stage, Optional<Customs> practice) {
        return stage.isTuned() && practice.flatMap(Customs::wantedOutputW).isPresent()
                ? Use.LONG_CARRIER
                : Use.SPEECH_AND_CW;
    }

    /** Returns whether output is read by a meter that holds peaks, without which pulses cannot be measured. */
    public boolean readsPeaks() {
        return readsPeaks(meters);
    }

    private static boolean readsPeaks(List<Meter> meters) {
        return meters.stream()
                .flatMap(meter -> meter.channel(ReadingRole.OUTPUT).stream())
                .anyMatch(channel -> channel.indication() == Indication.PEAK_HOLD);
    }

    /**
     * Returns the meters of a climb by drive, of which one counts for the output: of two wattmeters the one that knows an output
     * best, the other as the second in the line. Three are left as they are, and refused; so are two in any other run.
     *
     * @param outputW where they are weighed, in watts
     */
    public static List<Meter> withSecond(List<Meter> meters, School school, double outputW) {
        List<Meter> wattmeters = meters.stream()
                .filter(meter -> meter.channel(ReadingRole.OUTPUT).isPresent())
                .toList();
        if (wattmeters.size() != 2 || !(school.hasDials() || school == School.DRIVE_TABLE)) {
            return meters;
        }
        Meter second = wattmeters.stream()
                .max(Comparator.comparingDouble(meter -> unsureW(meter, outputW)))
                .orElseThrow();
        return meters.stream()
                .map(meter -> meter.equals(second) ? meter.asSecond() : meter)
                .toList();
    }

    private static double unsureW(Meter meter, double outputW) {
        Channel channel = meter.channel(ReadingRole.OUTPUT).orElseThrow();
        MeterRange range = channel.rangeFor(outputW);
        return range.fullScale() < outputW
                ? Double.MAX_VALUE
                : channel.measured(outputW, meter.name(), range).standardUncertainty();
    }

    /** Returns what the operator can set: what the stage has, and the places of two wattmeters. */
    public List<Control> controls() {
        List<Control> controls = new ArrayList<>(stage().controls());
        if (channelFor(ReadingRole.OTHER_OUTPUT).isPresent()) {
            controls.add(Control.WATTMETERS);
        }
        return List.copyOf(controls);
    }

    /** Returns what a run asks of the stage. */
    public RunStage stage() {
        return inRun(amplifier, carrier, school, practice, source);
    }

    private static RunStage inRun(
            Amplifier amplifier,
            Mode carrier,
            School school,
            Optional<Customs> practice,
            Optional<ReadingSource> source) {
        return switch (school) {
            case ALC -> new LevelsInRun();
            case MATCHER -> new MatcherInRun(amplifier.matcher());
            case CHAIN -> new ChainInRun();
            case WAVEFORM -> new ScopeInRun(practice.flatMap(Customs::scope));
            case RESONANCE -> new ResonanceInRun(practice.flatMap(Customs::resonance));
            case BIAS ->
                new BiasInRun(
                        practice.flatMap(Customs::bias),
                        source.filter(ReadingSource.BENCH::equals).isPresent());
            case PEAK_THEN_HEAVIER,
                    DIP_AND_LOAD,
                    GRID_TARGET,
                    MAKERS_CHART,
                    TUNE_WHERE_YOU_RUN,
                    PULSED,
                    DRIVE_TABLE,
                    SUPPLY_TABLE -> inRun(amplifier, carrier, practice);
        };
    }

    private static RunStage inRun(Amplifier amplifier, Mode carrier, Optional<Customs> practice) {
        return amplifier.stage().in(new Stage.Cases<>() {
            @Override
            public RunStage tubes(Stage.Tubes tubes) {
                return new TubesInRun(tubes);
            }

            @Override
            public RunStage transistors(Stage.Transistors transistors) {
                return new TransistorsInRun(transistors, amplifier, carrier.carrierShare());
            }

            @Override
            public RunStage switching(Stage.Switching switching) {
                int modules = practice.flatMap(Customs::modules).orElse(switching.moduleCount());
                return new SwitchingInRun(switching, amplifier, modules);
            }
        });
    }

    /** Returns the stage of a run on one with tubes and dials; a run on another kind must not ask. */
    public Stage.Tubes tubes() {
        return (Stage.Tubes) amplifier.stage();
    }

    /** Returns the meter that reads a role; empty where there is none, or the role is left unread. */
    public Optional<Meter> meterFor(ReadingRole role) {
        return meters.stream()
                .filter(meter -> customs().reads(role) && meter.channel(role).isPresent())
                .findFirst();
    }

    /** Returns a record as its meter is read in this run; as it is where no meter of that name is in it. */
    public Meter inPositionsInUse(Meter meter) {
        return meters.stream()
                .filter(used -> used.name().equals(meter.name()))
                .findFirst()
                .map(meter::inPositionsOf)
                .orElse(meter);
    }

    /** Returns the channel that reads a role. */
    public Optional<Channel> channelFor(ReadingRole role) {
        return meterFor(role).flatMap(meter -> meter.channel(role));
    }

    /** Returns the roles that each step is to have a reading of, in the order of reading. */
    public List<ReadingRole> rolesAsked() {
        List<ReadingRole> asked = new ArrayList<>();
        RunStage stage = stage();
        for (ReadingRole role : ReadingRole.values()) {
            if (stage.asks(role) && channelFor(role).isPresent()) {
                asked.add(role);
            }
        }
        return List.copyOf(asked);
    }

    /** Returns whether a role is read off a panel meter whose switch shows one thing at a time. */
    public boolean isSwitched(ReadingRole role) {
        return stage().isTuned()
                && SWITCHED.contains(role)
                && meterFor(role).filter(Meter::hasSwitch).isPresent();
    }

    /** Returns whether the exciter's carrier, not the amplifier, says where the climb ends: AM and FM often give less than CW. */
    public boolean carrierIsShort() {
        return mostDriveW() < (1 - EDGE_SHARE) * driveLimitW();
    }

    /** Returns a mode whose carrier gives clearly more drive, the most of them; empty where there is none. */
    public Optional<Mode> fullerCarrier() {
        return Stream.of(Mode.values())
                .filter(Mode::givesCarrier)
                .filter(mode -> mostDriveW(mode) > (1 + EDGE_SHARE) * mostDriveW())
                .max(Comparator.comparingDouble(this::mostDriveW));
    }

    /** Returns the highest drive of the climb: what the amplifier allows and exciter and pad give, in watts. */
    public double topDriveW() {
        return Math.min(driveLimitW(), mostDriveW());
    }

    /** Returns the output that the maker's claim lets expect at a drive, in proportion to it; both in watts. */
    public double claimedW(double driveW) {
        return amplifier.ratedOutputW() * driveW / amplifier.driveLimitW();
    }

    /** Returns the drive that the amplifier takes in the run's mode, in watts: rows of a table in AM are of its carrier. */
    public double driveLimitW() {
        return tableShare() * amplifier.driveLimitW();
    }

    /**
     * Returns the same; fails with {@link Refused} where exciter and pad give no less than the amplifier takes in the run's mode, or
     * do not bring what its matcher needs, or where a waveform check would drive it beyond its limits. Runs from before rows of AM were told apart may have that.
     */
    public TuneSetup withinDrive() {
        if (stage().amplifies() && leastDriveW() > driveLimitW()) {
            throw beyond(driveLimitW());
        }
        customs().scope().ifPresent(this::withinScope);
        longCarrierW()
                .ifPresent(wanted -> new Checks()
                        .range(
                                "wantedOutput",
                                wanted,
                                LEAST_LONG_W,
                                Math.min(licenceW(), amplifier.ratedOutputW()),
                                Unit.WATT)
                        .done());
        if (stage().kind() == RunKind.SUPPLY_TABLE) {
            withinSupply((Stage.Switching) amplifier.stage());
        }
        if (stage().kind() == RunKind.MATCHER) {
            double matcherW = amplifier.matcher().orElseThrow().leastW();
            if (leastDriveW() > FIRST_SHARE * driveLimitW()) {
                throw beyond(FIRST_SHARE * driveLimitW());
            }
            if (mostDriveW() < matcherW) {
                throw new Refused(new Problem(
                        ProblemCode.SHORT_OF_MATCHER,
                        "exciter",
                        Double.toString(mostDriveW()),
                        new Allowed.Range(
                                matcherW, amplifier.matcher().orElseThrow().mostW(), Unit.WATT)));
            }
        }
        return this;
    }

    private void withinScope(ScopePlan plan) {
        new Checks()
                .range(
                        "scope.drive",
                        plan.driveW(),
                        leastDriveW(),
                        Math.min(amplifier.driveLimitW(), mostDriveW()),
                        Unit.WATT)
                .range("scope.output", plan.outputW(), ScopePlan.LEAST_OUTPUT_W, licenceW(), Unit.WATT)
                .done();
    }

    /** Its fixed drive must be one that exciter and pad give, and its modules must be there. */
    private void withinSupply(Stage.Switching switching) {
        Checks checks = new Checks()
                .range("exciter", switching.driveW(), leastDriveW(), mostDriveW(), Unit.WATT, Because.FIXED_DRIVE);
        customs().modules().ifPresent(count -> checks.range("modules", count, 1, switching.moduleCount(), Unit.ONE));
        checks.done();
    }

    private Refused beyond(double mostW) {
        return new Refused(new Problem(
                ProblemCode.BEYOND_EXCITER,
                "exciter",
                Double.toString(leastDriveW()),
                new Allowed.Range(0, mostW, Unit.WATT)));
    }

    private double tableShare() {
        return school == School.DRIVE_TABLE ? carrier.carrierShare() : 1;
    }

    /** Returns the least drive at the amplifier that exciter and pad can be set to, in watts. */
    public double leastDriveW() {
        return driveOfW(exciter.powerMinW());
    }

    /** Returns the most drive at the amplifier that exciter and pad can be set to, in watts. */
    public double mostDriveW() {
        return mostDriveW(carrier);
    }

    private double mostDriveW(Mode mode) {
        double exciterW = exciter.mostW(mode);
        return driveOfW(pad.map(one -> Math.min(exciterW, one.powerLimitW())).orElse(exciterW));
    }

    /** Returns the drive that reaches the amplifier at a power of the exciter, in watts. */
    public double driveOfW(double exciterW) {
        return pad.map(one -> one.outputW(exciterW)).orElse(exciterW);
    }

    /** Returns the drive nearest to a wanted one that can be set, in watts at the amplifier. */
    public double settableW(double driveW) {
        return exciter.powerStep().isPresent()
                ? driveOfW(exciter.nearestW(exciterOfW(driveW)))
                : PowerStep.customaryW(driveW);
    }

    /** Returns the drive to set for one that was planned with room to its limits: rounded down where the exciter's steps are its own. */
    public double settableWithinW(double driveW) {
        return exciter.powerStep().isPresent() ? settableBelowW(driveW) : settableW(driveW);
    }

    /** Returns the same, rounded down: where more would be too much. */
    public double settableBelowW(double driveW) {
        return exciter.powerStep().isPresent()
                ? driveOfW(exciter.belowW(exciterOfW(driveW)))
                : PowerStep.customaryBelowW(driveW);
    }

    /** Returns the power that the exciter is set to for a drive at the amplifier, in watts. */
    public double exciterOfW(double driveW) {
        return pad.map(one -> one.inputW(driveW)).orElse(driveW);
    }

    /** Returns the output that the licence lets pass in the run's mode, in watts: it counts peak envelope power. */
    public double licenceW() {
        return tableShare() * station.licenceLimitW();
    }

    /** Returns the output that a carrier that stands long wants, in watts; empty where the dials are for speech and CW. */
    public Optional<Double> longCarrierW() {
        return use() == Use.LONG_CARRIER ? customs().wantedOutputW() : Optional.empty();
    }

    /** Returns the output that the climb of a stage with dials goes for at most, in watts: the licence, or less where a long carrier wants less. */
    public double climbsToW() {
        return longCarrierW().map(wanted -> Math.min(licenceW(), wanted)).orElse(licenceW());
    }

    /** Returns the output that more drive is not to pass, in watts: the licence, and what the stage is rated for where it trips beyond. */
    public double mostOutputW() {
        return Math.min(licenceW(), stage().mostOutputW().orElse(Double.MAX_VALUE));
    }

    /** Returns what a reading is not to pass, in its SI unit: a current's limit, the licence for output; empty where there is none. */
    public Optional<Double> limitOf(ReadingRole role) {
        return role == ReadingRole.OUTPUT ? Optional.of(licenceW()) : stage().limitOf(role);
    }

    /** Returns what a reading in SI is of its limit, as a share; empty where it has none. */
    public Optional<Double> ofLimit(ReadingRole role, double value) {
        return limitOf(role).map(limit -> value / limit);
    }
}
