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
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TransistorPoint;
import org.tubrin.core.twin.TransistorTwin;
import org.tubrin.server.words.Figures;

/** Drive tables of the demo: somebody does what the next move says, with meters that show what the record's twin gives. */
final class DemoDrive {
    private static final Duration KEY_DOWN = Duration.ofSeconds(4);
    private static final Duration BETWEEN = Duration.ofSeconds(25);
    private static final int MOST_MOVES = 80;
    private static final double EXCITER_SHOWS = 0.96;

    private final Station station;
    private final Amplifier amplifier;
    private final Exciter exciter;
    private final List<Meter> meters;
    private final Termination termination;
    private final TransistorTwin twin;

    DemoDrive(Station station, Amplifier amplifier, Exciter exciter, List<Meter> meters, Termination termination) {
        this.station = station;
        this.amplifier = amplifier;
        this.exciter = exciter;
        this.meters = meters;
        this.termination = termination;
        twin = TransistorTwin.of(amplifier).orElseThrow();
    }

    /**
     * One table.
     *
     * @param band where
     * @param tripsAboveW drive beyond which it trips, in watts at the input
     * @param mostRows after which it is left
     * @param outputShare what comes out of what should
     */
    record Table(Band band, double tripsAboveW, int mostRows, double outputShare) {}

    /** Returns the events of a table, finished, or left where it has its rows. */
    List<Recorded> events(Table table, Instant start) {
        List<Recorded> events = new ArrayList<>();
        DemoPlayer player = new DemoPlayer(events, start);
        player.does(new RunEvent.Started(setup(table.band())));
        for (int i = 0; i < MOST_MOVES && player.state().ending().isEmpty(); i++) {
            RunState state = player.state();
            if (state.steps().size() >= table.mostRows()) {
                player.does(new RunEvent.Abandoned(""));
                break;
            }
            Advice advice = NextMove.of(state, player.now());
            if (advice.move() instanceof Move.KeyAndRead) {
                key(player, table);
            } else {
                Following.events(advice, player.now()).forEach(player::does);
            }
            player.waits(advice.move() instanceof Move.Rest ? BETWEEN : Duration.ofSeconds(5));
        }
        return events;
    }

    private TuneSetup setup(Band band) {
        return new TuneSetup(
                station,
                amplifier,
                exciter,
                Mode.CW,
                meters,
                termination,
                band,
                Math.rint((band.lowestHz() + 0.3 * (band.highestHz() - band.lowestHz())) / 5e3) * 5e3,
                School.DRIVE_TABLE,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Customs.CUSTOMARY));
    }

    private void key(DemoPlayer player, Table table) {
        RunState state = player.state();
        double driveW = EXCITER_SHOWS * state.draft().position(Control.DRIVE).orElseThrow();
        player.does(new RunEvent.Keyed());
        player.waits(KEY_DOWN);
        if (driveW > table.tripsAboveW()) {
            player.does(new RunEvent.Unkeyed());
            player.does(new RunEvent.SignSeen(SeenSign.TRIP_INPUT));
            return;
        }
        TransistorPoint point = ((Outcome.Settled<TransistorPoint>)
                        twin.at(new Setting(table.band(), state.setup().frequencyHz(), driveW, 0, 0, 50, 0)))
                .point();
        for (ReadingRole role : state.setup().rolesAsked()) {
            player.reads(role, shown(role, point, table.outputShare()));
        }
        player.does(new RunEvent.Unkeyed());
    }

    private String shown(ReadingRole role, TransistorPoint point, double outputShare) {
        return switch (role) {
            case INPUT_POWER -> Figures.fixed(point.driveW(), 2);
            case OUTPUT -> Figures.fixed(outputShare * point.outputW(), point.outputW() < 150 ? 1 : 0);
            case INPUT_SWR -> Figures.fixed(point.inputSwr().orElse(1), 2);
            case SUPPLY_VOLTAGE -> Figures.fixed(point.supplyVoltageDcV() - 0.015 * point.supplyCurrentA(), 2);
            case SUPPLY_CURRENT -> Figures.fixed(point.supplyCurrentA(), 2);
            case HEAT_SINK -> Figures.fixed(24 + 0.04 * point.heatW(), 0);
            case OTHER_OUTPUT,
                    PLATE_CURRENT,
                    GRID_CURRENT,
                    SCREEN_CURRENT,
                    PLATE_VOLTAGE,
                    REFLECTED,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> throw new IllegalStateException("not of transistors: " + role);
        };
    }
}
