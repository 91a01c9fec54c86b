package org.tubrin.bench.campaign;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.Collectors;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.bench.Truth;
import org.tubrin.bench.foreign.ForeignStage;
import org.tubrin.core.advice.SuggestedSchool;
import org.tubrin.core.device.Tube;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.practice.LikeItsTwin;
import org.tubrin.core.practice.TrueStage;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ChartRow;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.Termination;
import org.tubrin.core.station.Thermal;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.DataSheet;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.SheetFit;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.core.twin.TwinFromSheet;

/**
 * One tune-up to come: an amplifier as its record has it, the same as it really is, and what it works into.
 *
 * @param number which case
 * @param setup as the operator describes it; its dials start from the maker's chart
 * @param truth the amplifier as it is
 * @param loadOhm what it works into, resistance
 * @param loadReactanceOhm and reactance
 * @param plateOffsetMarks how far the true PLATE stands from what its dial says
 * @param loadOffsetMarks the same of LOAD
 * @param driveShare drive at the amplifier over what the exciter's setting says
 * @param isForeign whether the amplifier is one that the twin cannot express; then it is only about what the truth says
 * @param seed of meters and of the person
 */
record Case(
        int number,
        TuneSetup setup,
        TubeTwin truth,
        double loadOhm,
        double loadReactanceOhm,
        double plateOffsetMarks,
        double loadOffsetMarks,
        double driveShare,
        boolean isForeign,
        long seed) {
    private static final double FULL_SCALE_A = 1;
    private static final long FOREIGN = 104_729;
    private static final double MOST_SLACK_MARKS = 0.3;
    private static final double MOST_STICK_SHARE = 0.01;

    /** Returns a case that belongs to a seed. */
    static Case of(int number, long seed) {
        Random random = new Random(seed);
        boolean tetrode = number % 5 == 4;
        Amplifier record = tetrode ? barque() : triodes(1 + random.nextInt(3), random);
        Stage.Tubes tubes = (Stage.Tubes) record.stage();
        List<Band> bands = record.bands();
        Band band = bands.get(random.nextInt(bands.size()));
        double hz = band.lowestHz() + (0.2 + 0.6 * random.nextDouble()) * (band.highestHz() - band.lowestHz());
        TubeTwin known = new TubeTwin(tubes, (TwinConstants.Tuned) record.twin().orElseThrow());
        Setting setting =
                new Setting(band, (band.lowestHz() + band.highestHz()) / 2, record.driveLimitW(), 0, 0, 50, 0);
        Peak chart = ((Outcome.Settled<Peak>) PeakSearch.most(known, setting)).point();
        double mark = tubes.plate().markStep();
        ChartRow row = new ChartRow(band, rounded(chart.plate(), mark / 2), rounded(chart.load(), mark / 2));
        Amplifier amplifier = new Amplifier(
                record.name(),
                tubes,
                record.driveLimitW(),
                record.ratedOutputW(),
                record.relayTimeS(),
                bands,
                List.of(row),
                Optional.empty(),
                record.twin(),
                Optional.empty(),
                Optional.empty());
        boolean antenna = random.nextInt(3) == 0;
        double swr = 1 + random.nextDouble();
        double angle = 2 * Math.PI * random.nextDouble();
        ImpedancePoint into =
                antenna ? Mismatch.onCircle(hz, swr, angle) : new ImpedancePoint(hz, 48 + 7 * random.nextDouble(), 0);
        Termination termination = antenna
                ? new Antenna(
                        "Yardarm",
                        List.of(new Antenna.AntennaBand(band, Math.max(1, swr), 0)),
                        measured(band, into, new Random(seed + 5)))
                : new Load("Ballast", rounded(into.ohm(), 0.1), 1500, Optional.of(new Thermal(0.52, 1800, 150)));
        TuneSetup setup = new TuneSetup(
                new Station("Skerry Point", "Q1TUB", 1000, 20, Optional.empty()),
                amplifier,
                new Exciter(
                        "Halyard",
                        0.01,
                        200,
                        0.05,
                        0.03,
                        List.of(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()),
                Mode.CW,
                meters(tubes, tetrode),
                termination,
                band,
                hz,
                School.PEAK_THEN_HEAVIER,
                new Preset(row.plate(), row.load(), Preset.Source.CHART),
                TuneSettings.customaryFor(tubes),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        return new Case(
                number,
                setup,
                Truth.of(known, random.nextLong()).twin(),
                into.ohm(),
                into.reactanceOhm(),
                0.15 * (2 * random.nextDouble() - 1) * mark,
                0.3 * (2 * random.nextDouble() - 1) * mark,
                1 + 0.03 * random.nextGaussian(),
                false,
                random.nextLong());
    }

    /** Returns the amplifier as it is, at work. */
    TrueStage stage() {
        Setting setting = new Setting(setup.band(), setup.frequencyHz(), 1, 0, 0, loadOhm, loadReactanceOhm);
        return isForeign
                ? ForeignStage.like(
                        (TwinConstants.CathodeDriven) truth.constants(), truth.tubes(), setting, seed + FOREIGN)
                : new LikeItsTwin(truth, setting);
    }

    /** Returns how far the knob of PLATE turns before the part behind it follows, in marks. */
    double plateSlackMarks() {
        return isForeign ? MOST_SLACK_MARKS * new Random(seed + FOREIGN + 1).nextDouble() / 2 : 0.02;
    }

    /** Returns the same of LOAD. */
    double loadSlackMarks() {
        return isForeign ? MOST_SLACK_MARKS * new Random(seed + FOREIGN + 2).nextDouble() : 0.04;
    }

    /** Returns by which share of its scale a pointer must be pulled before it moves. */
    double stickShare() {
        return isForeign ? MOST_STICK_SHARE * new Random(seed + FOREIGN + 3).nextDouble() : 0;
    }

    /** Returns the same with an amplifier that the twin cannot express; tubes that are driven at the grid stay as they are. */
    Case foreign() {
        return with(setup, truth.constants() instanceof TwinConstants.CathodeDriven);
    }

    /** Returns the school that is suggested for it. */
    School suggested() {
        return SuggestedSchool.of(
                setup.amplifier(),
                setup.band(),
                setup.meters().stream()
                        .flatMap(meter -> meter.channels().stream())
                        .map(Channel::role)
                        .collect(Collectors.toSet()));
    }

    /** Returns the same tuned by another school, for pulses with a wattmeter that holds their peaks. */
    Case by(School school) {
        List<Meter> meters = school != School.PULSED
                ? setup.meters()
                : setup.meters().stream()
                        .map(meter -> new Meter(
                                meter.name(),
                                meter.channels().stream().map(Case::holding).toList(),
                                meter.face()))
                        .toList();
        return with(setup.amplifier(), setup.exciter(), school, meters);
    }

    /** Returns the same tuned for a carrier that stands long, of so many watts. */
    Case forLongCarrier(double wantedW) {
        return with(
                setup.chosen(Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(wantedW))),
                isForeign);
    }

    /** Returns the same driven by another exciter. */
    Case with(Exciter exciter) {
        return with(setup.amplifier(), exciter, setup.school(), setup.meters());
    }

    private Case with(Amplifier amplifier, Exciter exciter, School school, List<Meter> meters) {
        return with(
                setup(amplifier, exciter, school, meters, setup.termination(), setup.band(), setup.frequencyHz()),
                isForeign);
    }

    private TuneSetup setup(
            Amplifier amplifier,
            Exciter exciter,
            School school,
            List<Meter> meters,
            Termination termination,
            Band band,
            double hz) {
        return new TuneSetup(
                setup.station(),
                amplifier,
                exciter,
                setup.carrier(),
                meters,
                termination,
                band,
                hz,
                school,
                setup.preset(),
                setup.settings(),
                setup.source(),
                setup.pad(),
                setup.practice());
    }

    private Case with(TuneSetup chosen, boolean foreign) {
        return new Case(
                number,
                chosen,
                truth,
                loadOhm,
                loadReactanceOhm,
                plateOffsetMarks,
                loadOffsetMarks,
                driveShare,
                foreign,
                seed);
    }

    /** Returns the same into a dummy load of the same resistance. */
    Case intoItsLoad() {
        Load load = new Load("Ballast", rounded(loadOhm, 0.1), 1500, Optional.of(new Thermal(0.52, 1800, 150)));
        return into(load, setup.band(), setup.frequencyHz(), 0);
    }

    /** Returns the same on another band and frequency, into what it worked into. */
    Case on(Band band, double hz) {
        return into(setup.termination(), band, hz, loadReactanceOhm);
    }

    private Case into(Termination termination, Band band, double hz, double reactanceOhm) {
        TuneSetup chosen =
                setup(setup.amplifier(), setup.exciter(), setup.school(), setup.meters(), termination, band, hz);
        return new Case(
                number,
                chosen,
                truth,
                loadOhm,
                reactanceOhm,
                plateOffsetMarks,
                loadOffsetMarks,
                driveShare,
                isForeign,
                seed);
    }

    /** Returns the same with a panel whose one meter has a switch. */
    Case withOneMeter() {
        return with(
                setup.amplifier(),
                setup.exciter(),
                setup.school(),
                setup.meters().stream()
                        .map(meter -> new Meter(meter.name(), meter.channels(), Optional.of(MeterFace.ONE_AT_A_TIME)))
                        .toList());
    }

    /** Returns the same with a wattmeter and nothing else. */
    Case withWattmeterAlone() {
        return with(
                setup.amplifier(),
                setup.exciter(),
                setup.school(),
                setup.meters().stream()
                        .filter(meter -> meter.channel(ReadingRole.OUTPUT).isPresent())
                        .toList());
    }

    /** Returns the same with a twin from what a maker prints of one operation: rounded, and of the tubes' usual, not of these. */
    Case withTwinFromSheet() {
        Amplifier known = setup.amplifier();
        Stage.Tubes tubes = setup.tubes();
        TubeTwin twin = new TubeTwin(tubes, (TwinConstants.Tuned) known.twin().orElseThrow());
        Band band = setup.band();
        Setting setting = new Setting(band, (band.lowestHz() + band.highestHz()) / 2, known.driveLimitW(), 0, 0, 50, 0);
        TubePoint point =
                ((Outcome.Settled<Peak>) PeakSearch.most(twin, setting)).point().point();
        DataSheet sheet = new DataSheet(
                OptionalDouble.of(100),
                OptionalDouble.empty(),
                tubes.plateVoltageRestDcV(),
                tubes.restingPlateCurrentA(),
                List.of(new DataSheet.Operation(
                        rounded(point.meters().plateVoltageDcV(), 50),
                        rounded(point.meters().plateCurrentA(), 0.01),
                        rounded(point.meters().gridCurrentA(), 0.01),
                        OptionalDouble.empty(),
                        known.driveLimitW(),
                        rounded(point.powers().outputW(), 25))),
                12,
                List.of());
        return TwinFromSheet.of(known, sheet) instanceof Outcome.Settled<SheetFit> settled
                ? with(known.withTwin(settled.point().constants()), setup.exciter(), setup.school(), setup.meters())
                : withoutTwin();
    }

    /** Returns the same of which nothing is known but what stands on its plate: neither chart nor twin. */
    Case withoutChart() {
        Case told = with(withoutTwin(List.of()), setup.exciter(), setup.school(), setup.meters());
        return told.with(told.setup.withPreset(Preset.unknown(setup.tubes())), isForeign);
    }

    /** Returns the same where nobody has a twin of the amplifier: the maker's chart and the meters are all that is known. */
    Case withoutTwin() {
        return with(withoutTwin(setup.amplifier().chart()), setup.exciter(), setup.school(), setup.meters());
    }

    private Amplifier withoutTwin(List<ChartRow> chart) {
        Amplifier known = setup.amplifier();
        return new Amplifier(
                known.name(),
                known.stage(),
                known.driveLimitW(),
                known.ratedOutputW(),
                known.relayTimeS(),
                known.bands(),
                chart,
                known.mains(),
                Optional.empty(),
                known.modeSwitch(),
                known.matcher());
    }

    private static Channel holding(Channel channel) {
        return channel.role() != ReadingRole.OUTPUT
                ? channel
                : new Channel(
                        channel.role(),
                        channel.scaleUnit(),
                        channel.ranges(),
                        channel.accuracy(),
                        Indication.PEAK_HOLD,
                        1,
                        Optional.empty());
    }

    private static double rounded(double value, double grain) {
        return Math.rint(value / grain) * grain;
    }

    /** Every second antenna was measured, to 3 % of its resistance. */
    private static Optional<List<ImpedancePoint>> measured(Band band, ImpedancePoint into, Random random) {
        if (random.nextBoolean()) {
            return Optional.empty();
        }
        double resistanceOhm = into.ohm() * (1 + 0.03 * random.nextGaussian());
        double reactanceOhm = into.reactanceOhm() + 0.03 * into.ohm() * random.nextGaussian();
        return Optional.of(List.of(
                new ImpedancePoint(band.lowestHz() - 1, resistanceOhm, reactanceOhm),
                new ImpedancePoint(band.highestHz() + 1, resistanceOhm, reactanceOhm)));
    }

    private static Amplifier barque() {
        TubeTwin twin = SkerryPoint.BARQUE;
        return new Amplifier(
                "Barque",
                twin.tubes(),
                2,
                1000,
                Optional.empty(),
                List.of(Band.MHZ_3_5, Band.MHZ_7, Band.MHZ_14),
                List.of(),
                Optional.empty(),
                Optional.of(twin.constants()),
                Optional.empty(),
                Optional.empty());
    }

    /** Two triodes are the known amplifier with another tank Q and supply; one or three come from a sheet in proportion. */
    private static Amplifier triodes(int count, Random random) {
        double stiffness = 0.5 + 1.2 * random.nextDouble();
        double quality = 0.7 + 0.6 * random.nextDouble();
        Tube tube = new Tube(
                "Lantern 350",
                SkerryPoint.BRIGANTINE.tubes().tube().construction(),
                350,
                3200,
                0.35,
                0.11,
                OptionalDouble.empty(),
                180);
        TwinConstants.CathodeDriven known = (TwinConstants.CathodeDriven) SkerryPoint.BRIGANTINE.constants();
        double sourceOhm = stiffness * known.supplySourceOhm() * 2 / count;
        double restA = 0.0595 * count;
        Stage.Tubes stage = new Stage.Tubes(
                tube,
                count,
                known.supplyOpenV() - sourceOhm * restA,
                restA,
                0.33 * count,
                0.1 * count,
                SkerryPoint.BRIGANTINE.tubes().plate(),
                SkerryPoint.BRIGANTINE.tubes().load(),
                SkerryPoint.BRIGANTINE.tubes().loadSense(),
                0.75,
                0.95);
        List<Band> bands = count == 2
                ? known.tanks().stream().map(TankBand::band).toList()
                : List.of(Band.MHZ_3_5, Band.MHZ_7, Band.MHZ_14);
        Amplifier bare = new Amplifier(
                "Brigantine",
                stage,
                35.0 * count,
                435.0 * count,
                Optional.empty(),
                bands,
                List.of(
                        new ChartRow(Band.MHZ_3_5, 2.5, 4.6),
                        new ChartRow(Band.MHZ_7, 5.1, 4.5),
                        new ChartRow(Band.MHZ_14, 7.4, 6.4)),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        TwinConstants.Tuned constants = known;
        if (count != 2) {
            double loadedV = known.supplyOpenV() - sourceOhm * 0.2737 * count;
            DataSheet sheet = new DataSheet(
                    OptionalDouble.of(100),
                    OptionalDouble.empty(),
                    stage.plateVoltageRestDcV(),
                    restA,
                    List.of(new DataSheet.Operation(
                            loadedV,
                            0.2737 * count,
                            0.086 * count,
                            OptionalDouble.empty(),
                            35.0 * count,
                            0.178 * loadedV * count)),
                    12,
                    List.of());
            constants = ((Outcome.Settled<SheetFit>) TwinFromSheet.of(bare, sheet))
                    .point()
                    .constants();
        }
        TwinConstants.CathodeDriven fitted = (TwinConstants.CathodeDriven) constants;
        List<TankBand> tanks = fitted.tanks().stream()
                .map(one -> new TankBand(
                        one.band(),
                        one.inductanceH(),
                        Math.max(5, quality * one.unloadedQ()),
                        one.platePadF(),
                        one.loadPadF(),
                        one.driveShare(),
                        one.inputReactanceOhm()))
                .toList();
        return bare.withTwin(new TwinConstants.CathodeDriven(
                fitted.tube(),
                fitted.biasV(),
                known.supplyOpenV(),
                sourceOhm,
                fitted.cathodeInputOhm(),
                fitted.plate(),
                fitted.load(),
                tanks));
    }

    private static List<Meter> meters(Stage.Tubes tubes, boolean tetrode) {
        Meter fathom = new Meter(
                "Fathom",
                List.of(channel(
                        ReadingRole.OUTPUT,
                        ScaleUnit.W,
                        0.05,
                        new MeterRange("150 W", 150),
                        new MeterRange("1.5 kW", 1500))));
        Channel plate = channel(
                ReadingRole.PLATE_CURRENT,
                ScaleUnit.A,
                0.03,
                range(FULL_SCALE_A * tubes.tubeCount() / 2.0 * (tetrode ? 2 : 1)));
        Channel grid = channel(
                ReadingRole.GRID_CURRENT, ScaleUnit.MA, 0.03, range(tetrode ? 0.02 : 1.75 * tubes.gridCurrentLimitA()));
        Channel voltage = channel(ReadingRole.PLATE_VOLTAGE, ScaleUnit.KV, 0.03, range(4000));
        Channel screen = channel(ReadingRole.SCREEN_CURRENT, ScaleUnit.MA, 0.03, range(0.2));
        return List.of(
                fathom,
                new Meter("Panel", tetrode ? List.of(plate, grid, screen, voltage) : List.of(plate, grid, voltage)));
    }

    private static MeterRange range(double fullScale) {
        return new MeterRange("one", fullScale);
    }

    private static Channel channel(ReadingRole role, ScaleUnit unit, double classShare, MeterRange... ranges) {
        return Channel.ofFullScale(role, unit, List.of(ranges), classShare);
    }
}
