package org.tubrin.bench.campaign.bias;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.tubrin.bench.BiasBoard;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.core.bias.BiasLaw;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.BiasSteps;
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
 * One case: a board of its own, how its current is read, and the luck of the meter.
 *
 * @param number of the case
 * @param plan as the person knows it
 * @param model the board
 * @param badlyMounted the device that does not lie flat, from 1; 0 for none
 * @param meterShare what the meter is off, as a share
 * @param truth seed of the board's truth
 */
record BiasCase(
        int number,
        BiasPlan plan,
        BiasBoard.Model model,
        int badlyMounted,
        double meterShare,
        double digit,
        long truth) {
    static final double TEN_TURNS = 10;
    private static final double ONE_TURN = 0.75;
    /** Bounds of the meter and of the measured resistor. */
    private static final double METER_BOUND = 0.005;

    private static final double OHM_BOUND = 0.005;
    private static final double SUPPLY_V = 50;

    static BiasCase of(int number, long seed) {
        Random random = new Random(seed);
        int devices = 2 * (1 + random.nextInt(2));
        double idleA = random.nextBoolean() ? 0.08 : 0.05 + 0.1 * random.nextDouble();
        boolean sensed = random.nextInt(3) > 0;
        double printed = 2.2;
        double ohm = printed * (0.92 + 0.16 * random.nextDouble());
        double measured = ohm * (1 + OHM_BOUND * (2 * random.nextDouble() - 1));
        boolean coarse = random.nextInt(5) == 0;
        BiasPlan plan = new BiasPlan(
                devices,
                idleA,
                "maker's sheet",
                sensed ? Optional.of(new BiasPlan.Sense(printed, measured, OHM_BOUND)) : Optional.empty(),
                coarse ? ONE_TURN : TEN_TURNS,
                false);
        BiasBoard.Model model = new BiasBoard.Model(
                devices,
                new BiasLaw(1.9, 3.2, SUPPLY_V, 0.9),
                random.nextBoolean() ? 0.11 : 0.28,
                180,
                15 + 15 * random.nextDouble(),
                0.002 + 0.006 * random.nextDouble(),
                ohm,
                5,
                plan.potTurns(),
                plan.supplyLimitA());
        return new BiasCase(
                number,
                plan,
                model,
                random.nextInt(10) == 0 ? 1 + random.nextInt(devices) : 0,
                METER_BOUND * (2 * random.nextDouble() - 1),
                sensed ? random.nextBoolean() ? 1e-3 : 1e-4 : 1e-4,
                random.nextLong());
    }

    /** Returns what the person tells of it, with pots of so many turns. */
    TuneSetup setup(double potTurns) {
        Amplifier amplifier = new Amplifier(
                "Ketch",
                new Stage.Transistors(SUPPLY_V, 24),
                14,
                SkerryPoint.KETCH.ratedW(),
                Optional.empty(),
                List.of(Band.MHZ_7),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        return new TuneSetup(
                new Station("Skerry Point", "Q1TUB", 1000, 20, Optional.empty()),
                amplifier,
                new Exciter(
                        "Halyard", 1, 100, 0.1, 0.03, List.of(), Optional.empty(), Optional.empty(), Optional.empty()),
                Mode.CW,
                List.of(meter()),
                new Load("Ballast", 50, 1000, Optional.empty()),
                Band.MHZ_7,
                7.1e6,
                School.BIAS,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Customs.of(with(potTurns))));
    }

    BiasPlan with(double potTurns) {
        return new BiasPlan(
                plan.deviceCount(), plan.idleA(), plan.because(), plan.sense(), potTurns, plan.isNewBoard());
    }

    ReadingRole role() {
        return BiasSteps.role(plan);
    }

    private Meter meter() {
        boolean sensed = plan.sense().isPresent();
        return new Meter(
                "Plumb",
                List.of(new Channel(
                        role(),
                        sensed ? ScaleUnit.V : ScaleUnit.A,
                        List.of(new MeterRange("2", 2)),
                        new Accuracy.OfReading(METER_BOUND, digit),
                        Indication.AVERAGE,
                        1,
                        Optional.empty())));
    }
}
