package org.tubrin.core.metering;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;

public class NumberEntryTest {
    @DataProvider
    public Object[][] typed() {
        return Sample.table("/metering/number-entry.csv").stream()
                .map(row -> new Object[] {row})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "typed")
    public void readsWhatIsTyped(CSVRecord row) {
        ScaleUnit scale = ScaleUnit.valueOf(row.get("scale"));
        if (row.get("problem").isEmpty()) {
            assertEquals(
                    NumberEntry.parse("output", row.get("text"), scale, false),
                    Double.parseDouble(row.get("value")),
                    0.0);
        } else {
            Problem problem = expectThrows(
                            Refused.class, () -> NumberEntry.parse("output", row.get("text"), scale, false))
                    .problems()
                    .get(0);
            assertEquals(problem.code().name(), row.get("problem"));
            assertEquals(problem.path(), "output");
        }
    }

    @Test
    public void screenCurrentMayRunBackwards() {
        assertEquals(NumberEntry.parse("screen", "\u221212 mA", ScaleUnit.A, true), -0.012, 0.0);
    }

    /** 212 °F are 100 °C; a current has no such unit. */
    @Test
    public void aThermometerMayBeFahrenheit() {
        assertEquals(NumberEntry.parse("sink", "104 °F", ScaleUnit.C, false), 40, 1e-9);
        assertEquals(NumberEntry.parse("sink", "212f", ScaleUnit.C, false), 100, 1e-9);
        assertEquals(NumberEntry.parse("sink", "40 °C", ScaleUnit.C, false), 40, 1e-9);
        assertEquals(
                expectThrows(Refused.class, () -> NumberEntry.parse("current", "104 °F", ScaleUnit.A, false))
                        .problems()
                        .get(0)
                        .code(),
                ProblemCode.WRONG_UNIT);
        assertEquals(
                expectThrows(Refused.class, () -> NumberEntry.parse("sink", "20 °F", ScaleUnit.C, false))
                        .problems()
                        .get(0)
                        .code(),
                ProblemCode.OUT_OF_RANGE);
    }

    @DataProvider
    public Object[][] frequencies() {
        return new Object[][] {{"7.1", 7.1e6}, {"7,1 MHz", 7.1e6}, {"7100 kHz", 7.1e6}, {"7100000Hz", 7.1e6}};
    }

    @Test(dataProvider = "frequencies")
    public void aFrequencyIsMegahertzUnlessItsUnitIsTyped(String typed, double hertz) {
        assertEquals(NumberEntry.parseFrequencyHz("frequency", typed, 7e6, 7.2e6), hertz, 0.0);
    }

    @Test
    public void whatHasAUnitMayBeTypedWithIt() {
        assertEquals(NumberEntry.parsePlain("wanted", "300 W", 0.1, 1e4, Unit.WATT), 300, 0.0);
        assertEquals(NumberEntry.parsePlain("wanted", "0.3 kW", 0.1, 1e4, Unit.WATT), 300, 0.0);
        assertEquals(NumberEntry.parsePlain("ohm", "51.6 Ω", 1, 1000, Unit.OHM), 51.6, 0.0);
        assertEquals(NumberEntry.parsePlain("ohm", "51.6 \u2126", 1, 1000, Unit.OHM), 51.6, 0.0);
        assertEquals(NumberEntry.parsePlain("rest", "2 min", 0, 120, Unit.SECOND), 120, 0.0);
        assertEquals(NumberEntry.parse("idle", "80", ScaleUnit.MA, 0.005, 2), 0.08, 0.0);
        assertEquals(NumberEntry.parse("idle", "0.08 A", ScaleUnit.MA, 0.005, 2), 0.08, 0.0);
        assertEquals(NumberEntry.parsePercent("bound", "3 %", 0.1, 30), 0.03, 1e-15);
        assertEquals(NumberEntry.parsePercent("bound", "3", 0.1, 30), 0.03, 1e-15);
        assertEquals(
                expectThrows(Refused.class, () -> NumberEntry.parsePlain("wanted", "300 V", 0.1, 1e4, Unit.WATT))
                        .problems()
                        .get(0)
                        .code(),
                ProblemCode.WRONG_UNIT);
    }
}
