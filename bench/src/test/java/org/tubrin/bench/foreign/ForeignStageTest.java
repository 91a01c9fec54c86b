package org.tubrin.bench.foreign;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.bench.SkerryPoint;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.Setting;

/** An amplifier that is none of the twin's still keeps the laws of physics, and is about what its record says. */
public class ForeignStageTest {
    private static final TwinConstants.CathodeDriven RECORD =
            (TwinConstants.CathodeDriven) SkerryPoint.BRIGANTINE.constants();
    private static final Stage.Tubes TUBES = SkerryPoint.BRIGANTINE.tubes();
    private static final Setting SETTING = new Setting(Band.MHZ_7, 7.1e6, 1, 0, 0, 50, 0);

    private static ForeignStage stage(long seed) {
        return ForeignStage.like(RECORD, TUBES, SETTING, seed);
    }

    @DataProvider
    public Object[][] seeds() {
        return new Object[][] {{1L}, {2L}, {3L}, {4L}, {5L}, {6L}};
    }

    /** What goes in comes out as RF or heat, wherever the dials stand. */
    @Test(dataProvider = "seeds")
    public void powerIsBalanced(long seed) {
        ForeignStage stage = stage(seed);
        Random random = new Random(seed);
        for (int i = 0; i < 20; i++) {
            double load = 1 + 7 * random.nextDouble();
            double plate = stage.resonantPlate(load) + 0.4 * random.nextGaussian();
            double driveW = 4 + 66 * random.nextDouble();
            assertTrue(stage.settle(driveW, plate, load), "settles at " + driveW + " W, " + plate + "/" + load);
            double inputW = stage.plateVoltageDcV() * stage.plateCurrentA();
            assertEquals(stage.unbalancedW(), 0, 0.01 * inputW, driveW + " W at " + plate + "/" + load);
        }
    }

    @Test(dataProvider = "seeds")
    public void itIsAboutWhatItsRecordSays(long seed) {
        ForeignStage stage = stage(seed);
        double load = 5;
        assertTrue(stage.settle(70, stage.resonantPlate(load), load));
        assertEquals(stage.outputW() / 872, 1, 0.3, "output of the record's heavier finish");
        assertEquals(stage.plateCurrentA() / 0.578, 1, 0.3);
        double efficiency = stage.outputW() / (stage.plateVoltageDcV() * stage.plateCurrentA());
        assertTrue(efficiency > 0.5 && efficiency < 0.72, "efficiency " + efficiency);
        assertTrue(stage.settle(1e-6, 5, load));
        assertEquals(stage.plateCurrentA() / TUBES.restingPlateCurrentA(), 1, 0.25, "at rest");
    }

    /** Lighter is more grid current; more drive is more of everything. */
    @Test(dataProvider = "seeds")
    public void itMovesTheWayThatPractitionersKnow(long seed) {
        ForeignStage stage = stage(seed);
        double last = Double.MAX_VALUE;
        for (double load = 2.5; load <= 6.5; load += 1) {
            assertTrue(stage.settle(70, stage.resonantPlate(load), load));
            assertTrue(stage.gridCurrentA() < last, "heavier is less grid current at " + load);
            last = stage.gridCurrentA();
        }
        double plate = stage.resonantPlate(5);
        double output = 0;
        for (double driveW = 4; driveW < 80; driveW *= 2) {
            assertTrue(stage.settle(driveW, plate, 5));
            assertTrue(stage.outputW() > output, "more drive, more output: " + driveW);
            output = stage.outputW();
        }
        assertTrue(stage.settle(70, plate + 1, 5));
        assertTrue(stage.outputW() < 0.7 * output, "off resonance little is left");
    }

    /** Hot it gives less, and rested it is as before. */
    @Test(dataProvider = "seeds")
    public void itDriftsWithinAKeyDown(long seed) {
        ForeignStage stage = stage(seed);
        double plate = stage.resonantPlate(5);
        stage.settle(70, plate, 5);
        double cold = stage.outputW();
        stage.pass(10, true);
        stage.settle(70, plate, 5);
        assertTrue(stage.outputW() < cold, "less after ten seconds");
        assertTrue(stage.outputW() > 0.85 * cold, "but not much less: " + stage.outputW() / cold);
        stage.pass(200, false);
        stage.settle(70, plate, 5);
        assertEquals(stage.outputW(), cold, 1e-3 * cold);
    }

    @DataProvider
    public Object[][] simulated() throws IOException {
        try (BufferedReader table = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(ForeignStageTest.class.getResourceAsStream("/foreign.csv")),
                StandardCharsets.UTF_8))) {
            return table.lines()
                    .filter(line -> !line.startsWith("#") && !line.startsWith("seed"))
                    .map(line -> new Object[] {line})
                    .toArray(Object[][]::new);
        }
    }

    /** A circuit simulator, which knows nothing of harmonic balance, comes to the same. */
    @Test(dataProvider = "simulated")
    public void itIsWhatACircuitSimulatorMakesOfIt(String line) {
        String[] at = line.split(",", -1);
        ForeignStage stage = ForeignStage.like(
                RECORD,
                TUBES,
                new Setting(Band.valueOf(at[1]), number(at[2]), 1, 0, 0, number(at[3]), number(at[4])),
                Long.parseLong(at[0]));
        assertTrue(stage.settle(number(at[5]), number(at[6]), number(at[7])));
        assertEquals(stage.outputW() / number(at[8]), 1, 0.006, "output");
        assertEquals(stage.plateCurrentA() / number(at[9]), 1, 0.002, "plate current");
        assertEquals(stage.gridCurrentA() / number(at[10]), 1, 0.005, "grid current");
        assertEquals(stage.plateVoltageDcV() / number(at[11]), 1, 0.002, "plate voltage");
    }

    @Test
    public void enoughPointsWereSimulated() throws IOException {
        assertTrue(simulated().length >= 12);
    }

    private static double number(String text) {
        return Double.parseDouble(text);
    }
}
