package org.tubrin.bench.campaign.drive;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.bench.TransistorAmplifier;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.TwinConstants.BroadbandBand;

/**
 * One amplifier to be measured on one band, and the output that is wanted of it.
 *
 * @param number which case
 * @param setup as the operator describes it
 * @param model of amplifier
 * @param truth seed of the amplifier as it is
 * @param wantedW as the output's meter is to show it
 * @param other another band, to change to
 * @param seed of meters and of the person
 */
record DriveCase(
        int number,
        TuneSetup setup,
        TransistorAmplifier.Model model,
        long truth,
        double wantedW,
        Band other,
        long seed) {
    private static final double LEAST_WANTED = 0.4;
    private static final double MOST_WANTED = 0.8;

    static DriveCase of(int number, long seed) {
        Random random = new Random(seed);
        boolean large = random.nextBoolean();
        TransistorAmplifier.Model model = large ? SkerryPoint.KETCH : SkerryPoint.DINGHY;
        Exciter exciter = large || random.nextBoolean()
                ? new Exciter(
                        "Halyard", 1, 100, 0.05, 0.03, List.of(), Optional.empty(), Optional.empty(), Optional.empty())
                : new Exciter(
                        "Skiff", 0.1, 10, 0.1, 0.015, List.of(), Optional.empty(), Optional.empty(), Optional.empty());
        List<Band> bands =
                model.constants().bands().stream().map(BroadbandBand::band).toList();
        Band band = bands.get(random.nextInt(bands.size()));
        Band other = bands.get((bands.indexOf(band) + 1 + random.nextInt(bands.size() - 1)) % bands.size());
        double wantedW = model.ratedW() * (LEAST_WANTED + (MOST_WANTED - LEAST_WANTED) * random.nextDouble());
        TuneSetup setup = setup(amplifier(model, large, bands), exciter, band, hz(band, random), wantedW);
        return new DriveCase(number, setup, model, random.nextLong(), wantedW, other, random.nextLong());
    }

    private static double hz(Band band, Random random) {
        return band.lowestHz() + random.nextDouble() * (band.highestHz() - band.lowestHz());
    }

    private static Amplifier amplifier(TransistorAmplifier.Model model, boolean large, List<Band> bands) {
        return new Amplifier(
                large ? "Ketch" : "Dinghy",
                new Stage.Transistors(model.constants().nominalV(), large ? 24 : 12),
                large ? 14 : 7,
                model.ratedW(),
                Optional.empty(),
                bands,
                List.of(),
                Optional.empty(),
                Optional.of(model.constants()),
                Optional.empty(),
                Optional.empty());
    }

    private static TuneSetup setup(Amplifier amplifier, Exciter exciter, Band band, double hz, double wantedW) {
        return new TuneSetup(
                new Station("Skerry Point", "Q1TUB", 1000, 20, Optional.empty()),
                amplifier,
                exciter,
                Mode.CW,
                METERS,
                new Load("Ballast", 50, 1500, Optional.empty()),
                band,
                hz,
                School.DRIVE_TABLE,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(wantedW))));
    }

    /** Returns the same on the other band. */
    DriveCase onTheOther() {
        TuneSetup there = setup(setup.amplifier(), setup.exciter(), other, hz(other, new Random(seed)), wantedW);
        return new DriveCase(number, there, model, truth, wantedW, setup.band(), seed);
    }

    private static final List<Meter> METERS = List.of(
            new Meter(
                    "Fathom",
                    List.of(channel(
                            ReadingRole.OUTPUT,
                            ScaleUnit.W,
                            new Accuracy.OfFullScale(0.05),
                            new MeterRange("150 W", 150),
                            new MeterRange("1.5 kW", 1500)))),
            new Meter(
                    "Lead",
                    List.of(
                            channel(
                                    ReadingRole.INPUT_POWER,
                                    ScaleUnit.W,
                                    new Accuracy.OfReading(0.03, 0.01),
                                    new MeterRange("20 W", 20)),
                            channel(
                                    ReadingRole.INPUT_SWR,
                                    ScaleUnit.ONE,
                                    new Accuracy.OfReading(0.05, 0.01),
                                    new MeterRange("5", 5)))),
            new Meter(
                    "Sounding",
                    List.of(
                            channel(
                                    ReadingRole.SUPPLY_CURRENT,
                                    ScaleUnit.A,
                                    new Accuracy.OfReading(0.01, 0.01),
                                    new MeterRange("30 A", 30)),
                            channel(
                                    ReadingRole.SUPPLY_VOLTAGE,
                                    ScaleUnit.V,
                                    new Accuracy.OfReading(0.005, 0.01),
                                    new MeterRange("60 V", 60)))));

    private static Channel channel(ReadingRole role, ScaleUnit unit, Accuracy accuracy, MeterRange... ranges) {
        return new Channel(role, unit, List.of(ranges), accuracy, Indication.AVERAGE, 1, Optional.empty());
    }
}
