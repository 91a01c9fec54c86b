package org.tubrin.bench;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.DoubleStream;
import org.tubrin.bench.foreign.ForeignStage;
import org.tubrin.core.device.Construction;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.practice.Knob;
import org.tubrin.core.practice.Play;
import org.tubrin.core.practice.TrueStage;
import org.tubrin.core.quantity.MonotoneCubic;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.core.twin.Warming;

/**
 * The station behind the instruments: exciter, amplifier, load, and the pointers of the meters. It moves on with time when
 * told to; safe for several threads.
 */
public final class SimulatedStation {
    private static final double AMBIENT_C = 20;
    private static final double SLICE_S = 0.02;
    /** Ends of the grid meter's scale in either amplifier. */
    private static final double TRIODE_GRID_A = 0.35;

    private static final double TETRODE_GRID_A = 0.02;
    private static final double PLATE_PLAY_MARKS = 0.006;
    private static final double SENSE_DIGIT_V = 1e-4;
    private static final double DEVICE_DIGIT_A = 1e-4;
    private static final double GATE_DIGIT_V = 0.01;
    private static final double GATE_V = 3.36;
    private static final double GATE_FOLLOWS_V = 0.6;
    private static final double GATE_TURNS = 0.5;
    private static final double PULL_S = 0.1;
    private static final double LEAST_PULLED = 0.01;
    private static final double SCOPE_SHARE = 0.015;
    private static final double SCOPE_RESTLESS = 0.002;
    /** Average of two equal tones, as a share of their peak envelope power. */
    private static final double TONES_SHARE = 0.5;

    private static final double DEGREES_PER_DIVISION = 10;

    private static final double FINE_MARKS = 0.1;
    private static final double LOAD_PLAY_MARKS = 0.02;
    private static final Warming LOAD_WARMING = new Warming(0.52, 1800);

    /** The second wattmeter reads high, and its errors within its class are its own. */
    private static final double SECOND_SHOWS = 1.05;

    private static final long SECOND_SEED = 11;

    private final double warmUpSpeed;
    private final long seed;
    private final Random random;

    private TubeTwin record = SkerryPoint.BRIGANTINE;
    private Truth truth;
    private Knob plate;
    private Knob load;
    private Optional<ImpedancePoint> antenna = Optional.empty();
    private Band band = Band.MHZ_7;
    private boolean operate = true;
    private double frequencyHz = 7.1e6;
    private double exciterW = 1;
    private double padDb;
    private double dutyFactor = 1;
    private boolean keyed;
    private double keyedS;
    private boolean tripped;
    private double heaterS;
    private boolean heater = true;
    private double loadRiseK;
    private boolean loadOpen;
    private double exciterA;
    private Feeder feeder = Feeder.CAPSTAN;
    private boolean held;
    private Optional<Placed> transistors = Optional.empty();
    private Optional<SwitchingAmplifier> switching = Optional.empty();
    private Optional<DriftingAntenna> drifting = Optional.empty();
    private boolean isForeign;
    private Optional<Foreign> foreign = Optional.empty();
    private BenchExciter exciter = BenchExciter.HALYARD;
    private String firmware = BenchExciter.HALYARD.firmware();
    private LevelControl levelControl;
    private boolean sounding;
    private final BiasBoard board;
    private boolean biasing;
    private int device = 1;
    private double level = 0.3;
    private double toneHz = 1500;
    private boolean gateFollows;
    private double nowW;
    private boolean tones;
    private double pullsBackW;
    private double pulledShare = 1;
    private final ScopeTap scope;
    private final double scopeShare;
    /** An update forgot the level for sound: nothing comes out until it is set anew. */
    private boolean levelForgotten;

    final Pointer output;
    /** A second wattmeter in the same line. */
    final Pointer second;

    final Pointer reflected;
    final Pointer plateCurrent;
    final Pointer gridCurrent;
    final Pointer screenCurrent;
    final Pointer plateVoltage;
    final Pointer supplyVoltage;
    final Pointer supplyCurrent;
    final Pointer inputPower;
    final Pointer inputSwr;
    final Pointer heatSink;
    final Pointer stageVoltage;
    final Pointer stageCurrent;
    final Pointer smallOutput;
    final Pointer wideOutput;

