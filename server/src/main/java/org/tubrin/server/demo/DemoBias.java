package org.tubrin.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.server.words.Figures;

/** Makes the demo's bias climbs: two transistors that warm, set by the next move. */
record DemoBias(Station station, Amplifier amplifier, Exciter exciter, List<Meter> meters, Termination load) {
    private static final int MOST_MOVES = 400;
    private static final double STANDING_A = 4.1e-3;
    /** What a device draws more when it is left alone, and what each drew more when all got hot. */
    private static final double CREEP = 1.008;

    private static final List<Double> HOT = List.of(1.07, 1.03);
    private static final List<Double> GATE_V = List.of(3.41, 3.28);
    private static final Duration HAND = Duration.ofSeconds(6);
    private static final double OHM = 2.37;
    private static final BiasPlan PLAN = new BiasPlan(
            2, 0.08, "maker's sheet of the transistors", Optional.of(new BiasPlan.Sense(2.2, OHM, 0.005)), 10, false);

    /** Returns the events of a climb, finished; one that runs away ends at its first rest. */
    List<Recorded> events(boolean runsAway, Instant start) {
        List<Recorded> events = new ArrayList<>();
        DemoPlayer player = new DemoPlayer(events, start);
        player.does(new RunEvent.Started(setup()));
        double[] deviceA = new double[PLAN.deviceCount()];
        boolean isHot = false;
        int hand = 0;
        for (int i = 0; i < MOST_MOVES && player.state().ending().isEmpty(); i++) {
            Advice advice = NextMove.of(player.state(), player.now());
            player.waits(HAND);
            if (advice.move() instanceof Move.KeyAndRead) {
                player.does(new RunEvent.Keyed());
            } else if (advice.move() instanceof Move.Adjust adjust) {
                hand = adjust.device();
                deviceA[hand - 1] += adjust.aim() / OHM - total(deviceA);
                reads(player, deviceA, hand);
            } else if (advice.move() instanceof Move.TurnDown down) {
                hand = down.device();
                deviceA[hand - 1] = 0;
                reads(player, deviceA, hand);
            } else if (advice.move() instanceof Move.Hold hold) {
                player.waits(Duration.ofMillis(Math.round(1e3 * hold.leftS())));
                if (hold.device() > 0) {
                    deviceA[hold.device() - 1] *= runsAway ? 1.4 : CREEP;
                } else if (!isHot) {
                    isHot = true;
                    for (int device = 0; device < deviceA.length; device++) {
                        deviceA[device] *= HOT.get(device);
                    }
                }
                reads(player, deviceA, hold.device());
            } else if (advice.move() instanceof Move.ReadOff) {
                reads(player, deviceA, hand);
            } else {
                Following.events(advice, player.now()).forEach(player::does);
            }
        }
        return events;
    }

    private static double total(double[] deviceA) {
        double totalA = STANDING_A;
        for (double one : deviceA) {
            totalA += one;
        }
        return totalA;
    }

    private static void reads(DemoPlayer player, double[] deviceA, int device) {
        player.reads(ReadingRole.SENSE_VOLTAGE, Figures.fixed(OHM * total(deviceA) / ScaleUnit.MV.inUnit(), 1));
        player.reads(
                ReadingRole.GATE_VOLTAGE,
                device == 0 || deviceA[device - 1] == 0 ? "0" : Figures.fixed(GATE_V.get(device - 1), 2));
    }

    private TuneSetup setup() {
        return new TuneSetup(
                station,
                amplifier,
                exciter,
                Mode.CW,
                meters,
                load,
                amplifier.bands().get(0),
                amplifier.bands().get(0).lowestHz(),
                School.BIAS,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Customs.of(PLAN)));
    }
}
