package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.tubrin.core.twin.Twins.settled;

import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.station.Band;

/** Holds the twin to a circuit simulator that knows all harmonics and real networks. */
public class SimulatorTest {
    private static double number(CSVRecord row, String column) {
        return Double.parseDouble(row.get(column));
    }

    @DataProvider
    public Object[][] points() {
        return Sample.table("/twin/simulated.csv").stream()
                .map(row -> new Object[] {row.get("point"), row})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "points")
    public void agreesWithTheSimulation(String name, CSVRecord row) {
        TubeTwin twin = row.get("stage").equals("triodes") ? Twins.brigantine() : Twins.barque();
        boolean inResonance = row.get("inResonance").equals("yes");
        TubePoint point = settled(twin.at(new Setting(
                Band.valueOf(row.get("band")),
                number(row, "frequencyHz"),
                number(row, "driveW"),
                number(row, "plate"),
                number(row, "load"),
                number(row, "loadOhm"),
                number(row, "loadReactanceOhm"))));
        within(point.outputW(), number(row, "outputW"), inResonance ? 0.005 : 0.015, 0.05, name + ": output");
        within(point.meters().plateCurrentA(), number(row, "plateA"), 0.003, 1e-4, name + ": plate current");
        within(
                point.meters().gridCurrentA(),
                number(row, "gridA"),
                inResonance ? 0.007 : 0.013,
                1e-3,
                name + ": grid current");
    }

    private static void within(double twin, double simulated, double share, double least, String what) {
        assertEquals(twin, simulated, Math.max(least, share * simulated), what);
    }

    @Test
    public void theTableHasBothStagesInAndOffResonanceOnFourBands() {
        var rows = Sample.table("/twin/simulated.csv");
        assertTrue(rows.size() >= 18, "points: " + rows.size());
        assertEquals(rows.stream().map(row -> row.get("stage")).distinct().count(), 2);
        assertEquals(rows.stream().map(row -> row.get("inResonance")).distinct().count(), 2);
        assertEquals(rows.stream().map(row -> row.get("band")).distinct().count(), 4);
    }
}
