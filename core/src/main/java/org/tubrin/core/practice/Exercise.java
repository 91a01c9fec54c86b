package org.tubrin.core.practice;

import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.tubrin.core.first.Round;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.PowerStep;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.core.station.Thermal;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.TubeTwin;

/**
 * What is practised: everything that is to come follows from it.
 *
 * @param lesson the lesson
 * @param seed of what is hidden and how the amplifier is off its record, 0 to 999 999
 * @param panel how the amplifier's meters are built, where the lesson leaves that open
 * @param step in which steps the exciter's power is set
 * @param shortWarmUp whether the tubes are warm within ten seconds
 * @param helped whether the next move is shown
 * @param amplifier with tubes and a twin, as it was recorded when it began
 * @param names what the rest of the equipment is called
 * @param faults how many kinds of fault there were to hide when it began; empty: as many as at first
 */
public record Exercise(
        Lesson lesson,
        int seed,
        Panel.Kind panel,
        PowerStep step,
        boolean shortWarmUp,
        boolean helped,
        Amplifier amplifier,
        Names names,
        Optional<Integer> faults) {
    private static final long SPREAD = 0x9E3779B97F4A7C15L;
    /** Seeds go from 0 to this. */
    public static final int MOST_SEED = 999_999;

    private static final int MOST_FAULTS = 100;
    private static final double LICENCE_W = 1000;
    private static final double EXCITER_SHARE = 1.4;
    private static final double PERCENT = 100;
    /** A shortened warm-up, in seconds. */
    public static final double SHORT_S = 10;

    private static final double MOST_SPEED = 100;
    private static final double AMBIENT_C = 20;
    static final double LOAD_OHM = 51.6;
    private static final double WATTMETER_CLASS = 0.05;
    private static final double PANEL_CLASS = 0.03;
    private static final double DIGITAL_CLASS = 0.01;

    /** What the equipment around the amplifier is called. */
    public record Names(
            String station,
            String exciter,
            String wattmeter,
            String secondMeter,
            String panel,
            String voltmeter,
            String supply,
            String load,
            String antenna) {}

    public Exercise {
        Checks checks = new Checks().range("seed", seed, 0, MOST_SEED, Unit.ONE);
        faults.ifPresent(many -> checks.range("faults", many, 1, MOST_FAULTS, Unit.ONE));
        checks.done();
        if (TubeTwin.of(amplifier).isEmpty()) {
            throw new Refused(
                    new Problem(ProblemCode.NEEDS_TWIN, "amplifier", amplifier.name(), new Allowed.Nothing()));
        }
    }

    /** Returns the seed of the week in which a day lies: the same for everybody. */
    public static int seedOfWeek(LocalDate day) {
        int week = day.get(IsoFields.WEEK_BASED_YEAR) * 100 + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
        return new Random(week).nextInt(MOST_SEED + 1);
    }

    /** Returns the lesson of the week in which a day lies. */
    public static Lesson lessonOfWeek(LocalDate day) {
        return List.of(Lesson.values()).get(seedOfWeek(day) % Lesson.values().length);
    }

    /** Returns what is hidden. */
    public Set<Hidden> hidden() {
        return lesson.hides(random(0), panel, faults);
    }

    /** Returns luck that belongs to the exercise, for one of its ends. */
    Random random(long end) {
        // Neighbouring seeds of this generator begin alike.
        return new Random(SPREAD * (1000L * seed + end + 1));
    }

    /** Returns how the panel's meters are built. */
    public Panel.Kind panelAsBuilt() {
        return lesson.panel(panel);
    }

    /** Returns bands that its switch has. */
    public List<Band> bands() {
        TwinConstants.Tuned twin = (TwinConstants.Tuned) amplifier.twin().orElseThrow();
        return amplifier.bands().stream()
                .filter(band -> twin.tank(band).isPresent())
                .toList();
    }

    /** Returns what a person who tunes here is told. */
    public TuneSetup setup() {
        Random random = random(1);
        List<Band> bands = bands();
        Band band = bands.get(random.nextInt(bands.size()));
        double hz = band.lowestHz() + (0.1 + 0.4 * random.nextDouble()) * (band.highestHz() - band.lowestHz());
        Stage.Tubes tubes = (Stage.Tubes) amplifier.stage();
        TuneSettings settings = TuneSettings.customaryFor(tubes);
        double warmUpS = tubes.tube().warmUpS();
        TuneSetup plain = new TuneSetup(
                new Station(names.station(), "", LICENCE_W, AMBIENT_C, Optional.empty()),
                amplifier,
                exciter(),
                Mode.CW,
                List.of(wattmeter(), panelMeter(tubes)),
                termination(band),
                band,
                Math.rint(hz / 1e4) * 1e4,
                lesson.school().suits(tubes) ? lesson.school() : Lesson.FIRST_CLIMB.school(),
                Preset.unknown(tubes),
                shortWarmUp && warmUpS > SHORT_S
                        ? settings.withWarmUpSpeed(Math.min(MOST_SPEED, warmUpS / SHORT_S))
                        : settings,
                Optional.of(ReadingSource.TYPED),
                Optional.empty(),
                Optional.empty());
        if (lesson.hasNoCard() && !helped) {
            return plain;
        }
        return amplifier
                .chartRow(band)
                .map(row -> plain.withPreset(new Preset(row.plate(), row.load(), Preset.Source.CHART)))
                .or(() -> RecordTwin.preset(plain).map(plain::withPreset))
                .orElse(plain);
    }

    private Exciter exciter() {
        double mostW = exciterMostW();
        return new Exciter(
                names.exciter(),
                Math.max(0.01, mostW / 100),
                mostW,
                0.1,
                0.03,
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(step));
    }

    /** Returns a power of the exciter in watts as its own setting counts it: in watts, or in per cent of its highest. */
    public double setting(double exciterW) {
        return exciterW / inSetting();
    }

    /** Returns the power in watts at a setting of the exciter. */
    public double exciterW(double setting) {
        return setting * inSetting();
    }

    private double inSetting() {
        return step.scale() == PowerStep.Scale.PERCENT ? exciterMostW() / PERCENT : 1;
    }

    private double exciterMostW() {
        return Round.scaleFor(EXCITER_SHARE * amplifier.driveLimitW());
    }

    private Termination termination(Band band) {
        return lesson.hasAntenna()
                ? new Antenna(names.antenna(), List.of(new Antenna.AntennaBand(band, 1.1, 0)), Optional.empty())
                : new Load(names.load(), LOAD_OHM, 1500, Optional.of(new Thermal(0.52, 1800, 150)));
    }

    private Meter wattmeter() {
        double wideW = Round.scaleFor(1.2 * Math.min(LICENCE_W, amplifier.ratedOutputW()));
        List<MeterRange> ranges = List.of(Round.range(wideW / 10, ScaleUnit.W), Round.range(wideW, ScaleUnit.W));
        return new Meter(
                names.wattmeter(),
                List.of(
                        Channel.ofFullScale(ReadingRole.OUTPUT, ScaleUnit.W, ranges, WATTMETER_CLASS),
                        Channel.ofFullScale(ReadingRole.REFLECTED, ScaleUnit.W, ranges, WATTMETER_CLASS)));
    }

    private Meter panelMeter(Stage.Tubes tubes) {
        List<Channel> channels = new ArrayList<>();
        channels.add(panelled(ReadingRole.PLATE_CURRENT, ScaleUnit.MA, 1.4 * tubes.plateCurrentLimitA()));
        channels.add(panelled(ReadingRole.GRID_CURRENT, ScaleUnit.MA, 1.5 * tubes.gridCurrentLimitA()));
        tubes.screenCurrentLimitA()
                .ifPresent(limitA -> channels.add(panelled(ReadingRole.SCREEN_CURRENT, ScaleUnit.MA, 1.5 * limitA)));
        channels.add(panelled(ReadingRole.PLATE_VOLTAGE, ScaleUnit.KV, 1.2 * tubes.plateVoltageRestDcV()));
        return new Meter(
                names.panel(),
                channels,
                panelAsBuilt() == Panel.Kind.ONE_WITH_SWITCH ? Optional.of(MeterFace.ONE_AT_A_TIME) : Optional.empty());
    }

    /** Returns meters beside those that a climb asks for. */
    List<Meter> beside() {
        List<Meter> all = new ArrayList<>();
        if (lesson.hasSecondMeter()) {
            double wideW = Round.scaleFor(1.4 * Math.min(LICENCE_W, amplifier.ratedOutputW()));
            double widestV = Round.scaleFor(PowerEntry.voltageV(wideW, LOAD_OHM, PowerEntry.Form.PP));
            all.add(new Meter(
                    names.secondMeter(),
                    List.of(Channel.ofFullScale(
                            ReadingRole.OUTPUT,
                            ScaleUnit.W,
                            List.of(Round.range(wideW, ScaleUnit.W)),
                            WATTMETER_CLASS))));
            all.add(new Meter(
                    names.voltmeter(),
                    List.of(Channel.ofFullScale(
                            ReadingRole.OUTPUT_VPP,
                            ScaleUnit.V,
                            List.of(Round.range(widestV, ScaleUnit.V)),
                            DIGITAL_CLASS))));
        }
        if (lesson.showsExciter()) {
            all.add(new Meter(
                    names.exciter(),
                    List.of(Channel.ofFullScale(
                            ReadingRole.ALC_GAUGE,
                            ScaleUnit.MARKS,
                            List.of(Round.range(LevelGauge.MOST, ScaleUnit.MARKS)),
                            DIGITAL_CLASS))));
            all.add(new Meter(
                    names.supply(),
                    List.of(Channel.ofFullScale(
                            ReadingRole.SUPPLY_VOLTAGE,
                            ScaleUnit.V,
                            List.of(Round.range(20, ScaleUnit.V)),
                            DIGITAL_CLASS))));
        }
        return all;
    }

    private static Channel panelled(ReadingRole role, ScaleUnit unit, double most) {
        return Channel.ofFullScale(role, unit, List.of(Round.range(Round.scaleFor(most), unit)), PANEL_CLASS);
    }
}
