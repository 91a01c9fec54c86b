package org.tubrin.core.practice;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.advice.PlateHeat;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Warming;

/** The station behind the panel of an exercise, moved on by time and by hands. One thread. */
final class PlayedStation {
    private static final double SLICE_S = 0.05;
    private static final double SAMPLE_S = 0.2;
    private static final double AT_REST_S = 600;
    private static final Warming JUMPER = new Warming(1, 5);
    /** Output that warms a cooked jumper to its worst. */
    private static final double JUMPER_W = 700;

    /**
     * A bias that runs away: of the limit of plate current, where what it draws too much begins and ends; how fast it grows e-fold
     * under power, and falls at rest. Source: our own, so that it shows within a key-down and is dear after three.
     */
    private static final double ASTRAY_FROM = 0.03;

    private static final double ASTRAY_MOST = 0.8;
    private static final double ASTRAY_GROWS_S = 4;
    private static final double ASTRAY_FALLS_S = 15;

    private static final double SNAP_HEARD_S = 2;
    private static final double ARC_S = 0.2;
    private static final double ARC_AGAIN_S = 1;
    /** Of the voltage at the best that the amplifier gives, what its capacitors stand. */
    private static final double STANDS_OFF = 1.3;

    private static final double STANDS_OFF_WITH_BURR = 0.97;
    private static final double RELAY_S = 0.6;
    private static final double RELAY_FAILS = 0.35;
    private static final double RELAY_PASSES = 0.08;
    private static final double SUPPLY_V = 13.8;
    private static final double SUPPLY_SAGS_V = 0.3;
    private static final double SUPPLY_RISES_V = 1.9;
    /** Of its scale, how near LOAD is to where it belongs. */
    private static final double NEAR_SHARE = 0.15;

    private static final double SLIPS_LEAST = 0.6;
    private static final double DIRTY_SHARE = 0.6;
    private static final double DIRTY_LEAST = 0.3;
    /** Ends of luck. */
    private static final long RELAY = 1_000_000_000_000L;

    private static final long CONTACT = 2_000_000_000_000L;
    private static final long GRIP = 3_000_000_000_000L;

    private final Exercise exercise;
    private final TuneSetup setup;
    private final HiddenTruth truth;
    private final Witness witness;
    private final double tripShare;
    private final CostBook costs = new CostBook();
    private final List<Course.Sample> samples = new ArrayList<>();
    private final List<Needle> needles = new ArrayList<>();
    /** How far the part behind a knob that slips has stayed behind. */
    private final Map<Control, Double> slipped = new EnumMap<>(Control.class);

    private Knob plate;
    private Knob load;
    private final double standsOffV;
    private final double bestLoad;

    private long slices;
    private double nowS;
    private double exciterW;
    private Mode mode;
    private Band band;
    private boolean operate;
    private boolean keyed;
    private double keyedSinceS;
    private double keyUpS;
    private double lastKeyDownS;
    private boolean tripped;
    private Optional<ReadingRole> shown;
    private int switched;
    private String range;
    private boolean holds;
    private boolean isMatched;
    private double matchingS = -1;
    private double snapS = Double.NEGATIVE_INFINITY;
    /** Whether the output is down in an arc. */
    private boolean isDown;

    private double jumperWarmth;
    /** Plate current that its bias lets through beside what the drive wants, in amperes. */
    private double astrayA;

    private double plateHeat;
    private double sampledS;

    private Optional<At> at = Optional.empty();
    private boolean settled;
    private double outputW;
    private double plateA;
    private double gridA;
    private double screenA;
    private double plateV;
    private double heatPerTubeW;
    private double peakV;

    private int keyDowns;
    private double carrierS;
    private double hottestShare;

    /** Who hears what goes on by itself, and knows what the readings said last. */
    interface Witness {
        void trips();

        void snaps();

        void keyCameUp();

        List<Sign.Code> signs();
    }

    /** The stage on a band of its switch, into what there is. */
    private record At(Band band, ImpedancePoint into, Probe probe) {}

