package org.tubrin.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVRecord;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Conditions;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preflight;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ChartRow;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;

/** Plays a table of readings as a run of events, at the pace of an operator. */
record DemoClimb(Station station, Amplifier amplifier, Exciter exciter, List<Meter> meters, Termination termination) {
    private static final Duration KEY_DOWN = Duration.ofMillis(4200);
    private static final Duration BETWEEN = Duration.ofSeconds(25);
    private static final Duration WARM_BEFORE = Duration.ofMinutes(10);
    private static final double CHANGED_OVER_FROM_W = 35;
    private static final double SECOND_SHOWS = 1.05;
    private static final double PLACE_SHOWS = 1.003;
    private static final long EYE_W = 5;

    /**
     * One step as it was read; texts as typed.
     *
     * @param wantedW what a carrier that stands long is to have, in watts; empty of a climb for speech and CW
     */
    record Row(
            Band band,
            double frequencyHz,
            String drive,
            String plate,
            String load,
            String output,
            String plateCurrent,
            String gridCurrent,
            String plateVoltage,
            Optional<String> reflected,
            String range,
            Optional<Double> wantedW) {
        static Row of(CSVRecord row) {
            return new Row(
                    Band.valueOf(row.get("band")),
                    Double.parseDouble(row.get("frequencyMHz")) * 1e6,
                    row.get("drive"),
                    row.get("plate"),
                    row.get("load"),
                    row.get("output"),
                    row.get("plateCurrent"),
                    row.get("gridCurrent"),
                    row.get("plateVoltage"),
                    Optional.empty(),
                    row.get("range"),
                    Optional.of("wanted").filter(row::isSet).map(row::get).map(Double::valueOf));
        }
    }

    List<Recorded> events(List<Row> rows, Instant start, boolean finished, Conditions conditions) {
        Player player = new Player(start);
        TuneSetup setup = setup(rows.get(0));
        player.does(new RunEvent.Started(setup));
        boolean warm = false;
        for (Check check : Preflight.of(setup)) {
            if (!warm && check.moment() != Check.Moment.COLD) {
                player.does(new RunEvent.Warm(start.minus(WARM_BEFORE)));
                warm = true;
            }
            player.does(new RunEvent.Checked(check));
        }
        if (!conditions.equals(Conditions.NONE)) {
            player.does(new RunEvent.ConditionsNoted(conditions));
        }
        for (Row row : rows) {
            step(row, player);
        }
        if (finished) {
            Replay.of(player.events).closingChecks().forEach(check -> player.does(new RunEvent.Checked(check)));
            player.does(new RunEvent.Finished());
        }
        return player.events;
    }

    private TuneSetup setup(Row row) {
        Band band = row.band();
        ChartRow chart = amplifier.chartRow(band).orElseThrow();
        return new TuneSetup(
                station,
                amplifier,
                exciter,
                Mode.CW,
                meters,
                termination,
                band,
                row.frequencyHz(),
                School.PEAK_THEN_HEAVIER,
                new Preset(chart.plate(), chart.load(), Preset.Source.CHART),
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                row.wantedW()
                        .map(wanted ->
                                Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(wanted))));
    }

    private void step(Row row, Player player) {
        player.does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, row.range()));
        player.does(dial(Control.LOAD, row.load()));
        player.does(dial(Control.DRIVE, row.drive()));
        player.does(new RunEvent.Keyed());
        player.waits(KEY_DOWN);
        player.does(new RunEvent.Unkeyed());
        player.does(dial(Control.PLATE, row.plate()));
        player.reads(ReadingRole.OUTPUT, row.output());
        if (player.hasSecond()) {
            beside(row, player);
        }
        player.reads(ReadingRole.PLATE_CURRENT, row.plateCurrent());
        player.reads(ReadingRole.GRID_CURRENT, row.gridCurrent());
        player.reads(ReadingRole.PLATE_VOLTAGE, row.plateVoltage());
        row.reflected().ifPresent(text -> player.reads(ReadingRole.REFLECTED, text));
        player.waits(BETWEEN);
        player.does(new RunEvent.StepRecorded());
    }

    /** A second wattmeter, in the other's place from some drive on. */
    private static void beside(Row row, Player player) {
        boolean changedOver = Double.parseDouble(row.drive()) >= CHANGED_OVER_FROM_W;
        player.does(dial(Control.WATTMETERS, changedOver ? "1" : "0"));
        double shown = Double.parseDouble(row.output()) * SECOND_SHOWS * (changedOver ? 1 / PLACE_SHOWS : PLACE_SHOWS);
        player.reads(ReadingRole.OTHER_OUTPUT, Long.toString(Math.round(shown / EYE_W) * EYE_W));
    }

    private static RunEvent dial(Control control, String text) {
        return new RunEvent.DialMoved(control, text, Double.parseDouble(text));
    }

    private static final class Player {
        private final List<Recorded> events = new ArrayList<>();
        private Instant now;

        Player(Instant start) {
            now = start;
        }

        void waits(Duration time) {
            now = now.plus(time);
        }

        void does(RunEvent event) {
            if (!events.isEmpty()) {
                var refusals = Admission.refusals(Replay.of(events), event, now);
                if (!refusals.isEmpty()) {
                    throw new IllegalStateException("the demo does what a run refuses: " + refusals);
                }
            }
            events.add(new Recorded(events.size() + 1L, now, event));
        }

        boolean hasSecond() {
            return Replay.of(events)
                    .setup()
                    .channelFor(ReadingRole.OTHER_OUTPUT)
                    .isPresent();
        }

        void reads(ReadingRole role, String text) {
            var state = Replay.of(events);
            Channel channel = state.setup().channelFor(role).orElseThrow();
            double value = Double.parseDouble(text) * channel.scaleUnit().inUnit();
            String instrument = state.setup().meterFor(role).orElseThrow().name();
            String range = state.ranges().getOrDefault(role, "");
            does(new RunEvent.ReadingTaken(new Reading(role, text, value, instrument, range), false));
        }
    }
}
