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
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
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
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.server.words.Figures;

/** Makes the demo's runs that tune a matcher: one with its power amplifier left on, which the first key-down shows. */
record DemoMatcher(Station station, Amplifier amplifier, Exciter exciter, List<Meter> meters) {
    private static final int MOST_MOVES = 200;
    private static final Duration KEY_DOWN = Duration.ofSeconds(4);
    private static final Duration HAND = Duration.ofSeconds(8);
    private static final double GAIN = 17.5;
    private static final double THROUGH = 0.94;
    private static final double MATCHED = 1.18;
    private static final double AMPLIFYING = 1.14;

    /**
     * One run.
     *
     * @param into an antenna, or a known load
     * @param bypassedSwr what the meter shows of it at little power, which is too much
     * @param leftOn whether the power amplifier was on when it began
     */
    record Try(Termination into, double bypassedSwr, boolean leftOn) {}

    /** Returns the events of a run, finished. */
    List<Recorded> events(Try one, Instant start) {
        List<Recorded> events = new ArrayList<>();
        DemoPlayer player = new DemoPlayer(events, start);
        player.does(new RunEvent.Started(setup(one.into())));
        boolean isOn = one.leftOn();
        for (int i = 0; i < MOST_MOVES && player.state().ending().isEmpty(); i++) {
            RunState state = player.state();
            Advice advice = NextMove.of(state, player.now());
            if (advice.move() instanceof Move.Turn turn && turn.control() == Control.POWER_AMPLIFIER) {
                isOn = turn.to() > 0;
            }
            if (advice.move() instanceof Move.KeyAndRead) {
                key(player, one, isOn, state);
            } else {
                Following.events(advice, player.now()).forEach(player::does);
            }
            player.waits(HAND);
        }
        return events;
    }

    private TuneSetup setup(Termination into) {
        return new TuneSetup(
                station,
                amplifier,
                exciter,
                Mode.CW,
                meters,
                into,
                Band.MHZ_7,
                7.19e6,
                School.MATCHER,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static void key(DemoPlayer player, Try one, boolean isOn, RunState state) {
        double driveW = state.draft().position(Control.DRIVE).orElseThrow();
        boolean isMatched = state.draft().position(Control.MATCHER).orElse(0.0) > 0;
        double swr = isMatched ? MATCHED : one.bypassedSwr();
        player.does(new RunEvent.Keyed());
        player.waits(KEY_DOWN);
        player.reads(ReadingRole.INPUT_POWER, Figures.fixed(driveW, 2));
        player.reads(ReadingRole.OUTPUT, Figures.fixed(driveW * (isOn ? GAIN : THROUGH), 2));
        player.reads(ReadingRole.INPUT_SWR, Figures.fixed(isOn ? AMPLIFYING : swr, 2));
        player.does(new RunEvent.Unkeyed());
    }
}