    /** A station whose hidden truth belongs to a seed; heaters warm so many times faster than real ones. */
    public SimulatedStation(long seed, double warmUpSpeed) {
        this.seed = seed;
        this.warmUpSpeed = warmUpSpeed;
        random = new Random(seed);
        truth = Truth.of(record, seed);
        levelControl = levelControl();
        board = new BiasBoard(SkerryPoint.KETCH_BIAS, seed);
        plate = knob(record.tubes().plate(), PLATE_PLAY_MARKS);
        load = knob(record.tubes().load(), LOAD_PLAY_MARKS);
        output = new Pointer(150, 0.05, 0.12, random);
        second = new Pointer(2000, 0.05, 0.12, new Random(SECOND_SEED));
        reflected = new Pointer(150, 0.05, 0.12, random);
        plateCurrent = new Pointer(1, 0.03, 0.15, random);
        gridCurrent = new Pointer(TRIODE_GRID_A, 0.03, 0.15, random);
        screenCurrent = new Pointer(0.2, 0.03, 0.15, random);
        plateVoltage = new Pointer(4000, 0.03, 0.25, random);
        supplyVoltage = new Pointer(20, 0.005, 0.05, random);
        supplyCurrent = new Pointer(30, 0.01, 0.05, random);
        inputPower = new Pointer(20, 0.01, 0.08, random);
        inputSwr = new Pointer(5, 0.01, 0.08, random);
        heatSink = new Pointer(120, 0.01, 0.5, random);
        stageVoltage = new Pointer(60, 0.005, 0.05, random);
        stageCurrent = new Pointer(30, 0.01, 0.05, random);
        smallOutput = new Pointer(80, 0.01, 0.08, random);
        wideOutput = new Pointer(400, 0.01, 0.08, new Random(seed + 1));
        scope = new ScopeTap(random);
        scopeShare = 1 + SCOPE_SHARE * (2 * random.nextDouble() - 1);
    }

    /** An amplifier with transistors on the bench. */
    private record Placed(String name, TransistorAmplifier stage) {}

    /** Lets time pass, in seconds; anything longer than a slice is gone through in slices. */
    public synchronized void pass(double seconds) {
        for (double left = seconds; left > 1e-9; left -= SLICE_S) {
            slice(Math.min(SLICE_S, left));
        }
    }

