package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.tubrin.core.twin.Twins.settled;

import java.util.Map;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.station.Band;

/** Published values of the prototype's run. */
public class ReferenceTest {
    private static double number(CSVRecord row, String column) {
        return Double.parseDouble(row.get(column));
    }

    private static void near(double found, double wanted, double share, String what) {
        assertEquals(found, wanted, Math.abs(share * wanted), what);
    }

    /** Asserts to a share of the value, or to half of the last figure written, where that is coarser. */
    private static void asWritten(double found, CSVRecord row, String column, double share) {
        String text = row.get(column);
        int decimals = text.contains(".") ? text.length() - text.indexOf('.') - 1 : 0;
        double half = 0.55 * Math.pow(10, -decimals);
        double wanted = number(row, column);
        assertEquals(found, wanted, Math.max(Math.abs(share * wanted), half), column);
    }

    @DataProvider
    public Object[][] points() {
        return Sample.table("/twin/reference-7mhz.csv").stream()
                .map(row -> new Object[] {row.get("point"), row})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "points")
    public void showsWhatTheReferenceShows(String name, CSVRecord row) {
        Band band = Band.valueOf(row.get("band"));
        double frequencyHz = band == Band.MHZ_7 ? 7.1e6 : 1.9e6;
        Setting setting = new Setting(
                band, frequencyHz, 70, number(row, "plate"), number(row, "load"), number(row, "loadOhm"), 0);
        TubePoint point = settled(Twins.brigantine().at(setting));
        near(point.outputW(), number(row, "outputW"), 0.003, name);
        near(point.meters().plateCurrentA(), number(row, "plateA"), 0.003, name);
        near(point.meters().gridCurrentA(), number(row, "gridA"), 0.003, name);
        near(point.meters().plateVoltageDcV(), number(row, "plateV"), 0.003, name);
        asWritten(point.input().drivePeakV(), row, "cathodePeakV", 0.003);
        asWritten(point.powers().plateHeatPerTubeW(), row, "plateHeatW", 0.005);
        asWritten(point.powers().gridHeatPerTubeW(), row, "gridHeatW", 0.01);
        asWritten(point.powers().tankLossW(), row, "tankLossW", 0.005);
        asWritten(point.powers().feedThroughW(), row, "feedThroughW", 0.005);
        asWritten(point.strain().platePeakV(), row, "platePeakV", 0.005);
        asWritten(point.strain().loadPeakV(), row, "loadPeakV", 0.005);
        asWritten(point.strain().plateCapacitorRmsA(), row, "plateCapacitorA", 0.005);
        asWritten(point.strain().conductionDeg(), row, "conductionDeg", 0.005);
        assertEquals(point.strain().plateLeastV(), number(row, "plateLeastV"), 5, name);
    }

    @Test
    public void restsAtTheSheetsCurrentAndVoltage() {
        TubePoint rest = settled(Twins.brigantine().at(Twins.at(0, 3, 7)));
        near(rest.meters().plateCurrentA(), 0.1190, 0.003, "plate current");
        near(rest.meters().plateVoltageDcV(), 2736, 0.003, "plate voltage");
        near(rest.powers().plateHeatPerTubeW(), 162, 0.005, "heat");
        assertEquals(rest.outputW(), 0, 0.0);
        assertEquals(rest.strain().conductionDeg(), 360, 0.0);
        assertTrue(rest.inputSwr().isEmpty());
        assertTrue(rest.efficiency().isEmpty());
    }

    @Test
    public void followsTheDriveAtFixedDials() {
        for (double[] row : new double[][] {
            {4.375, 81.74, .1825, .00660, 1.25},
            {17.5, 294.7, .3183, .0289, 1.24},
            {35, 550.0, .4278, .0652, 1.19},
            {84, 964.8, .5741, .2242, 1.11}
        }) {
            TubePoint point = settled(Twins.brigantine().at(Twins.at(row[0], 5.103, 4.439)));
            near(point.outputW(), row[1], 0.003, "output at " + row[0]);
            near(point.meters().plateCurrentA(), row[2], 0.003, "plate current at " + row[0]);
            near(point.meters().gridCurrentA(), row[3], 0.01, "grid current at " + row[0]);
            assertEquals(point.inputSwr().orElseThrow(), row[4], 0.01, "SWR at " + row[0]);
        }
    }

