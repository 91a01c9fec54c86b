package org.tubrin.core.metering;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;

/** A needle that will not stand still is read as people read it. */
public class SeenEntryTest {
    @DataProvider
    public Object[][] seen() {
        return new Object[][] {
            {"70-80", ScaleUnit.MA, 0.07, 0.08},
            {"70–80 mA", ScaleUnit.A, 0.07, 0.08},
            {"70\u202f–\u202f80", ScaleUnit.MA, 0.07, 0.08},
            {"80 to 70", ScaleUnit.MA, 0.07, 0.08},
            {"2.6..2.7", ScaleUnit.KV, 2600, 2700},
            {"2,6 - 2,7 kV", ScaleUnit.V, 2600, 2700},
            {"< 50", ScaleUnit.MA, 0, 0.05},
            {"below 50 mA", ScaleUnit.A, 0, 0.05},
            {"about 400", ScaleUnit.W, 380, 420},
            {"etwa 400", ScaleUnit.W, 380, 420},
            {"70 bis 80", ScaleUnit.MA, 0.07, 0.08},
            {"2,6 a 2,7 kV", ScaleUnit.V, 2600, 2700},
            {"menos de 50", ScaleUnit.MA, 0, 0.05},
            {"~400W", ScaleUnit.W, 380, 420},
        };
    }

    /** Evenly likely from end to end: the standard uncertainty is half of it by the root of 3. */
    @Test(dataProvider = "seen")
    public void betweenTwoEndsAllIsAsLikely(String text, ScaleUnit scale, double low, double high) {
        SeenEntry entry = SeenEntry.parse("reading", text, scale, false);
        assertEquals(entry.value(), (low + high) / 2, 1e-9);
        assertEquals(entry.spread().orElseThrow(), (high - low) / 2 / Math.sqrt(3), 1e-9);
        Reading reading = new Reading(
                ReadingRole.OUTPUT, text, entry.value(), "Fathom", "1.5 kW", entry.spread(), OptionalDouble.empty());
        SeenEntry again = SeenEntry.spanOf(reading).orElseThrow();
        assertEquals(again.low(), low, 1e-9);
        assertEquals(again.high(), high, 1e-9);
    }

    @Test
    public void aPlainNumberLeavesTheRestToTheMetersClass() {
        assertEquals(SeenEntry.parse("reading", "409 mA", ScaleUnit.A, false).value(), 0.409, 0.0);
        assertTrue(
                SeenEntry.parse("reading", "-12 mA", ScaleUnit.A, true).spread().isEmpty());
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {"70-80 kV", ProblemCode.WRONG_UNIT},
            {"70-", ProblemCode.NOT_A_NUMBER},
            {"< x", ProblemCode.NOT_A_NUMBER},
            {"1.2.3-4", ProblemCode.NOT_A_NUMBER},
            {"about 99999999999", ProblemCode.OUT_OF_RANGE},
        };
    }

    @Test(dataProvider = "refused")
    public void whatIsRefusedIsShownWhole(String text, ProblemCode code) {
        Problem problem = expectThrows(Refused.class, () -> SeenEntry.parse("reading", text, ScaleUnit.MA, false))
                .problems()
                .get(0);
        assertEquals(problem.code(), code);
        assertEquals(problem.found(), text);
    }
}
