package org.tubrin.bench.campaign.alc;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.DoubleStream;
import org.tubrin.bench.LevelControl;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.core.alc.LevelLaw.Shows;
import org.tubrin.core.alc.SoundPath;
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

/**
 * One case: an exciter with a level control of its own, what is tried, and the luck of its meters.
 *
 * @param number of the case
 * @param setup as the person knows it
 * @param model the exciter
 * @param truth seed of the exciter's truth
 * @param seed of meters and of the person
 */
record AlcCase(int number, TuneSetup setup, LevelControl.Model model, long truth, long seed) {
    private static final double[] SKIFF_W = {1, 2, 5, 10};
    private static final double[] HALYARD_W = {10, 20, 50, 100};

    static AlcCase of(int number, long seed) {
        Random random = new Random(seed);
        boolean small = random.nextBoolean();
        Shows[] kinds = Shows.values();
        Shows kind = kinds[random.nextInt(kinds.length)];
        double[] powers = small ? SKIFF_W : HALYARD_W;
        int power = random.nextInt(powers.length);
        double setW = powers[power];
        double otherW = powers[power == 0 ? 1 : power - 1];
        Exciter exciter = new Exciter(
                small ? "Skiff" : "Halyard",
                powers[0] / 10,
                powers[powers.length - 1],
                0.1,
                0.03,
                List.of(),
                Optional.empty(),
                Optional.of("1"),
                Optional.empty());
        boolean digital = random.nextBoolean();
        SoundPath path =
                new SoundPath("slider of the program", "interface", Optional.of(0.8), setW, otherW, 500, 1500, 2500);
        double scaleEnd = kind == Shows.ALL_THE_WAY ? 60 : 20;
        TuneSetup setup = new TuneSetup(
                new Station("Skerry Point", "Q1TUB", 1000, 20, Optional.empty()),
                bypassed(),
                exciter,
                Mode.DATA,
                List.of(wattmeter(digital), gauge(scaleEnd)),
                new Load("Ballast", 50, 1000, Optional.empty()),
                Band.MHZ_7,
                7.1e6,
                School.ALC,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryForLevels(bypassed().stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Customs.of(path)));
        return new AlcCase(
                number,
                setup,
                new LevelControl.Model(exciter.powerMinW(), exciter.powerMaxW(), kind),
                random.nextLong(),
                random.nextLong());
    }

    private static Amplifier bypassed() {
        return new Amplifier(
                "Ketch",
                new Stage.Transistors(SkerryPoint.KETCH.constants().nominalV(), 24),
                14,
                SkerryPoint.KETCH.ratedW(),
                Optional.empty(),
                List.of(Band.MHZ_7),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static Meter wattmeter(boolean digital) {
        Accuracy accuracy = digital ? new Accuracy.OfReading(0.03, 0.01) : new Accuracy.OfFullScale(0.05);
        List<MeterRange> ranges = DoubleStream.of(1.5, 15, 150)
                .mapToObj(watt -> new MeterRange(watt + " W", watt))
                .toList();
        return new Meter(
                "Fathom",
                List.of(new Channel(
                        ReadingRole.OUTPUT, ScaleUnit.W, ranges, accuracy, Indication.AVERAGE, 1, Optional.empty())));
    }

    private static Meter gauge(double end) {
        return new Meter(
                "gauge",
                List.of(new Channel(
                        ReadingRole.ALC_GAUGE,
                        ScaleUnit.MARKS,
                        List.of(new MeterRange("scale", end)),
                        new Accuracy.OfReading(0.001, 1),
                        Indication.AVERAGE,
                        1,
                        Optional.empty())));
    }

    SoundPath path() {
        return setup.customs().sound().orElseThrow();
    }

    /** Returns the lowest level at which the level control acts, over both powers and the three tones. */
    double lowestTrueKnee(LevelControl control) {
        return DoubleStream.of(
                        control.kneeLevel(path().setPowerW(), path().middleHz()),
                        control.kneeLevel(path().otherPowerW(), path().middleHz()),
                        control.kneeLevel(path().setPowerW(), path().lowHz()),
                        control.kneeLevel(path().setPowerW(), path().highHz()))
                .min()
                .orElseThrow();
    }
}