    private void slice(double s) {
        heaterS = heater ? heaterS + s * warmUpSpeed : 0;
        keyedS = keyed ? keyedS + s : 0;
        // A transmission on a low band lasts minutes.
        if (keyedS > Play.LONGEST_KEY_DOWN_S && !biasing && switching.isEmpty()) {
            keyed = false;
        }
        double outputW = 0;
        double plateA = 0;
        double gridA = 0;
        double screenA = 0;
        double volts = truth.twin().constants().supplyOpenV();
        boolean driven = keyed && operate && !tripped && !biasing && hasTubes();
        drifting.ifPresent(wire -> wire.pass(s, warmUpSpeed));
        double emission = Warming.emission(heaterS, tubes().tube().warmUpS());
        if (driven && emission > 0.01 && isForeign) {
            TrueStage stage = foreign();
            stage.pass(s, true);
            if (stage.settle(driveW(), plate.behind(), load.behind())) {
                outputW = emission * stage.outputW();
                plateA = emission * stage.plateCurrentA();
                gridA = emission * stage.gridCurrentA();
                volts = stage.plateVoltageDcV();
            }
            tripped = gridA > TrueStage.TRIP_SHARE * tubes().gridCurrentLimitA();
        } else if (driven && emission > 0.01) {
            Setting setting =
                    new Setting(band, frequencyHz, driveW(), plate.behind(), load.behind(), loadOhm(), reactanceOhm());
            if (truth.withEmission(emission).at(setting) instanceof Outcome.Settled<TubePoint> settled) {
                TubePoint point = settled.point();
                outputW = point.outputW();
                plateA = point.meters().plateCurrentA();
                gridA = point.meters().gridCurrentA();
                screenA = point.meters().screenCurrentA().orElse(0);
                volts = point.meters().plateVoltageDcV();
            }
            tripped = gridA > TrueStage.TRIP_SHARE * tubes().gridCurrentLimitA();
        } else if (biasing) {
            board.pass(keyed, s * warmUpSpeed);
        } else if (transistors.isPresent()) {
            outputW = pass(transistors.get().stage(), s);
        } else if (switching.isPresent()) {
            outputW = pass(switching.get(), s);
        } else if (keyed && !tripped) {
            outputW = driveW();
        }
        if (transistors.isEmpty()) {
            inputPower.follow(keyed && !biasing ? driveW() : 0, s);
        }
        if (isForeign && !driven) {
            foreign().pass(s, false);
        }
        loadRiseK = LOAD_WARMING.riseK(
                loadRiseK, loadOpen || antenna.isPresent() || drifting.isPresent() ? 0 : dutyFactor * outputW, s);
        exciterA = keyed ? 1.2 + 1.98 * Math.sqrt(exciterW) : 1.2;
        double back = Mismatch.reflectedShare(loadOhm(), reactanceOhm());
        // Pulses are faster than any pointer: it shows their average; what holds peaks sees them.
        double average = dutyFactor * (tones ? TONES_SHARE : 1);
        double shown = held ? 1 : average;
        output.follow(shown * outputW / (1 - back), s);
        second.follow(SECOND_SHOWS * average * outputW / (1 - back), s);
        nowW = outputW;
        pull(outputW, s);
        smallOutput.follow(shown * outputW / (1 - back), s);
        wideOutput.follow(shown * outputW / (1 - back), s);
        reflected.follow(shown * outputW * back / (1 - back), s);
        double restA = plateA > 0 ? tubes().restingPlateCurrentA() : 0;
        plateCurrent.follow(dutyFactor * plateA + (1 - dutyFactor) * restA, s);
        gridCurrent.follow(dutyFactor * gridA, s);
        screenCurrent.follow(dutyFactor * screenA, s);
        plateVoltage.follow(volts, s);
        supplyCurrent.follow(exciterA, s);
        supplyVoltage.follow(feeder.voltage(exciterA, keyed ? exciterW : 0), s);
    }

    /** Lets an amplifier with transistors go on, with its meters; returns its output. */
    private double pass(TransistorAmplifier stage, double s) {
        stage.pass(band, frequencyHz, operate, keyed ? driveW() : 0, loadOhm(), reactanceOhm(), s);
        tripped = stage.trip().isPresent();
        TransistorAmplifier.Shown shown = stage.shown();
        inputPower.follow(shown.inputW(), s);
        inputSwr.follow(shown.inputSwr(), s);
        heatSink.follow(stage.heatSinkC(), s);
        stageVoltage.follow(shown.supplyV(), s);
        stageCurrent.follow(shown.supplyA(), s);
        return tripped ? 0 : shown.outputW();
    }

    /** Lets an amplifier that switches go on, with its meters; returns its output. */
    private double pass(SwitchingAmplifier stage, double s) {
        stage.pass(keyed && operate ? driveW() : 0, loadOhm(), reactanceOhm(), s);
        tripped = stage.tripped();
        heatSink.follow(stage.sinkC(), s);
        stageVoltage.follow(stage.terminalV(), s);
        stageCurrent.follow(stage.supplyA(), s);
        return operate ? stage.outputW() : keyed ? driveW() : 0;
    }

    /** Puts an amplifier that the twin cannot express in the place of the one that is on the bench; or that again. */
    public synchronized void foreign(boolean on) {
        isForeign = on && truth.twin().constants() instanceof TwinConstants.CathodeDriven;
        foreign = Optional.empty();
    }

    /** Returns whether it is one that the twin cannot express. */
    synchronized boolean isForeign() {
        return isForeign;
    }

    /** Returns it as it is set up now. */
    private TrueStage foreign() {
        boolean same = foreign.filter(one -> one.band() == band
                        && one.frequencyHz() == frequencyHz
                        && one.into().equals(antenna)
                        && one.loadOpen() == loadOpen)
                .isPresent();
        if (!same) {
            foreign = Optional.of(new Foreign(band, frequencyHz, antenna, loadOpen, coldForeign()));
        }
        return foreign.orElseThrow().stage();
    }

