package org.tubrin.benchmark;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.tubrin.core.twin.GroundMap;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;

/** Time per answer of the twin. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 6, time = 1)
@Fork(1)
public class TwinBenchmark {
    private static final double[] PLATES = GroundMap.axis(4.4, 5.8, 121);
    private static final double[] LOADS = GroundMap.axis(0, 10, 121);
    private static final double[] PAGE_PLATES = GroundMap.axis(4.4, 5.8, 57);
    private static final double[] PAGE_LOADS = GroundMap.axis(0, 10, 61);
    private Probe probe = Stages.TWIN.probe(Stages.at(70, 5.1, 4.4)).orElseThrow();
    private int turn;

    @Setup
    public void prepare() {
        probe = Stages.TWIN.probe(Stages.at(70, 5.1, 4.4)).orElseThrow();
    }

    /** A point found from nothing. */
    @Benchmark
    public double coldPoint() {
        turn++;
        probe.forget();
        return settled(5.0 + 0.002 * (turn % 100), 3 + 0.02 * (turn % 150));
    }

    /** A point found from a neighbour a fiftieth of a mark away, as while a knob is turned. */
    @Benchmark
    public double warmPoint() {
        turn++;
        int there = turn % 100;
        return settled(5.0 + 0.002 * Math.abs(50 - there), 4 + 0.02 * Math.abs(50 - there));
    }

    /** As large as the page draws it, 57 × 61 points, two threads. */
    @Benchmark
    public Object mapOnThePage() {
        return GroundMap.of(Stages.TWIN, Stages.at(70, 5.1, 4.4), PAGE_PLATES, PAGE_LOADS, 2)
                .orElseThrow();
    }

    /** 121 × 121 points, one thread. */
    @Benchmark
    public Object mapOneThread() {
        return GroundMap.of(Stages.TWIN, Stages.at(70, 5.1, 4.4), PLATES, LOADS, 1)
                .orElseThrow();
    }

    /** 121 × 121 points, two threads. */
    @Benchmark
    public Object mapTwoThreads() {
        return GroundMap.of(Stages.TWIN, Stages.at(70, 5.1, 4.4), PLATES, LOADS, 2)
                .orElseThrow();
    }

    /** Both dials for most output. */
    @Benchmark
    public Outcome<Peak> optimum() {
        return PeakSearch.most(probe, 70);
    }

    /** Third and fifth products of two tones. */
    @Benchmark
    public Outcome<Linearity> twoTone() {
        return Linearity.of(Stages.TWIN, Stages.at(70, 5.093, 5.041));
    }

    private double settled(double plate, double load) {
        if (!probe.settle(70, plate, load)) {
            throw new IllegalStateException("unsettled at " + plate + ", " + load);
        }
        return probe.outputW();
    }
}
