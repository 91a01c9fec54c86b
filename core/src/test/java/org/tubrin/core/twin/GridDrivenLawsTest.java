package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.tubrin.core.twin.Twins.settled;

import java.util.Random;
import org.testng.annotations.Test;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.TwinConstants;

/** What holds for any tetrode stage, over stages drawn at random. */
public class GridDrivenLawsTest {
    private static final int CASES = 1500;

    private static TubeTwin stage(Random random) {
        TwinConstants.GridDriven base = Twins.BARQUE;
        TetrodeLaw tube = new TetrodeLaw(
                (4 + 6 * random.nextDouble()) * 1e-3,
                6 + 5 * random.nextDouble(),
                300 + 600 * random.nextDouble(),
                5 + 8 * random.nextDouble(),
                0.3,
                3,
                8,
                34,
                1.7);
        return new TubeTwin(
                Twins.BARQUE_STAGE,
                new TwinConstants.GridDriven(
                        tube,
                        -60 + 30 * random.nextDouble(),
                        250 + 150 * random.nextDouble(),
                        2000 + 1200 * random.nextDouble(),
                        500 * random.nextDouble(),
                        200 + 400 * random.nextDouble(),
                        base.plate(),
                        base.load(),
                        base.tanks()));
    }

    private static Setting setting(Random random) {
        return new Setting(
                Band.MHZ_7,
                6.9e6 + 0.4e6 * random.nextDouble(),
                4 * random.nextDouble() * random.nextDouble(),
                100 * random.nextDouble(),
                100 * random.nextDouble(),
                Math.exp(Math.log(5) + Math.log(200) * random.nextDouble()),
                80 * random.nextGaussian());
    }

    @Test
    public void everyStageSettlesAndItsWattsAddUp() {
        Random random = new Random(17);
        for (int i = 0; i < CASES; i++) {
            TubePoint point = settled(stage(random).at(setting(random)));
            TubePoint.Powers powers = point.powers();
            double in = powers.plateInputW() + powers.driveTakenW();
            assertEquals(powers.balanceErrorW(), 0, 1e-3 * Math.max(1, in));
            assertEquals(powers.screenInputW(), powers.screenHeatPerTubeW(), 1e-9, "the screen turns all into heat");
            assertTrue(powers.outputW() >= 0 && powers.outputW() <= powers.plateRfW() + 1e-9);
            assertTrue(powers.plateHeatPerTubeW() >= -1e-6 * in);
            assertTrue(point.meters().screenCurrentA().orElseThrow() >= 0);
            assertEquals(powers.feedThroughW(), 0, 0.0, "nothing passes a screened tube");
        }
    }

    @Test
    public void gridCurrentBeginsWhereTheGridGoesPositive() {
        Random random = new Random(18);
        for (int i = 0; i < CASES; i++) {
            TubeTwin twin = stage(random);
            Setting setting = setting(random);
            TubePoint point = settled(twin.at(setting));
            double biasV = ((TwinConstants.GridDriven) twin.constants()).gridBiasV();
            boolean positive = point.input().drivePeakV() + biasV > 0;
            assertEquals(point.meters().gridCurrentA() > 0, positive, setting.toString());
        }
    }

    @Test
    public void goingLighterRaisesScreenCurrentAlongResonance() {
        Probe probe = Twins.barque()
                .probe(new Setting(Band.MHZ_7, 7.1e6, 2, 50, 50, 50, 0))
                .orElseThrow();
        double last = -1;
        for (double load = 30; load <= 90; load += 5) {
            assertTrue(probe.settle(2, probe.resonantPlate(load), load));
            assertTrue(probe.screenCurrentA() >= last, "LOAD " + load);
            last = probe.screenCurrentA();
        }
    }
}