    private TrueStage coldForeign() {
        return ForeignStage.like(
                (TwinConstants.CathodeDriven) truth.twin().constants(),
                truth.twin().tubes(),
                new Setting(band, frequencyHz, 1, 0, 0, loadOhm(), reactanceOhm()),
                seed);
    }

    /** An amplifier that the twin cannot express, on a band and frequency, into an antenna or the load. */
    private record Foreign(
            Band band, double frequencyHz, Optional<ImpedancePoint> into, boolean loadOpen, TrueStage stage) {}

    /** Returns the most output that the foreign amplifier brings at a drive in watts, cold; for tests. */
    public synchronized double foreignMostW(double drive) {
        TrueStage stage = coldForeign();
        double most = 0;
        for (double at = tubes().load().least(); at <= tubes().load().most(); at += FINE_MARKS) {
            double plateAt = stage.resonantPlate(at);
            for (double beside = -0.3; beside <= 0.3; beside += 0.05) {
                stage.forget();
                if (stage.settle(drive * truth.driveShare(), plateAt + beside, at)) {
                    most = Math.max(most, stage.outputW());
                }
            }
        }
        return most;
    }

    private boolean hasTubes() {
        return transistors.isEmpty() && switching.isEmpty();
    }

    /** Returns the stage that switches; empty while another amplifier is on the bench. */
    synchronized Optional<SwitchingAmplifier> switching() {
        return switching;
    }

    /** Puts the amplifier that switches on the bench, its supply at its lowest voltage. */
    synchronized void placeSwitching() {
        transistors = Optional.empty();
        switching = Optional.of(new SwitchingAmplifier(SkerryPoint.LUGGER, SkerryPoint.LUGGER_W, seed));
        keyed = false;
        tripped = false;
    }

    /** Puts the antenna that drifts in place of the load, its motor as it was delivered; or the load again. */
    synchronized void drifts(boolean on) {
        drifting = on ? Optional.of(new DriftingAntenna(seed)) : Optional.empty();
        keyed = false;
    }

    /** Returns the antenna that drifts; empty while another end is in its place. */
    synchronized Optional<DriftingAntenna> drifting() {
        return drifting;
    }

    /** Returns what a phase meter in the line shows, in divisions of 10 degrees. */
    synchronized double phaseDivisions() {
        return keyed && nowW > 0 ? Math.toDegrees(Math.atan2(reactanceOhm(), loadOhm())) / DEGREES_PER_DIVISION : 0;
    }

    /** Returns the volts of the line, root mean square. */
    synchronized double lineV() {
        return lineA() * Math.hypot(loadOhm(), reactanceOhm());
    }

    /** Returns the amperes in it. */
    synchronized double lineA() {
        return keyed ? Math.sqrt(Math.max(0, nowW) / loadOhm()) : 0;
    }

    private Stage.Tubes tubes() {
        return record.tubes();
    }

    /** Puts an antenna in place of the dummy load, with what it shows at the frequency in use; the load again for none. */
    synchronized void antenna(Optional<ImpedancePoint> shows) {
        antenna = shows;
    }

    private double reactanceOhm() {
        if (loadOpen) {
            return 0;
        }
        return drifting.map(wire -> wire.reactanceOhm(frequencyHz))
                .or(() -> antenna.map(ImpedancePoint::reactanceOhm))
                .orElse(0.0);
    }

    /** Returns the resistance at the cable's end: the load's at its temperature, an antenna's, or that of a broken cable. */
    public synchronized double loadOhm() {
        if (drifting.isPresent() && !loadOpen) {
            return drifting.get().ohm();
        }
        if (antenna.isPresent() && !loadOpen) {
            return antenna.get().ohm();
        }
        return loadOpen ? 5000 : truth.loadOhm() * (1 + truth.loadDriftPerK() * loadRiseK);
    }

    /** Returns the load's temperature in °C. */
    public synchronized double loadC() {
        return AMBIENT_C + loadRiseK;
    }

