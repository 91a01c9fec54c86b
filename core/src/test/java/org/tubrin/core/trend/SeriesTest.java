package org.tubrin.core.trend;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.IntToDoubleFunction;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.linear.SingularValueDecomposition;
import org.testng.annotations.Test;

public class SeriesTest {
    private static final Instant START = Instant.parse("2026-08-25T18:00:00Z");
    private static final int RUNS = 16;
    private static final double SIGMA = 8;

    private static Instant day(int run) {
        return START.plusSeconds(86_400L * 6 * run);
    }

    private static Series series(long seed, IntToDoubleFunction truth) {
        Random random = new Random(seed);
        List<TrendPoint> points = new ArrayList<>();
        for (int run = 0; run < RUNS; run++) {
            points.add(new TrendPoint(day(run), truth.applyAsDouble(run) + SIGMA * random.nextGaussian(), SIGMA));
        }
        return Series.of(Figure.OUTPUT_AT_DRIVE, points);
    }

    @Test
    public void scatterAloneIsSeldomCalledAChange() {
        int called = 0;
        for (int seed = 0; seed < 500; seed++) {
            called += series(seed, run -> 850).changes().isEmpty() ? 0 : 1;
        }
        assertTrue(called <= 2, called + " of 500");
    }

    @Test
    public void aStepIsFoundWithItsDateAndSize() {
        int dated = 0;
        for (int seed = 0; seed < 50; seed++) {
            Series series = series(seed, run -> run < 10 ? 850 : 799);
            assertTrue(!series.changes().isEmpty(), "seed " + seed);
            Change change = series.changes().get(0);
            assertTrue(
                    Math.abs(change.size() + 51) < 4 * change.sizeUncertainty() + 25, "seed " + seed + ": " + change);
            if (change.kind() == Change.Kind.STEP
                    && change.after().equals(day(9))
                    && change.before().equals(day(10))) {
                dated++;
            }
        }
        assertTrue(dated >= 42, dated + " of 50 to the run");
    }

    @Test
    public void aSlowDriftIsTakenForOneAndDatedNearItsOnset() {
        int drifts = 0;
        for (int seed = 0; seed < 50; seed++) {
            Series series = series(seed, run -> 850 - 12 * Math.max(0, run - 6));
            assertTrue(!series.changes().isEmpty(), "seed " + seed);
            Change change = series.changes().get(0);
            boolean near = Math.abs((change.before().getEpochSecond() - day(7).getEpochSecond()) / 86_400.0) <= 18;
            if (change.kind() == Change.Kind.DRIFT && near && Math.abs(change.size() + 108) < 40) {
                drifts++;
            }
        }
        assertTrue(drifts >= 40, drifts + " of 50");
    }

    @Test
    public void aDriftAndAStepUponItAreTold() {
        int both = 0;
        for (int seed = 0; seed < 50; seed++) {
            Series series = series(seed, run -> 850 - 8 * Math.max(0, run - 4) - (run >= 12 ? 60 : 0));
            both += series.changes().size() >= 2 ? 1 : 0;
        }
        assertTrue(both >= 30, both + " of 50");
    }

    @Test
    public void fewRunsAreNoGroundToStandOn() {
        List<TrendPoint> points = new ArrayList<>();
        for (int run = 0; run < 5; run++) {
            points.add(new TrendPoint(day(run), run < 3 ? 850 : 500, SIGMA));
        }
        assertEquals(Series.of(Figure.OUTPUT_AT_DRIVE, points).changes(), List.of());
    }

    @Test
    public void theOrderOfTheRunsDoesNotMatter() {
        Series series = series(3, run -> run < 8 ? 850 : 800);
        List<TrendPoint> shuffled = new ArrayList<>(series.points());
        java.util.Collections.shuffle(shuffled, new Random(1));
        assertEquals(Series.of(Figure.OUTPUT_AT_DRIVE, shuffled), series);
    }

    @Test
    public void whatOneMoreShapeGainsIsWhatAWholeFitWithItLeavesLess() {
        Random random = new Random(5);
        for (int trial = 0; trial < 200; trial++) {
            int n = 8 + random.nextInt(60);
            double[] day = new double[n];
            double[] value = new double[n];
            for (int i = 0; i < n; i++) {
                day[i] = i == 0 ? 0 : day[i - 1] + 10 * random.nextDouble();
                value[i] = 800 + 20 * random.nextGaussian();
            }
            double[][] base = new double[random.nextInt(3)][];
            for (int k = 0; k < base.length; k++) {
                base[k] = column(day, 2 + random.nextInt(n - 4), random.nextBoolean());
            }
            int onset = 2 + random.nextInt(n - 4);
            boolean drift = random.nextBoolean();
            double[][] more = java.util.Arrays.copyOf(base, base.length + 1);
            more[base.length] = column(day, onset, drift);
            double gain = new StepwiseFit(day, value, base)
                    .gain(onset, drift ? OptionalDouble.of(day[onset - 1]) : OptionalDouble.empty());
            double before = leastSquares(value, base);
            assertEquals(gain, before - leastSquares(value, more), 1e-6 * before, "trial " + trial);
        }
    }

    private static double[] column(double[] day, int onset, boolean drift) {
        double[] column = new double[day.length];
        for (int i = onset; i < day.length; i++) {
            column[i] = drift ? day[i] - day[onset - 1] : 1;
        }
        return column;
    }

    /** Returns what a fit by singular values leaves: another way than that of what is tested. */
    private static double leastSquares(double[] value, double[][] columns) {
        double[][] design = new double[value.length][columns.length + 1];
        for (int i = 0; i < value.length; i++) {
            design[i][0] = 1;
            for (int k = 0; k < columns.length; k++) {
                design[i][k + 1] = columns[k][i];
            }
        }
        RealMatrix matrix = new Array2DRowRealMatrix(design, false);
        RealVector right = new ArrayRealVector(value);
        RealVector found = new SingularValueDecomposition(matrix).getSolver().solve(right);
        return Math.pow(right.subtract(matrix.operate(found)).getNorm(), 2);
    }

    @Test
    public void aLifetimeOfRunsIsSearchedWhole() {
        int runs = 100_000;
        Random random = new Random(8);
        List<TrendPoint> points = new ArrayList<>();
        for (int run = 0; run < runs; run++) {
            double truth = run < 40_000 ? 850 : run < 90_000 ? 830 : 842;
            points.add(new TrendPoint(START.plusSeconds(3600L * run), truth + SIGMA * random.nextGaussian(), SIGMA));
        }
        Series series = Series.of(Figure.OUTPUT_AT_DRIVE, points);
        assertEquals(series.changes().stream().map(Change::kind).toList(), List.of(Change.Kind.STEP, Change.Kind.STEP));
        assertEquals(
                series.changes().get(0).size(), -20, 4 * series.changes().get(0).sizeUncertainty());
        assertEquals(
                series.changes().get(1).size(), 12, 4 * series.changes().get(1).sizeUncertainty());
        Series.Drawn drawn = series.drawn(400);
        assertEquals(drawn.points().size(), 400);
        assertEquals(drawn.runs(), 250);
        assertEquals(drawn.points().get(20).value(), 850, 2);
        assertEquals(drawn.line().get(399), 842, 1);
    }

    @Test
    public void aShortSeriesIsDrawnRunByRun() {
        Series series = series(3, run -> 850);
        assertEquals(series.drawn(RUNS).points(), series.points());
        assertEquals(series.drawn(RUNS - 1).points().size(), RUNS / 2);
    }
}
