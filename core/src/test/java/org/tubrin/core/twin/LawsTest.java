package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.tubrin.core.twin.Twins.settled;

import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;

/** What holds for any stage, over stages drawn at random. */
public class LawsTest {
    private static final int CASES = 3000;

    private static TubeTwin stage(Random random) {
        TwinConstants.CathodeDriven base = Twins.BRIGANTINE;
        TriodeLaw tube = new TriodeLaw(
                1e-3 * (0.5 + random.nextDouble()),
                60 + 100 * random.nextDouble(),
                1 + 2 * random.nextDouble(),
                4 + 10 * random.nextDouble(),
                34,
                1.7,
                0.4e-12 * random.nextDouble(),
                random.nextInt(4) == 0 ? 17 : 0);
        List<TankBand> tanks = List.of(new TankBand(
                Band.MHZ_7,
                5.5e-6,
                60 + 300 * random.nextDouble(),
                0,
                0,
                0.8 + 0.2 * random.nextDouble(),
                40 * random.nextDouble() - 20));
        Stage.Tubes tubes = Sample.BRIGANTINE_STAGE;
        return new TubeTwin(
                tubes,
                new TwinConstants.CathodeDriven(
                        tube,
                        5 + 20 * random.nextDouble(),
                        1500 + 2500 * random.nextDouble(),
                        100 + 800 * random.nextDouble(),
                        50 + 100 * random.nextDouble(),
                        base.plate(),
                        base.load(),
                        tanks));
    }

    private static Setting setting(Random random) {
        return new Setting(
                Band.MHZ_7,
                6.9e6 + 0.4e6 * random.nextDouble(),
                120 * random.nextDouble() * random.nextDouble(),
                10 * random.nextDouble(),
                10 * random.nextDouble(),
                Math.exp(Math.log(5) + Math.log(200) * random.nextDouble()),
                100 * random.nextGaussian());
    }

    @Test
    public void everyStageSettlesAndItsWattsAddUp() {
        Random random = new Random(7);
        for (int i = 0; i < CASES; i++) {
            TubeTwin twin = stage(random);
            Setting setting = setting(random);
            TubePoint point = settled(twin.at(setting));
            TubePoint.Powers powers = point.powers();
            double in = powers.plateInputW() + powers.driveTakenW();
            assertEquals(powers.balanceErrorW(), 0, 1e-3 * in, "balance of " + setting);
            for (double part : new double[] {
                powers.plateRfW(),
                powers.tankLossW(),
                powers.plateHeatPerTubeW(),
                powers.gridHeatPerTubeW(),
                powers.biasHeatW(),
                powers.feedThroughW()
            }) {
                assertTrue(part >= -1e-6 * in, "a part below nothing: " + powers);
            }
            assertTrue(powers.outputW() <= powers.plateRfW());
            assertTrue(point.inputSwr().isEmpty() || point.inputSwr().getAsDouble() >= 1);
            assertTrue(point.meters().plateVoltageDcV() <= twin.constants().supplyOpenV());
            assertTrue(point.meters().gridCurrentA() >= 0);
        }
    }

    @Test
    public void theSameAnswerFromNothingAndFromANeighbour() {
        Random random = new Random(8);
        Probe probe = Twins.brigantine().probe(Twins.at(70, 0, 0)).orElseThrow();
        for (int i = 0; i < CASES; i++) {
            double drive = 1 + 90 * random.nextDouble();
            double plate = 10 * random.nextDouble();
            double load = 10 * random.nextDouble();
            assertTrue(probe.settle(drive, plate, load));
            TubePoint cold = settled(Twins.brigantine().at(Twins.at(drive, plate, load)));
            assertEquals(probe.outputW(), cold.outputW(), 0.02 + 1e-4 * cold.outputW());
            assertEquals(probe.gridCurrentA(), cold.meters().gridCurrentA(), 1e-5);
        }
    }

    @Test
    public void smallTurnsMakeSmallChanges() {
        Random random = new Random(9);
        Probe probe = Twins.brigantine().probe(Twins.at(70, 0, 0)).orElseThrow();
        double most = 0;
        for (int i = 0; i < CASES; i++) {
            double plate = 4 + 2 * random.nextDouble();
            double load = 10 * random.nextDouble();
            assertTrue(probe.settle(70, plate, load));
            double before = probe.outputW();
            double heat = probe.plateHeatPerTubeW();
            assertTrue(probe.settle(70, plate + 0.001, load));
            most = Math.max(most, Math.abs(probe.outputW() - before));
            assertEquals(probe.plateHeatPerTubeW(), heat, 3);
        }
        assertTrue(most < 4, "a thousandth of a mark moved the output by " + most + " W");
    }