    /** Puts an amplifier on the bench, cold dials in the middle, heaters on from now. */
    synchronized void place(TubeTwin amplifier) {
        transistors = Optional.empty();
        switching = Optional.empty();
        record = amplifier;
        truth = Truth.of(amplifier, seed);
        foreign(false);
        plate = knob(tubes().plate(), PLATE_PLAY_MARKS);
        load = knob(tubes().load(), LOAD_PLAY_MARKS);
        gridCurrent.range(tubes().tube().construction() == Construction.TRIODE ? TRIODE_GRID_A : TETRODE_GRID_A);
        keyed = false;
        tripped = false;
        heaterS = 0;
    }

    /** Puts an amplifier with transistors on the bench. */
    synchronized void place(String name, TransistorAmplifier.Model amplifier) {
        switching = Optional.empty();
        transistors = Optional.of(new Placed(name, new TransistorAmplifier(amplifier, seed)));
        keyed = false;
        tripped = false;
    }

    /** Returns whether the matcher is in line. */
    synchronized boolean matcherInLine() {
        return matcher().filter(MatcherBox::inLine).isPresent();
    }

    /** Puts the matcher in line, or out; returns whether there is one. */
    synchronized boolean matcherInLine(boolean in) {
        matcher().ifPresent(one -> one.inLine(in));
        return matcher().isPresent();
    }

    private Optional<MatcherBox> matcher() {
        return transistors.flatMap(placed -> placed.stage().matcher());
    }

    /** Returns on what the protection acted; empty where it did not, or is that of tubes. */
    synchronized Optional<SeenSign> trip() {
        return switching.isPresent() && tripped
                ? Optional.of(SeenSign.TRIP_REFLECTED)
                : transistors.flatMap(placed -> placed.stage().trip());
    }

    private static Knob knob(Dial dial, double playMarks) {
        return new Knob(dial, (dial.least() + dial.most()) / 2, playMarks * dial.markStep());
    }

    /** Returns the true point at the knobs as they stand, keyed or not; for tests. */
    public synchronized Outcome<TubePoint> trueAt(double drive, double plateMark, double loadMark) {
        return truth.twin()
                .at(new Setting(
                        band, frequencyHz, drive * truth.driveShare(), plateMark, loadMark, loadOhm(), reactanceOhm()));
    }

    /** Returns the twin that is the truth; for tests. */
    public synchronized TubeTwin trueTwin() {
        return truth.twin();
    }

    synchronized String amplifierName() {
        if (switching.isPresent()) {
            return "LUGGER";
        }
        if (transistors.isPresent()) {
            return transistors.get().name();
        }
        return record.equals(SkerryPoint.BRIGANTINE) ? "BRIGANTINE" : "BARQUE";
    }

    synchronized Knob plate() {
        return plate;
    }

    synchronized Knob load() {
        return load;
    }

    synchronized void band(Band to) {
        band = to;
    }

    synchronized Band band() {
        return band;
    }

    synchronized void operate(boolean on) {
        operate = on;
    }

    synchronized boolean operate() {
        return operate;
    }

    synchronized void frequencyHz(double hz) {
        frequencyHz = hz;
    }

    synchronized double frequencyHz() {
        return frequencyHz;
    }

    synchronized void exciterW(double watt) {
        exciterW = watt;
    }

    /** Returns what the exciter is set to. */
    synchronized double exciterW() {
        return exciterW;
    }

    /** Feeds the exciter from another supply. */
    synchronized void feeder(Feeder other) {
        feeder = other;
    }

    synchronized Feeder feeder() {
        return feeder;
    }

    /** Puts a pad of so many decibels between exciter and amplifier; 0 for none. */
    synchronized void padDb(double attenuationDb) {
        padDb = attenuationDb;
    }

    /** Sends pulses that are on for a share of the time; 1 for a carrier. */
    synchronized void dutyFactor(double share) {
        dutyFactor = share;
    }

    synchronized double dutyFactor() {
        return dutyFactor;
    }

    synchronized double padDb() {
        return padDb;
    }

    /** Lets the amplifier pull the exciter back over its line from an output on, in watts; 0 for never. */
    synchronized void pullsBackW(double watt) {
        pullsBackW = watt;
        pulledShare = 1;
    }

    synchronized double pullsBackW() {
        return pullsBackW;
    }