    PlayedStation(Exercise exercise, TuneSetup setup, HiddenTruth truth, Witness witness) {
        this.exercise = exercise;
        this.setup = setup;
        this.truth = truth;
        this.witness = witness;
        tripShare = exercise.lesson().tripShare();
        plate = knob(Control.PLATE, truth.firstMark(Control.PLATE));
        load = knob(Control.LOAD, truth.firstMark(Control.LOAD));
        exciterW = truth.firstDriveW();
        mode = truth.hides(Hidden.NO_CARRIER) ? Mode.SSB : Mode.CW;
        band = truth.firstBand();
        operate = !truth.hides(Hidden.STANDBY_LEFT);
        shown = truth.firstShown();
        holds = truth.hides(Hidden.DETECTOR_LEFT);
        List<MeterRange> ranges = ranges();
        range = ranges.get(truth.hides(Hidden.RANGE_LEFT) ? ranges.size() - 1 : 0)
                .name();
        for (Meter meter : setup.meters()) {
            meter.channels().forEach(channel -> needles.add(new Needle(meter.name(), channel, false)));
        }
        for (Meter meter : exercise.beside()) {
            meter.channels()
                    .forEach(channel ->
                            needles.add(new Needle(meter.name(), channel, channel.role() == ReadingRole.OUTPUT)));
        }
        plateV = truth.twin().constants().supplyOpenV();
        WithinLimits.At best = new WithinLimits(stage(), setup).best();
        standsOffV = peakV(best);
        bestLoad = best.load() - truth.offset(Control.LOAD);
        follow(1);
        sample();
    }

    /** Returns the voltage over PLATE's capacitor where most output is allowed. */
    private double peakV(WithinLimits.At best) {
        Probe one = truth.twin()
                .probe(truth.setting(setup.band(), truth.into(true, 0)))
                .orElseThrow();
        return one.settle(best.driveW(), best.plate(), best.load()) ? one.platePeakV() : plateV;
    }

    /** Returns the stage as it is now, on the band that it is for, into what it is for. */
    TrueStage stage() {
        return new LikeItsTwin(truth.twin(), truth.setting(setup.band(), truth.into(true, 0)));
    }

    private List<MeterRange> ranges() {
        return setup.channelFor(ReadingRole.OUTPUT).orElseThrow().ranges();
    }

    double nowS() {
        return nowS;
    }

    boolean keyed() {
        return keyed;
    }

    boolean tripped() {
        return tripped;
    }

    double carrierS() {
        return carrierS;
    }

    double hottestShare() {
        return hottestShare;
    }

    Course course() {
        return new Course(samples, costs.moments());
    }

    double warmUpLeftS() {
        return Math.max(0, setup.tubes().tube().warmUpS() / setup.settings().warmUpSpeed() - nowS);
    }

    /**
     * Lets time go on until so many seconds after the start, in whole slices: however often it is looked at meanwhile, it comes to the
     * same.
     */
    void pass(double untilS) {
        long until = (long) Math.floor(untilS / SLICE_S + 1e-6);
        while (slices < until) {
            if (isAtRest()) {
                slices = until;
                nowS = slices * SLICE_S;
            } else {
                slices++;
                slice();
            }
        }
    }

    /** Returns whether the key has been up for so long that nothing moves any more. */
    private boolean isAtRest() {
        return !keyed && nowS - keyUpS > AT_REST_S;
    }

    private void slice() {
        double s = SLICE_S;
        if (keyed) {
            alive(s);
        }
        nowS = slices * SLICE_S;
        runAway(s);
        plateHeat = PlateHeat.WARMING.riseK(
                plateHeat, heatPerTubeNowW() / setup.tubes().plateDissipationPerTubeW(), s);
        hottestShare = Math.max(hottestShare, plateHeat);
        jumperWarmth = truth.hides(Hidden.COOKED_JUMPER)
                ? JUMPER.riseK(jumperWarmth, keyed ? Math.min(1, outputW / JUMPER_W) : 0, s)
                : 0;
        follow(s);
        if (keyed) {
            count(s);
            if (nowS - sampledS >= SAMPLE_S) {
                sample();
            }
            if (nowS - keyedSinceS > Play.LONGEST_KEY_DOWN_S) {
                keyUp();
            }
        }
    }

    private boolean powered() {
        return keyed && settled;
    }

    private void runAway(double s) {
        double limitA = setup.tubes().plateCurrentLimitA();
        if (!truth.hides(Hidden.BIAS_RUNS_AWAY)) {
            astrayA = 0;
        } else if (conducts()) {
            double fromA = Math.max(astrayA, ASTRAY_FROM * limitA);
            astrayA = Math.min(ASTRAY_MOST * limitA, fromA * Math.exp(s / ASTRAY_GROWS_S));
        } else {
            astrayA *= Math.exp(-s / ASTRAY_FALLS_S);
        }
    }

    /** Returns whether the tubes are switched on, driven or not. */
    private boolean conducts() {
        return keyed && amplifies() && isWarm();
    }

    private double plateNowA() {
        return plateA + (conducts() ? astrayA : 0);
    }

