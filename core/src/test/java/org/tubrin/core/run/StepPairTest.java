package org.tubrin.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.metering.ReadingRole;

public class StepPairTest {
    private static List<Step> steps(double outputW, double gridA, double lastDriveW) {
        return new Climber(Sample.setup())
                .isReady()
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .steps(lastDriveW, 5.09, 4.5, outputW - 10, 0.57, gridA, 2489)
                .steps(lastDriveW, 5.09, 5, outputW, 0.5757, gridA, 2489)
                .state()
                .steps();
    }

    @Test
    public void stepsPairByTheirDriveAndTheLastOfEachCounts() {
        List<StepPair> pairs = StepPair.of(steps(874, 0.149, 70), steps(820, 0.149, 72));
        assertEquals(pairs.size(), 2);
        StepPair full = pairs.get(1);
        assertEquals(
                full.difference(ReadingRole.OUTPUT).orElseThrow().value().value(), -54, 1e-9, "874 to 820, not 864");
        assertEquals(StepPair.of(steps(874, 0.149, 70), steps(874, 0.149, 50)).size(), 3, "50 W stands alone");
    }

    @Test
    public void oneMetersClassFallsOutOfADifferenceButNotTheEye() {
        StepPair pair =
                StepPair.of(steps(874, 0.149, 70), steps(820, 0.150, 70)).get(1);
        StepPair.Difference output = pair.difference(ReadingRole.OUTPUT).orElseThrow();
        assertTrue(output.beyond(), "54 W on one meter, though its class is 43 W");
        assertEquals(output.value().standardUncertainty(), 0.003 * 1500 * Math.sqrt(2), 1e-9);
        assertFalse(pair.difference(ReadingRole.GRID_CURRENT).orElseThrow().beyond(), "1 mA is the eye");
    }
}