    /** Lets the line act: quickly down, and up again where the output allows. */
    private void pull(double outputW, double s) {
        boolean acts = pullsBackW > 0 && keyed && operate;
        double over = acts ? Math.max(-1, Math.min(1, outputW / pullsBackW - 1)) : -1;
        pulledShare = Math.max(LEAST_PULLED, Math.min(1, pulledShare * (1 - over * Math.min(1, s / PULL_S))));
    }

    /** Returns what really reaches the amplifier. */
    private double driveW() {
        double lossDb = padDb > 0 ? padDb + truth.padErrorDb() : 0;
        double sentW = sounding ? soundedW() : pulledShare * exciterW * truth.driveShare();
        return sentW * Math.pow(10, -lossDb / 10);
    }

    private double soundedW() {
        return levelForgotten ? 0 : levelControl.outputW(exciterW, level, toneHz);
    }

    /** Puts another exciter in its place, with its oldest firmware. */
    synchronized void exciter(BenchExciter other) {
        if (exciter != other) {
            exciter = other;
            firmware(other.firmware());
            levelForgotten = false;
        }
    }

    synchronized BenchExciter exciter() {
        return exciter;
    }

    /** Gives the exciter another firmware: its gauge may be another, and the level for sound is forgotten. */
    synchronized void firmware(String version) {
        levelForgotten = !firmware.equals(version);
        firmware = version;
        levelControl = levelControl();
    }

    private LevelControl levelControl() {
        return exciter.control(firmware, seed);
    }

    synchronized String firmware() {
        return firmware;
    }

    /** Lets it send sound at a level instead of a carrier. */
    synchronized void sounding(boolean on) {
        sounding = on;
    }

    synchronized boolean sounding() {
        return sounding;
    }

    /** Keys without drive, so that the transistors draw what their pots ask; all begin at their minimum, cold. */
    synchronized void biasing(boolean on) {
        biasing = on;
        keyed = false;
        device = 1;
        board.cool();
    }

    synchronized boolean biasing() {
        return biasing;
    }

    /** Takes a transistor up, from 1: its pot is turned, its feed and its gate are read. 0 leaves the one that was. */
    synchronized void device(int number) {
        device = number > 0 ? number : device;
    }

    synchronized int device() {
        return device;
    }

    synchronized void pot(double turns) {
        board.turn(device, turns);
    }

    synchronized double pot() {
        return board.turns(device);
    }

    /** Mounts one of the transistors badly, from 1, and all others well. */
    synchronized void badlyMounted(int number) {
        for (int i = 1; i <= SkerryPoint.KETCH_BIAS.deviceCount(); i++) {
            board.mount(
                    i,
                    i == number
                            ? BiasBoard.BADLY_MOUNTED_K_PER_W
                            : SkerryPoint.KETCH_BIAS.law().heatKPerW());
        }
    }

    /** Returns what a meter with so fine a digit shows over the resistor, in volts. */
    synchronized double senseV() {
        return digits(board.senseV(keyed && biasing), SENSE_DIGIT_V);
    }

    synchronized double deviceA() {
        return digits(board.currentA(device), DEVICE_DIGIT_A);
    }

    /** Returns a gate's direct voltage: as its pot stands, or biased for use while keyed. */
    synchronized double gateV() {
        double moved = gateFollows ? GATE_FOLLOWS_V * Math.sqrt(Math.max(0, inputW())) : 0;
        return digits(biasing ? board.gateV(device) : keyed ? GATE_V + moved : 0, GATE_DIGIT_V);
    }

    /** Lets the gate's direct voltage move with drive, as where RF gets into the bias feed. */
    synchronized void gateFollows(boolean on) {
        gateFollows = on;
    }

    /** Returns the drive at a gate from peak to peak, behind a transformer. */
    synchronized double gateRfV() {
        return GATE_TURNS * scope(inputW(), Mismatch.LINE_OHM);
    }

    /** Returns what a scope shows over the load from peak to peak. */
    synchronized double outputVpp() {
        return scope(nowW, loadOhm());
    }

    private double inputW() {
        return keyed && !biasing ? driveW() : 0;
    }

