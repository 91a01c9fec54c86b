package org.tubrin.core.quantity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.budget.Verdict;

/** What is said with ± holds in 95 of 100 cases, tried with errors as meters have them. */
public class CoverageTest {
    private static final int TRIALS = 200_000;
    /** Four standard deviations of a share of 95 % in so many trials. */
    private static final double BY_CHANCE = 4 * Math.sqrt(0.95 * 0.05 / TRIALS);

    /** Standard uncertainties of errors within a bound, and of normal ones. */
    @DataProvider
    public Object[][] mixed() {
        return new Object[][] {
            {new double[] {1}, new double[0]},
            {new double[] {1}, new double[] {0.2}},
            {new double[] {1}, new double[] {0.5}},
            {new double[] {1}, new double[] {1}},
            {new double[] {1}, new double[] {3}},
            {new double[] {1, 0.3}, new double[] {0.2}},
            {new double[] {1, 1}, new double[0]},
            {new double[] {1, 1, 1}, new double[] {0.5}},
            {new double[0], new double[] {1, 2}},
        };
    }

    private static Quantity of(double value, double[] bounded, double[] normal) {
        Map<ErrorSource, Double> shares = new LinkedHashMap<>();
        for (int i = 0; i < bounded.length; i++) {
            shares.put(ErrorSource.bounded("meter " + i, "OUTPUT", ""), bounded[i]);
        }
        for (int i = 0; i < normal.length; i++) {
            shares.put(new ErrorSource("eye " + i, "OUTPUT", ""), normal[i]);
        }
        return new Quantity(value, Unit.WATT, Standing.MEASURED, shares);
    }

    private static double error(Random random, double[] bounded, double[] normal) {
        double error = 0;
        for (double one : bounded) {
            error += one * Math.sqrt(3) * (2 * random.nextDouble() - 1);
        }
        for (double one : normal) {
            error += one * random.nextGaussian();
        }
        return error;
    }

    @Test(dataProvider = "mixed")
    public void theIntervalHolds(double[] bounded, double[] normal) {
        Random random = new Random(1);
        double half = of(100, bounded, normal).halfWidth95();
        int held = 0;
        for (int i = 0; i < TRIALS; i++) {
            held += Math.abs(error(random, bounded, normal)) <= half ? 1 : 0;
        }
        boolean isExact = bounded.length <= 1;
        double share = (double) held / TRIALS;
        assertEquals(share, 0.95, isExact ? BY_CHANCE : 0.01, "held in " + share);
        assertTrue(share > (isExact ? 0.95 - BY_CHANCE : 0.945), "too narrow: " + share);
    }

    /** At the limit itself, "within" and "exceeds" are each wrong in one case of forty. */
    @Test(dataProvider = "mixed")
    public void aVerdictIsSeldomWrongAtTheLimit(double[] bounded, double[] normal) {
        Random random = new Random(2);
        int within = 0;
        int beyond = 0;
        for (int i = 0; i < TRIALS; i++) {
            double read = 100 + error(random, bounded, normal);
            Verdict verdict = Verdict.of(of(read, bounded, normal), 100);
            within += verdict == Verdict.WITHIN ? 1 : 0;
            beyond += verdict == Verdict.EXCEEDS ? 1 : 0;
        }
        assertTrue(within < (0.025 + BY_CHANCE) * TRIALS, within + " within");
        assertTrue(beyond < (0.025 + BY_CHANCE) * TRIALS, beyond + " beyond");
    }

    @Test
    public void aSingleBoundIsNearlyReached() {
        assertEquals(of(100, new double[] {1}, new double[0]).halfWidth95(), 0.95 * Math.sqrt(3), 1e-12);
        assertEquals(of(100, new double[0], new double[] {1}).halfWidth95(), 1.96, 1e-12);
        assertEquals(Quantity.exact(1, Unit.WATT, Standing.MEASURED).halfWidth95(), 0, 0);
    }
}
