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
import org.tubrin.core.alc.LevelLaw;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.metering.ReadingRole;
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
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.server.words.Figures;

/** Makes the demo's runs by levels: an exciter that follows its law, tried by the next move. */
record DemoAlc(Station station, Amplifier bypassed, Termination load) {
    private static final int MOST_MOVES = 400;
    private static final Duration KEY_DOWN = Duration.ofSeconds(3);
    private static final Duration BETWEEN = Duration.ofSeconds(9);

    /**
     * One run.
     *
     * @param exciter with the firmware of that day
     * @param meters wattmeter and gauge
     * @param mode of the sound
     * @param path tried
     * @param law at the middle tone and the set power
     * @param shows what the gauge shows
     * @param tones by how much the knee lies elsewhere at the low and at the high tone
     */
    record Try(
            Exciter exciter,
            List<Meter> meters,
            Mode mode,
            SoundPath path,
            LevelLaw law,
            LevelLaw.Shows shows,
            List<Double> tones) {
        LevelLaw at(double setW, double toneHz) {
            double tone = toneHz == path.lowHz() ? tones.get(0) : toneHz == path.highHz() ? tones.get(1) : 1;
            double power = setW == path.otherPowerW() ? 0.985 : 1;
            return new LevelLaw(law.kneeLevel() * tone * power, law.powerShare());
        }
    }

    private static final double NARROW_HZ = 160;

    /** Returns the events of a run, finished. */
    List<Recorded> events(Try one, Instant start) {
        List<Recorded> events = new ArrayList<>();
        DemoPlayer player = new DemoPlayer(events, start);
        player.does(new RunEvent.Started(setup(one)));
        for (int i = 0; i < MOST_MOVES && player.state().ending().isEmpty(); i++) {
            RunState state = player.state();
            Advice advice = NextMove.of(state, player.now());
            if (advice.move() instanceof Move.KeyAndRead) {
                key(player, one, state);
            } else {
                Following.events(advice, player.now()).forEach(player::does);
            }
            player.waits(advice.move() instanceof Move.Rest ? BETWEEN : Duration.ofSeconds(4));
        }
        return events;
    }

    private TuneSetup setup(Try one) {
        return new TuneSetup(
                station,
                bypassed,
                one.exciter(),
                one.mode(),
                one.meters(),
                load,
                Band.MHZ_7,
                7.1e6,
                School.ALC,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryForLevels(bypassed.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Customs.of(one.path())));
    }

    private static void key(DemoPlayer player, Try one, RunState state) {
        double setW = at(state, Control.DRIVE);
        double level = at(state, Control.LEVEL);
        LevelLaw law = one.at(setW, at(state, Control.TONE));
        boolean down = state.lastStep()
                .filter(last -> last.position(Control.DRIVE).equals(Optional.of(setW))
                        && last.position(Control.LEVEL).orElse(0.0) > level)
                .isPresent();
        player.does(new RunEvent.Keyed());
        player.waits(KEY_DOWN);
        player.reads(ReadingRole.OUTPUT, Figures.fixed(law.outputW(setW, level), 2));
        player.reads(ReadingRole.ALC_GAUGE, Figures.plain(law.gauge(one.shows(), level, down ? 1 : 0), 1));
        if (state.setup().channelFor(ReadingRole.SIGNAL_WIDTH).isPresent()) {
            player.reads(ReadingRole.SIGNAL_WIDTH, Figures.plain(law.widthHz(level, NARROW_HZ), 0));
        }
        player.does(new RunEvent.Unkeyed());
    }

    private static double at(RunState state, Control control) {
        return state.draft().position(control).orElseThrow();
    }
}