    private double heatPerTubeNowW() {
        return (powered() ? heatPerTubeW : 0)
                + (conducts() ? astrayA * plateV / setup.tubes().tubeCount() : 0);
    }

    /** What goes on by itself while the key is down. */
    private void alive(double s) {
        boolean wasDown = isDown;
        isDown = inArc();
        if (truth.hides(Hidden.BAD_RELAY) || truth.hides(Hidden.COOKED_JUMPER) || isDown || wasDown || !isWarm()) {
            settle();
        }
        if (matchingS >= 0) {
            match(s);
        }
        if (amplifies() && peakV > standsOffV * standsOff() && nowS - snapS > ARC_AGAIN_S) {
            snapS = nowS;
            costs.happens(Cost.ARC, nowS, witness.signs());
            witness.snaps();
            settle();
        }
    }

    private double standsOff() {
        return truth.hides(Hidden.BURR) ? STANDS_OFF_WITH_BURR : STANDS_OFF;
    }

    private boolean inArc() {
        return nowS - snapS < ARC_S;
    }

    private void match(double s) {
        double watt = drivenW();
        if (amplifies() || watt > Lesson.MATCH_MOST_W) {
            matchingS = -1;
            snapS = nowS;
            costs.happens(Cost.MATCHED_WITH_AMPLIFIER, nowS, witness.signs());
        } else if (watt >= Lesson.MATCH_LEAST_W) {
            matchingS += s;
            if (matchingS >= Lesson.MATCH_S) {
                matchingS = -1;
                isMatched = true;
                truth.mend(Hidden.NOT_MATCHED);
                settle();
            }
        }
    }

    private boolean isWarm() {
        return warmUpLeftS() <= 0;
    }

    private boolean amplifies() {
        return operate && !tripped;
    }

    /** Returns what reaches the amplifier, in watts. */
    private double drivenW() {
        boolean fails = truth.hides(Hidden.BAD_RELAY) && relay() < RELAY_FAILS;
        return mode.givesCarrier() ? exciterW * truth.driveShare() * (fails ? RELAY_PASSES : 1) : 0;
    }

    private double relay() {
        return exercise.random(RELAY + (long) (nowS / RELAY_S)).nextDouble();
    }

    /** Finds what flows now. */
    private void settle() {
        settled = false;
        outputW = 0;
        plateA = 0;
        gridA = 0;
        screenA = 0;
        heatPerTubeW = 0;
        peakV = 0;
        plateV = truth.twin().constants().supplyOpenV();
        double driveW = keyed ? drivenW() : 0;
        if (driveW <= 0) {
            plateA = conducts() ? setup.tubes().restingPlateCurrentA() : 0;
            return;
        }
        if (!amplifies()) {
            outputW = driveW;
            return;
        }
        ImpedancePoint into = truth.into(isMatched, jumperWarmth);
        if (at.filter(known -> known.band() == band && known.into().equals(into))
                .isEmpty()) {
            at = truth.twin().probe(truth.setting(band, into)).map(probe -> new At(band, into, probe));
        }
        Probe stage = at.orElseThrow().probe();
        settled = stage.settle(driveW, behind(Control.PLATE), behind(Control.LOAD));
        if (settled) {
            double emission = Warming.emission(
                    nowS * setup.settings().warmUpSpeed(), setup.tubes().tube().warmUpS());
            double gives = isWarm() ? 1 : emission;
            outputW = inArc() ? 0 : gives * stage.outputW();
            plateA = gives * stage.plateCurrentA();
            gridA = gives * stage.gridCurrentA();
            screenA = gives * stage.screenCurrentA();
            plateV = stage.plateVoltageDcV();
            heatPerTubeW = gives * stage.plateHeatPerTubeW();
            peakV = gives * stage.platePeakV();
            if (gridA > tripShare * setup.tubes().gridCurrentLimitA()) {
                tripped = true;
                costs.happens(Cost.TRIPPED, nowS, witness.signs());
                keyUp();
                witness.trips();
            }
        }
    }

    /** Returns where the part behind a knob stands. */
    double behind(Control control) {
        Knob knob = control == Control.PLATE ? plate : load;
        double lost = slipped.getOrDefault(control, 0.0);
        return truth.dial(control).clamp(knob.behind() + truth.offset(control) - lost);
    }

    private void follow(double s) {
        ImpedancePoint into = truth.into(isMatched, jumperWarmth);
        double back = Mismatch.reflectedShare(into.ohm(), into.reactanceOhm());
        for (Needle needle : needles) {
            needle.follow(value(needle.channel().role(), back), s);
        }
    }

