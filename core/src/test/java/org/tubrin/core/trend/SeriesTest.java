package org.tubrin.core.trend;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.IntToDoubleFunction;
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
}