    @DataProvider
    public Object[][] bands() {
        return Sample.table("/twin/reference-bands.csv").stream()
                .map(row -> new Object[] {row.get("band"), row})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "bands")
    public void findsTheDialsOfMostOutputAndTheHeavierFinish(String band, CSVRecord row) {
        Setting setting = new Setting(Band.valueOf(band), number(row, "frequencyHz"), 70, 0, 0, 50, 0);
        Peak most = settled(PeakSearch.most(Twins.brigantine(), setting));
        near(most.point().outputW(), number(row, "outputW"), 0.003, band);
        assertEquals(most.plate(), number(row, "plate"), 0.006, band);
        assertEquals(most.load(), number(row, "load"), 0.05, band);
        near(most.point().meters().plateCurrentA(), number(row, "plateA"), 0.006, band);
        near(most.point().meters().gridCurrentA(), number(row, "gridA"), 0.02, band);
        near(most.point().efficiency().orElseThrow(), number(row, "efficiency"), 0.008, band);
        assertEquals(most.point().inputSwr().orElseThrow(), number(row, "swr"), 0.01, band);
        assertTrue(most.stops().isEmpty());

        Probe probe = Twins.brigantine().probe(setting).orElseThrow();
        Peak heavier = settled(PeakSearch.finish(probe, 70));
        assertEquals(heavier.plate(), number(row, "heavierPlate"), 0.006, band);
        assertEquals(heavier.load(), number(row, "heavierLoad"), 0.05, band);
        near(heavier.point().outputW(), 0.98 * most.point().outputW(), 0.001, band);
        assertTrue(heavier.point().powers().plateHeatPerTubeW()
                > 1.05 * most.point().powers().plateHeatPerTubeW());
    }

    @Test
    public void aClimbPeakedAfreshGrowsAsTheReferenceAndSaysWhereADialIsAtItsEnd() {
        Map<Double, Double> outputs = Map.of(4.375, 140.9, 8.75, 253.0, 17.5, 408.8, 35.0, 616.9, 70.0, 890.1);
        outputs.forEach((drive, output) -> {
            Peak peak = settled(PeakSearch.most(Twins.brigantine(), Twins.at(drive, 0, 0)));
            near(peak.point().outputW(), output, 0.003, "at " + drive);
            assertEquals(peak.stops().contains(Peak.Stop.LOAD), drive < 10, "stop at " + drive);
            assertFalse(peak.stops().contains(Peak.Stop.PLATE));
        });
        TubePoint overDriven = settled(Twins.brigantine().at(Twins.at(70, 5.192, 1.121)));
        near(overDriven.outputW(), 577.4, 0.003, "dials tuned at a quarter of the drive");
        near(overDriven.meters().gridCurrentA(), 0.353, 0.003, "grid current there");
    }

    @Test
    public void resonanceThenMostOutputThenDip() {
        Probe probe = Twins.brigantine().probe(Twins.at(70, 0, 0)).orElseThrow();
        double mostAt = 0;
        double dipAt = 0;
        double most = 0;
        double dip = 9;
        for (double plate = 5.08; plate < 5.13; plate += 0.0005) {
            assertTrue(probe.settle(70, plate, 4.439));
            if (probe.outputW() > most) {
                most = probe.outputW();
                mostAt = plate;
            }
            if (probe.plateCurrentA() < dip) {
                dip = probe.plateCurrentA();
                dipAt = plate;
            }
        }
        assertEquals(probe.resonantPlate(4.439), 5.097, 0.001);
        assertEquals(mostAt, 5.103, 0.002);
        assertEquals(dipAt, 5.115, 0.002);
    }
}