    private double value(ReadingRole role, double back) {
        return switch (role) {
            case OUTPUT -> outputW / (1 - back);
            case REFLECTED -> outputW * back / (1 - back);
            case PLATE_CURRENT -> plateNowA();
            case GRID_CURRENT -> gridA;
            case SCREEN_CURRENT -> screenA;
            case PLATE_VOLTAGE -> plateV;
            case OUTPUT_VPP ->
                PowerEntry.voltageV(outputW, truth.into(isMatched, jumperWarmth).ohm(), PowerEntry.Form.PP);
            case SUPPLY_VOLTAGE ->
                SUPPLY_V
                        + (!keyed
                                ? 0
                                : Math.sqrt(exciterW / setup.exciter().powerMaxW())
                                        * (truth.hides(Hidden.SUPPLY_RISES) ? SUPPLY_RISES_V : -SUPPLY_SAGS_V));
            case ALC_GAUGE ->
                LevelGauge.marks(
                        keyed && mode.givesCarrier() ? exciterW : 0,
                        setup.topDriveW(),
                        setup.exciter().powerMaxW(),
                        truth.hides(Hidden.GAUGE_REVERSED));
            case INPUT_POWER,
                    OTHER_OUTPUT,
                    INPUT_SWR,
                    SUPPLY_CURRENT,
                    HEAT_SINK,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> 0;
        };
    }

