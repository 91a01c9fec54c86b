package org.tubrin.core.tank;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;

public class TouchstoneTest {
    @DataProvider
    public Object[][] formats() {
        return Sample.table("/tank/touchstone.csv").stream()
                .map(row -> new Object[] {row.get("case"), row})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "formats")
    public void everyFormatGivesTheSameImpedance(String name, CSVRecord row) {
        double frequency = Double.parseDouble(row.get("frequency"));
        String line = " " + row.get("first") + "\t" + row.get("second") + " ! a note\r\n";
        String text = "! made by hand\n" + row.get("options") + "\n" + row.get("frequency") + line + "\n"
                + frequency * 1.01 + line;
        List<ImpedancePoint> points = Touchstone.onePort(text);
        assertEquals(points.size(), 2);
        assertEquals(points.get(0).frequencyHz(), 7.1e6, 1, name);
        assertEquals(points.get(0).ohm(), 25, 0.05, name);
        assertEquals(points.get(0).reactanceOhm(), 30, 0.05, name);
    }

    @DataProvider
    public Object[][] broken() {
        return new Object[][] {
            {"", "file"},
            {"# MHz S RI R 50\n7 0 0\n", "file"},
            {"# MHz S RI R 50\n7 0 0\n6.9 0 0\n", "line 3"},
            {"# MHz S RI R 50\n7 0 0 1 1 0 0 0 0\n", "line 2"},
            {"# MHz S RI R 50\n7 0 zero\n", "line 2"},
            {"# MHz S RI R\n7 0 0\n", "line 1"},
            {"# MHz H RI R 50\n7 0 0\n", "line 1"},
            {"# MHz S RI R 50\n7 1 0\n8 0 0\n", "line 2"},
            {"# MHz Z RI R 50\n7 -1 0\n8 1 0\n", "line 2"},
        };
    }

    @Test(dataProvider = "broken")
    public void whatIsNotOnePortIsRefusedByItsLine(String text, String line) {
        try {
            Touchstone.onePort(text);
        } catch (Refused refused) {
            assertEquals(refused.problems().get(0).code(), ProblemCode.NOT_TOUCHSTONE);
            assertEquals(refused.problems().get(0).path(), line);
            return;
        }
        throw new AssertionError("taken: " + text);
    }

    @Test
    public void anImpedanceGivesItsStandingWaveRatio() {
        assertEquals(Mismatch.swr(50, 0), 1, 1e-12);
        assertEquals(Mismatch.swr(100, 0), 2, 1e-12);
        assertEquals(Mismatch.swr(25, 0), 2, 1e-12);
        // 25 + j30: |S| = 0.48344 by hand.
        assertEquals(Mismatch.swr(25, 30), 1.48344 / 0.51656, 1e-3);
        assertTrue(Mismatch.swr(25, 31) > Mismatch.swr(25, 30));
        assertThrows(Refused.class, () -> new ImpedancePoint(7e6, -1, 0));
    }
}