    @Test
    public void moreDriveNeverGivesLessUntilItSaturates() {
        Random random = new Random(10);
        for (int i = 0; i < 200; i++) {
            TubeTwin twin = stage(random);
            Setting base = setting(random);
            Peak peak = settled(PeakSearch.most(twin, new Setting(Band.MHZ_7, base.frequencyHz(), 40, 0, 0, 50, 0)));
            double last = 0;
            for (double drive = 1; drive <= 40; drive *= 1.3) {
                Setting setting = new Setting(Band.MHZ_7, base.frequencyHz(), drive, peak.plate(), peak.load(), 50, 0);
                double output = settled(twin.at(setting)).outputW();
                assertTrue(output > last, "output fell to " + output + " from " + last + " at " + drive + " W");
                last = output;
            }
        }
    }

    @Test
    public void theJacobianIsTheSlopeOfTheEquations() {
        check(
                new CathodeEquations(Twins.BRIGANTINE, 2, 64),
                new double[] {2100, 150, 118, 2500},
                4,
                at(1500, -200, 0.9, 12, 14e6, 60));
        check(
                new CathodeEquations(Twins.BRIGANTINE, 2, 64),
                new double[] {2700, -90, 124, 2520},
                4,
                at(2600, 300, 1, -20, 7e6, 80));
        check(new GridEquations(Twins.BARQUE, 1, 64), new double[] {2300, 100, 2600}, 3, at(2400, 200, 1, 0, 7e6, 2.4));
        check(new GridEquations(Twins.BARQUE, 1, 64), new double[] {2640, -80, 2600}, 3, at(2400, 200, 1, 0, 7e6, 3));
    }

    private static Consumer<TubeEquations> at(
            double ohm,
            double reactanceOhm,
            double share,
            double inputReactanceOhm,
            double frequencyHz,
            double driveW) {
        return equations -> {
            equations.load(ohm, reactanceOhm);
            equations.drive(share, inputReactanceOhm, frequencyHz, driveW);
        };
    }

    private static void check(TubeEquations equations, double[] x, int n, Consumer<TubeEquations> prepare) {
        prepare.accept(equations);
        equations.evaluate(x);
        double[] jacobian = equations.jacobian().clone();
        for (int column = 0; column < n; column++) {
            double step = 1e-4;
            double[] moved = x.clone();
            moved[column] += step;
            equations.evaluate(moved);
            double[] up = equations.residual().clone();
            moved[column] -= 2 * step;
            equations.evaluate(moved);
            double[] down = equations.residual().clone();
            for (int row = 0; row < n; row++) {
                double slope = (up[row] - down[row]) / (2 * step);
                assertEquals(
                        jacobian[row * n + column],
                        slope,
                        1e-4 * Math.max(1, Math.abs(slope)),
                        "row " + row + " column " + column);
            }
        }
    }

    @Test
    public void heightsAreRoundAndBelowTheTop() {
        GroundMap map = GroundMap.of(
                        Twins.brigantine(),
                        Twins.at(70, 0, 0),
                        GroundMap.axis(4.4, 5.8, 41),
                        GroundMap.axis(2, 7, 41),
                        1)
                .orElseThrow();
        assertEquals(map.heights(9), new double[] {100, 200, 300, 400, 500, 600, 700, 800});
        assertEquals(map.heights(3), new double[] {500});
    }

    @Test
    public void theMapHoldsWhatSinglePointsGive() {
        Setting setting = Twins.at(70, 0, 0);
        GroundMap map = GroundMap.of(
                        Twins.brigantine(), setting, GroundMap.axis(4.4, 5.8, 15), GroundMap.axis(0, 10, 11), 2)
                .orElseThrow();
        for (int row = 0; row < 11; row++) {
            for (int column = 0; column < 15; column++) {
                TubePoint point = settled(Twins.brigantine().at(setting.at(map.plates()[column], map.loads()[row])));
                assertTrue(map.settled(row, column));
                assertEquals(map.at(GroundMap.Figure.OUTPUT_W, row, column), point.outputW(), 0.1);
                assertEquals(
                        map.at(GroundMap.Figure.PLATE_HEAT_PER_TUBE_W, row, column),
                        point.powers().plateHeatPerTubeW(),
                        0.1);
            }
        }
        assertTrue(GroundMap.of(
                        Twins.brigantine(),
                        new Setting(Band.MHZ_50, 50.1e6, 10, 0, 0, 50, 0),
                        new double[] {1, 2},
                        new double[] {1, 2},
                        1)
                .isEmpty());
    }

    @Test
    public void aWrongBandLooksLikeOne() {
        TubePoint wrong = settled(Twins.brigantine().at(new Setting(Band.MHZ_3_5, 7.1e6, 17.5, 5.1, 4.4, 50, 0)));
        TubePoint right = settled(Twins.brigantine().at(Twins.at(17.5, 5.1, 4.4)));
        assertTrue(wrong.outputW() < 0.05 * right.outputW(), "output on the wrong band: " + wrong.outputW());
        assertEquals(
                Twins.brigantine().at(new Setting(Band.MHZ_50, 50.1e6, 10, 5, 5, 50, 0)),
                new Outcome.Unsettled<TubePoint>(Outcome.Why.BAND_UNKNOWN, 0, 0));
    }
}
