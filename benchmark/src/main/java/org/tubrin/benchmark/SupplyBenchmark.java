package org.tubrin.benchmark;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.tubrin.core.hv.Bank;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.hv.Rectifier;
import org.tubrin.core.hv.Spread;
import org.tubrin.core.station.Envelope;
import org.tubrin.core.station.Supply;
import org.tubrin.core.supply.Box;
import org.tubrin.core.supply.CurrentPoint;
import org.tubrin.core.supply.CurrentProfile;
import org.tubrin.core.supply.MainsSide;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.PlanJudgement;
import org.tubrin.core.supply.Stretch;

/** Time to judge a plan, as at each turn of a what-if, and a high-voltage supply. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 6, time = 1)
@Fork(1)
public class SupplyBenchmark {
    private final Plan plan = plan();
    private final HighVoltage highVoltage = new HighVoltage(
            "Brigantine",
            new Rectifier(Rectifier.Circuit.BRIDGE, 1980, 60, 50, 6, 1000, 60),
            new Bank(8, 220e-6, 450, 1e-3, 47e3, 0.05, 10, Optional.empty()),
            0.6,
            230,
            Optional.of(new HighVoltage.SoftStart(22, 500, 1)));

    /** A set, another box, and an hour of slots and overs. */
    private static Plan plan() {
        List<CurrentPoint> points = new ArrayList<>();
        for (double outputW : new double[] {0, 10, 25, 50, 100}) {
            points.add(new CurrentPoint(outputW, 1.2 + 1.98 * Math.sqrt(outputW), 0.1, 0.05 * outputW));
        }
        List<Stretch> pattern = new ArrayList<>();
        for (int minute = 0; minute < 60; minute += 2) {
            Envelope envelope = minute < 30 ? Envelope.slotted() : Envelope.speech();
            pattern.add(new Stretch("Halyard 100", 60.0 * minute, 70, envelope, 100));
        }
        Supply supply = new Supply(
                "Windlass 40",
                Supply.Kind.SWITCHING,
                13.8,
                0.004,
                40,
                40,
                1,
                0.86,
                0.95,
                6,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        return new Plan(
                "An hour",
                supply,
                List.of(
                        Box.Transmitting.customary(new CurrentProfile("Halyard 100", 13.8, 1.2, points)),
                        new Box.Steady("computer", 1.9, Optional.of(3.0), Optional.empty())),
                pattern,
                new Plan.Lead(2.5, 6e-6, 25, 25, 0.004, 0.003),
                new MainsSide.Circuit(230, 16, 0.8, 0),
                2,
                0.3,
                Optional.empty(),
                List.of());
    }

    /** A whole plan. */
    @Benchmark
    public PlanJudgement judgedPlan() {
        return PlanJudgement.of(plan, Optional.empty());
    }

    /** A whole high-voltage supply with what its figures are unsure by: six times its integrators. */
    @Benchmark
    public Spread judgedHighVoltage() {
        return Spread.of(highVoltage);
    }
}