    private double scope(double watt, double ohm) {
        double restless = 1 + SCOPE_RESTLESS * random.nextGaussian();
        return scopeShare
                * scope.probeShare()
                * restless
                * PowerEntry.voltageV(Math.max(0, watt), ohm, PowerEntry.Form.PP);
    }

    /** Lets the exciter send two equal tones whose peaks have the power that it is set to, or a carrier. */
    synchronized void tones(boolean on) {
        tones = on;
    }

    synchronized boolean tones() {
        return tones;
    }

    /** Returns the scope over the load and at the input. */
    ScopeTap scope() {
        return scope;
    }

    /** Returns one sweep of the scope. */
    synchronized String sweep() {
        return scope.sweep(
                new ScopeTap.Signal(inputW(), keyed ? nowW : 0, loadOhm(), tones, amplitude()),
                scopeShare * scope.probeShare());
    }

    /** Returns what comes out at an amplitude of the drive, both as shares; the supply stands still over a beat. */
    private DoubleUnaryOperator amplitude() {
        double driveW = driveW();
        if (!operate || tripped || biasing || !keyed || switching.isPresent()) {
            return DoubleUnaryOperator.identity();
        }
        if (transistors.isPresent()) {
            TransistorAmplifier stage = transistors.get().stage();
            return share -> Math.sqrt(stage.at(band, frequencyHz, driveW * share * share, loadOhm(), reactanceOhm())
                    .outputW());
        }
        Setting setting =
                new Setting(band, frequencyHz, driveW, plate.behind(), load.behind(), loadOhm(), reactanceOhm());
        return Linearity.of(truth.twin(), setting) instanceof Outcome.Settled<Linearity> settled
                ? along(settled.point().curve())
                : DoubleUnaryOperator.identity();
    }

    private static DoubleUnaryOperator along(List<Linearity.Sample> curve) {
        return new MonotoneCubic(
                DoubleStream.concat(DoubleStream.of(0), curve.stream().mapToDouble(Linearity.Sample::driveAmplitude))
                        .toArray(),
                DoubleStream.concat(DoubleStream.of(0), curve.stream().mapToDouble(Linearity.Sample::outputPeakV))
                        .toArray())::at;
    }

    private static double digits(double value, double digit) {
        return Math.rint(value / digit) * digit;
    }

    synchronized void level(double share) {
        level = share;
        levelForgotten = false;
        levelControl.level(share);
    }

    synchronized double level() {
        return level;
    }

    synchronized void toneHz(double hz) {
        toneHz = hz;
    }

    synchronized double toneHz() {
        return toneHz;
    }

    /** Returns what the exciter's gauge of its level control shows. */
    synchronized double gauge() {
        return keyed && sounding && !levelForgotten
                ? levelControl.gauge(exciterW, level, toneHz)
                : levelControl.restMarks();
    }

    /** Returns how wide the signal is on the exciter's display; 0 while nothing is sent. */
    synchronized double signalWidthHz() {
        return keyed && sounding && !levelForgotten ? levelControl.widthHz(exciterW, level, toneHz) : 0;
    }

    /** Returns where the level control really begins to act at a set power and tone; for tests. */
    public synchronized double trueKnee(double setW, double hz) {
        return levelControl.kneeLevel(setW, hz);
    }

    synchronized void key(boolean down) {
        keyed = down;
        keyedS = 0;
    }

    synchronized boolean keyed() {
        return keyed;
    }

    synchronized void heater(boolean on) {
        heater = on;
        if (!on) {
            heaterS = 0;
        }
    }

    synchronized double heaterS() {
        return heaterS;
    }

    double warmUpSpeed() {
        return warmUpSpeed;
    }

    synchronized boolean tripped() {
        return tripped;
    }

    synchronized void reset() {
        tripped = false;
        keyed = false;
        transistors.ifPresent(placed -> placed.stage().reset());
        switching.ifPresent(SwitchingAmplifier::reset);
    }

    synchronized void loadOpen(boolean open) {
        loadOpen = open;
    }

    synchronized void held(boolean peak) {
        held = peak;
    }

    synchronized double shows(Pointer pointer) {
        return pointer.shows(held && (pointer == output || pointer == reflected));
    }
}
