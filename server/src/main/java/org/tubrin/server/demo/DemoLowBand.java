package org.tubrin.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.resonance.ResonancePlan;
import org.tubrin.core.resonance.Weather;
import org.tubrin.core.resonance.Witness;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.server.words.Figures;

/** Makes the demo's runs on 472 kHz: power by supply volts with all modules and with one less, and a day of rain at the antenna. */
record DemoLowBand(Station station, Amplifier amplifier, Exciter exciter) {
    private static final int MOST_MOVES = 4000;
    private static final Duration HAND = Duration.ofSeconds(8);
    private static final Duration READ = Duration.ofSeconds(6);
    private static final Duration SEND = Duration.ofSeconds(100);
    private static final double SHARE = 0.96;
    private static final double EFFICIENCY = 0.915;
    private static final double DAY_S = 8.5 * 3600;
    private static final double RAIN_FROM_S = 2.3 * 3600;
    private static final double RAIN_TO_S = 5.2 * 3600;
    private static final double WET_STEPS = -9;
    private static final double DRIES_S = 5400;
    private static final double TANGENT_PER_STEP = 0.062;
    private static final double GUST = 0.022;
    private static final double STRONG_GUST = 0.06;
    private static final double DEGREES_PER_DIVISION = 10;
    private static final long SEED = 472;

    /** Returns the events of a table by supply volts, finished. */
    List<Recorded> table(int modules, List<Meter> meters, Termination load, Instant start) {
        Stage.Switching stage = (Stage.Switching) amplifier.stage();
        List<Recorded> events = new ArrayList<>();
        DemoPlayer player = new DemoPlayer(events, start);
        player.does(
                new RunEvent.Started(setup(School.SUPPLY_TABLE, meters, load, Customs.CUSTOMARY.withModules(modules))));
        double sinkC = station.ambientC();
        for (int i = 0; i < MOST_MOVES && player.state().ending().isEmpty(); i++) {
            RunState state = player.state();
            Advice advice = NextMove.of(state, player.now());
            if (advice.move() instanceof Move.KeyAndRead) {
                double volts = state.draft().position(Control.SUPPLY).orElseThrow();
                double ofAll = (double) modules / stage.moduleCount();
                double watt = SHARE * amplifier.ratedOutputW() * Math.pow(volts / stage.mostSupplyDcV() * ofAll, 2);
                double heatW = watt * (1 / EFFICIENCY - 1);
                sinkC += 0.1 * heatW * stage.sinkKPerW().orElse(0.0);
                player.does(new RunEvent.Keyed());
                player.waits(READ);
                player.reads(ReadingRole.OUTPUT, Figures.fixed(watt, 1));
                player.reads(ReadingRole.SUPPLY_CURRENT, Figures.fixed(watt / EFFICIENCY / volts, 2));
                player.reads(ReadingRole.SUPPLY_VOLTAGE, Figures.fixed(volts, 2));
                player.reads(ReadingRole.HEAT_SINK, Figures.fixed(sinkC, 0));
                player.does(new RunEvent.Unkeyed());
            } else {
                Following.events(advice, player.now()).forEach(player::does);
            }
            player.waits(HAND);
        }
        return events;
    }

    /** Returns the events of a day at an antenna: dry, then rain, then wind and drying. */
    List<Recorded> day(Meter phase, Termination antenna, Instant start) {
        Random random = new Random(SEED);
        List<Recorded> events = new ArrayList<>();
        DemoPlayer player = new DemoPlayer(events, start);
        player.does(new RunEvent.Started(
                setup(School.RESONANCE, List.of(phase), antenna, Customs.of(new ResonancePlan(Witness.PHASE, 50)))));
        List<Weather> told = new ArrayList<>();
        for (int i = 0; i < MOST_MOVES && player.state().ending().isEmpty(); i++) {
            double second = Duration.between(start, player.now()).toSeconds();
            Weather weather = weather(second);
            if (told.isEmpty() || told.get(told.size() - 1) != weather) {
                told.add(weather);
                player.does(new RunEvent.WeatherNoted(weather));
            }
            RunState state = player.state();
            Advice advice = NextMove.of(state, player.now());
            if (second > DAY_S && !state.isKeyed()) {
                player.does(new RunEvent.Finished());
            } else if (advice.move() instanceof Move.LeaveAlone alone) {
                if (state.isKeyed()) {
                    player.waits(SEND);
                    player.does(new RunEvent.Unkeyed());
                } else {
                    player.waits(Duration.ofSeconds(1 + Math.round(alone.leftS())));
                }
            } else if (advice.move() instanceof Move.KeyAndRead) {
                player.does(new RunEvent.Keyed());
            } else if (advice.move() instanceof Move.ReadOff) {
                double motor = state.draft().position(Control.MOTOR).orElse(0.0);
                double gust = (weather == Weather.WIND ? STRONG_GUST : GUST) * random.nextGaussian();
                double tangent = TANGENT_PER_STEP * (motor - resonance(second)) + gust;
                player.reads(
                        ReadingRole.PHASE, Figures.fixed(Math.toDegrees(Math.atan(tangent)) / DEGREES_PER_DIVISION, 2));
            } else {
                Following.events(advice, player.now()).forEach(player::does);
            }
            player.waits(state.isKeyed() ? READ : HAND);
        }
        return events;
    }

    private static Weather weather(double second) {
        return second < RAIN_FROM_S ? Weather.DRY : second < RAIN_TO_S ? Weather.RAIN : Weather.WIND;
    }

    /** Rain wets wire and ground within an hour or two; they dry more slowly. */
    private static double resonance(double second) {
        double wet = second < RAIN_FROM_S ? 0 : 1 - Math.exp(-(Math.min(second, RAIN_TO_S) - RAIN_FROM_S) / DRIES_S);
        double dried = second > RAIN_TO_S ? Math.exp(-(second - RAIN_TO_S) / (2 * DRIES_S)) : 1;
        return 3 + WET_STEPS * wet * dried;
    }

    private TuneSetup setup(School school, List<Meter> meters, Termination end, Customs customs) {
        return new TuneSetup(
                station,
                amplifier,
                exciter,
                Mode.CW,
                meters,
                end,
                Band.KHZ_472,
                475.6e3,
                school,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(customs));
    }
}
