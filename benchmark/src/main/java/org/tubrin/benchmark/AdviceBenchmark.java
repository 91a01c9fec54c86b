package org.tubrin.benchmark;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.Control;
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
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Station;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.TubePoint;

/** Time from a saved step to the next move: the run replayed, the twin fitted to its readings, the rules gone through. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 6, time = 1)
@Fork(1)
public class AdviceBenchmark {
    private static final Instant START = Instant.parse("2026-11-06T19:00:00Z");
    private static final double PLATE = 5.09;
    private static final double LOAD = 4.6;

    /** So many climbs, each read a little otherwise, that none is remembered when its turn comes again. */
    private static final int CLIMBS = 300;

    private final List<List<Recorded>> climbs =
            IntStream.range(0, CLIMBS).mapToObj(one -> climb(1 + 1e-4 * one)).toList();

    private int turn;

    /** The next move after four steps with a twin that knows the band, the last of them just recorded. */
    @Benchmark
    public Advice nextMove() {
        turn = (turn + 1) % CLIMBS;
        return next(climbs.get(turn));
    }

    /** The same looked at once more, as between two steps. */
    @Benchmark
    public Advice nextMoveAgain() {
        return next(climbs.get(0));
    }

    private static Advice next(List<Recorded> climb) {
        return NextMove.of(Replay.of(climb), climb.get(climb.size() - 1).at());
    }

    private static List<Recorded> climb(double times) {
        List<Recorded> climb = new ArrayList<>();
        TuneSetup setup = setup();
        add(climb, new RunEvent.Started(setup));
        Preflight.of(setup).forEach(check -> add(climb, new RunEvent.Checked(check)));
        add(climb, new RunEvent.Warm(START.minusSeconds(600)));
        for (double driveW : new double[] {4.4, 8.8, 17.5, 35}) {
            TubePoint point = ((Outcome.Settled<TubePoint>) Stages.TWIN.at(Stages.at(driveW, PLATE, LOAD))).point();
            TubePoint.Meters meters = point.meters();
            dial(climb, Control.LOAD, LOAD);
            dial(climb, Control.DRIVE, driveW);
            add(climb, new RunEvent.Keyed());
            dial(climb, Control.PLATE, PLATE);
            add(climb, new RunEvent.Unkeyed());
            read(climb, setup, ReadingRole.OUTPUT, times * point.outputW());
            read(climb, setup, ReadingRole.PLATE_CURRENT, meters.plateCurrentA());
            read(climb, setup, ReadingRole.GRID_CURRENT, meters.gridCurrentA());
            read(climb, setup, ReadingRole.PLATE_VOLTAGE, meters.plateVoltageDcV());
            add(climb, new RunEvent.StepRecorded());
        }
        return climb;
    }

    private static void add(List<Recorded> climb, RunEvent event) {
        climb.add(new Recorded(climb.size() + 1L, START.plusSeconds(4L * climb.size()), event));
    }

    private static void dial(List<Recorded> climb, Control control, double to) {
        add(climb, new RunEvent.DialMoved(control, Double.toString(to), to));
    }

    private static void read(List<Recorded> climb, TuneSetup setup, ReadingRole role, double value) {
        Channel channel = setup.channelFor(role).orElseThrow();
        String meter = setup.meterFor(role).orElseThrow().name();
        String range = channel.ranges().get(channel.ranges().size() - 1).name();
        String text = Double.toString(value / channel.scaleUnit().inUnit());
        add(climb, new RunEvent.ReadingTaken(new Reading(role, text, value, meter, range), false));
    }

    private static TuneSetup setup() {
        Amplifier amplifier = new Amplifier(
                "Brigantine",
                Stages.TWIN.tubes(),
                70,
                900,
                Optional.empty(),
                List.of(Band.MHZ_7),
                List.of(),
                Optional.empty(),
                Optional.of(Stages.TWIN.constants()),
                Optional.empty(),
                Optional.empty());
        List<Meter> meters = List.of(
                new Meter("Fathom", List.of(channel(ReadingRole.OUTPUT, ScaleUnit.W, 1500))),
                new Meter(
                        "Panel",
                        List.of(
                                channel(ReadingRole.PLATE_CURRENT, ScaleUnit.A, 1),
                                channel(ReadingRole.GRID_CURRENT, ScaleUnit.MA, 0.35),
                                channel(ReadingRole.PLATE_VOLTAGE, ScaleUnit.KV, 4000))));
        return new TuneSetup(
                new Station("Skerry Point", "Q1TUB", 1000, 20, Optional.empty()),
                amplifier,
                new Exciter(
                        "Halyard",
                        0.01,
                        100,
                        0.05,
                        0.03,
                        List.of(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()),
                org.tubrin.core.station.Mode.CW,
                meters,
                new Load("Ballast", 50, 1500, Optional.empty()),
                Band.MHZ_7,
                7.1e6,
                School.PEAK_THEN_HEAVIER,
                new Preset(PLATE, LOAD, Preset.Source.TWIN),
                TuneSettings.customaryFor(Stages.TWIN.tubes()),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static Channel channel(ReadingRole role, ScaleUnit unit, double fullScale) {
        return new Channel(
                role,
                unit,
                List.of(new MeterRange("one", fullScale)),
                new Accuracy.OfFullScale(0.03),
                Indication.AVERAGE,
                1,
                Optional.empty());
    }
}