    /** Counts what costs. */
    private void count(double s) {
        if (outputW > 0 || powered()) {
            carrierS += s;
        }
        Stage.Tubes tubes = setup.tubes();
        beyond(Cost.GRID_BEYOND, gridA / tubes.gridCurrentLimitA(), s);
        beyond(Cost.PLATE_BEYOND, plateNowA() / tubes.plateCurrentLimitA(), s);
        beyond(
                Cost.SCREEN_BEYOND,
                Math.abs(screenA) / tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE),
                s);
        beyond(Cost.LICENCE_BEYOND, outputW / setup.licenceW(), s);
        beyond(Cost.PLATES_TOO_HOT, plateHeat, s);
        beyond(Cost.KEYED_TOO_LONG, (nowS - keyedSinceS) / setup.settings().keyDownStopS(), s);
        if (powered()) {
            if (!isWarm()) {
                costs.lasts(Cost.KEYED_COLD, nowS - s, nowS, 0, witness.signs());
            }
            if (band != setup.band()) {
                costs.lasts(Cost.WRONG_BAND, nowS - s, nowS, 0, witness.signs());
            }
        }
    }

    private void beyond(Cost cost, double share, double s) {
        if (share > 1) {
            costs.lasts(cost, nowS - s, nowS, share, witness.signs());
        }
    }

    void sample() {
        sampledS = nowS;
        samples.add(new Course.Sample(
                nowS, keyed, exciterW, plate.shown(), load.shown(), outputW, plateNowA(), gridA, plateV, plateHeat));
    }

    /** Puts the key down; does nothing where it is. */
    void keyDown() {
        if (keyed) {
            return;
        }
        keyDowns++;
        if (keyDowns > 1 && nowS - keyUpS < Math.min(setup.settings().restS(), lastKeyDownS)) {
            costs.happens(Cost.RESTED_TOO_SHORT, nowS, witness.signs());
        }
        keyed = true;
        keyedSinceS = nowS;
        settle();
    }

    /** Lets the key up; does nothing where it is. */
    void keyUp() {
        if (keyed) {
            keyed = false;
            keyUpS = nowS;
            lastKeyDownS = nowS - keyedSinceS;
            matchingS = -1;
            settle();
            witness.keyCameUp();
            sample();
        }
    }

    void turn(Control control, double to) {
        switch (control) {
            case DRIVE -> exciterW = setup.exciter().nearestW(to);
            case PLATE -> turn(plate, control, to);
            default -> turn(load, control, to);
        }
        settle();
    }

    private void turn(Knob knob, Control control, double to) {
        if (truth.slips(control)) {
            // The shaft follows a part of the way; the pointer goes all of it.
            double grip = SLIPS_LEAST
                    + (1 - SLIPS_LEAST) * exercise.random(GRIP + samples.size()).nextDouble();
            slipped.merge(control, (1 - grip) * (to - knob.shown()), Double::sum);
        }
        knob.turn(to);
    }

    void band(Band to) {
        if (powered()) {
            costs.happens(Cost.BAND_TURNED_KEYED, nowS, witness.signs());
        }
        band = to;
        settle();
    }

    void mode(Mode to) {
        mode = to;
        settle();
    }

    void operate(boolean on) {
        operate = on;
        settle();
    }

    void show(ReadingRole role) {
        shown = Optional.of(role);
        switched++;
    }

    void range(String to) {
        range = to;
    }

    void holds(boolean peaks) {
        holds = peaks;
    }

    void startMatching() {
        matchingS = 0;
    }

    void reset() {
        tripped = false;
    }

    /** Takes down that something was named that is not wrong. */
    void namedWrongly() {
        costs.happens(Cost.NAMED_WRONGLY, nowS, witness.signs());
    }

    /** Finds what flows now that something was mended. */
    void mended() {
        at = Optional.empty();
        slipped.clear();
        plate = knob(Control.PLATE, plate.shown());
        load = knob(Control.LOAD, load.shown());
        settle();
    }

    private Knob knob(Control control, double mark) {
        return new Knob(truth.dial(control), mark, truth.play(control));
    }

    /** Returns the drive at the amplifier by what the exciter is set to, in watts, or where a dial stands. */
    double stands(Control control) {
        return switch (control) {
            case PLATE -> plate.shown();
            case LOAD -> load.shown();
            default -> setup.driveOfW(exciterW);
        };
    }

    /** Returns whether a thing that was hidden is right now. */
    boolean isRight(Hidden one) {
        return switch (one) {
            case BAND_FORGOTTEN -> band == setup.band();
            case NO_CARRIER -> mode.givesCarrier();
            case STANDBY_LEFT -> operate;
            case METER_LEFT -> shown.filter(ReadingRole.PLATE_VOLTAGE::equals).isEmpty();
            case RANGE_LEFT -> range.equals(ranges().get(0).name());
            case DETECTOR_LEFT -> !holds;
            case DRIVE_KEPT -> exciterW <= setup.topDriveW() / 4;
            case DIALS_FAR_OFF, LIGHT_LOADING -> isLoadedNearBest();
            case NOT_MATCHED -> isMatched;
            case SLACK_KNOB,
                    SLIPPING_KNOB,
                    DIRTY_SWITCH,
                    SOFT_TUBE,
                    SAGGING_LINE,
                    LYING_WATTMETER,
                    LYING_SECOND_METER,
                    LYING_PLATE_METER,
                    BAD_RELAY,
                    BURR,
                    COOKED_JUMPER,
                    SUPPLY_RISES,
                    GAUGE_REVERSED,
                    BIAS_RUNS_AWAY -> !truth.hides(one);
        };
    }

    private boolean isLoadedNearBest() {
        double span = setup.tubes().load().most() - setup.tubes().load().least();
        return Math.abs(load.shown() - bestLoad) <= NEAR_SHARE * span;
    }

    /** Returns all that is to be seen now. */
    Panel panel() {
        List<Panel.Showing> meters = new ArrayList<>();
        for (Needle needle : needles) {
            ReadingRole role = needle.channel().role();
            if (!setup.isSwitched(role) || shown.filter(role::equals).isPresent()) {
                meters.add(showing(needle));
            }
        }
        return new Panel(
                keyed,
                keyed ? nowS - keyedSinceS : nowS - keyUpS,
                exciterW,
                mode,
                band,
                operate,
                tripped,
                plate.shown(),
                load.shown(),
                shown,
                range,
                holds,
                warmUpLeftS(),
                nowS - snapS < SNAP_HEARD_S,
                meters);
    }

    /** Returns what a meter of the climb shows, whatever the switch stands on; empty where there is none. */
    Optional<Panel.Showing> shows(ReadingRole role) {
        return needles.stream()
                .filter(needle -> needle.channel().role() == role && !needle.isSecond())
                .findFirst()
                .map(this::showing);
    }

    private Panel.Showing showing(Needle needle) {
        Channel channel = needle.channel();
        boolean ofWattmeter = needle.meter().equals(exercise.names().wattmeter());
        MeterRange in = ofWattmeter
                ? channel.range(range).orElseThrow()
                : channel.ranges().get(0);
        double value = needle.shows(in, truth, holds && ofWattmeter);
        double dirty = setup.isSwitched(channel.role()) && truth.hides(Hidden.DIRTY_SWITCH) ? contact() : 1;
        return new Panel.Showing(
                needle.meter(), channel.role(), channel.scaleUnit(), in, dirty * value, Needle.isAtStop(value, in));
    }

    /** Returns how well a dirty switch makes contact since it was turned last. */
    private double contact() {
        double luck = exercise.random(CONTACT + switched).nextDouble();
        return luck > DIRTY_SHARE ? 1 : DIRTY_LEAST + luck;
    }
}
