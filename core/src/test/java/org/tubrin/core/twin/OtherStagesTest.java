package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.tubrin.core.twin.Twins.settled;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.station.Band;

/** The tetrode and the transistor variants. */
public class OtherStagesTest {
    private static final double OPTIMUM_OHM = 2352;

    private static final TransistorTwin DINGHY = Transistors.DINGHY;
    private static final TransistorTwin KETCH = Transistors.KETCH;

    private static TubePoint tetrode(double plateOhm, double driveW) {
        TubeSolver solver = new TubeSolver(new GridEquations(Twins.BARQUE, 1, 256));
        assertTrue(solver.settle(plateOhm, 0, 1, 0, 7.1e6, driveW));
        return solver.point(0.94, 0.1, 0.001);
    }

    @Test
    public void theTetrodeRestsAsItsReference() {
        TubePoint rest = tetrode(OPTIMUM_OHM, 0);
        assertEquals(rest.meters().plateCurrentA(), 0.148, 0.0006);
        assertEquals(rest.meters().screenCurrentA().orElseThrow(), 0.0059, 0.00006);
    }

    @DataProvider
    public Object[][] drives() {
        return new Object[][] {{0.5, 241.0, 0.0}, {2.0, 1010.0, 0.0}, {2.4, 1161.0, 0.005}};
    }

    @Test(dataProvider = "drives")
    public void theTetrodeFollowsItsDrive(double driveW, double outputW, double gridA) {
        TubePoint point = tetrode(OPTIMUM_OHM, driveW);
        assertEquals(point.outputW(), outputW, 0.004 * outputW);
        assertEquals(point.meters().gridCurrentA(), gridA, 0.0008);
        assertEquals(point.powers().balanceErrorW(), 0, 1e-3);
    }

    @Test
    public void screenCurrentIsTheTetrodesSignOfLightLoading() {
        TubePoint tuned = tetrode(OPTIMUM_OHM, 2);
        assertEquals(tuned.meters().plateCurrentA(), 0.614, 0.003);
        assertEquals(tuned.meters().screenCurrentA().orElseThrow(), 0.055, 0.0006);
        assertEquals(tuned.efficiency().orElseThrow(), 0.624, 0.003);
        assertEquals(tuned.powers().plateHeatPerTubeW(), 543, 4);
        assertEquals(tuned.powers().screenHeatPerTubeW(), 19, 0.6);
        TubePoint light = tetrode(1.5 * OPTIMUM_OHM - 12, 2);
        assertEquals(light.outputW(), 927, 5);
        assertEquals(light.meters().screenCurrentA().orElseThrow(), 0.151, 0.0015);
        assertEquals(light.powers().screenHeatPerTubeW(), 53, 0.6);
    }

    @Test
    public void barquesDialsReachItsPlateLoadAndItsLoadRunsTheOtherWay() {
        Setting chart = new Setting(Band.MHZ_7, 7.1e6, 2, 52, 44, 50, 0);
        TubePoint point = settled(Twins.barque().at(chart));
        assertEquals(point.outputW(), 1010, 15);
        Probe probe = Twins.barque().probe(chart).orElseThrow();
        assertTrue(probe.settle(2, probe.resonantPlate(60), 60));
        assertTrue(probe.screenCurrentA() > point.meters().screenCurrentA().orElseThrow(), "60 is lighter than 44");
        Peak most = settled(PeakSearch.most(Twins.barque(), chart));
        Peak finish = settled(PeakSearch.finish(probe, 2));
        assertTrue(finish.load() < most.load(), "heavier is the lower number");
    }

    @DataProvider
    public Object[][] transistors() {
        return new Object[][] {
            {KETCH, Band.MHZ_3_5, new double[] {1.5, 3, 6, 12}, new double[] {132, 273, 498, 715}},
            {KETCH, Band.MHZ_7, new double[] {1.5, 3, 6, 12}, new double[] {75, 159, 316, 540}},
            {KETCH, Band.MHZ_18, new double[] {1.5, 3, 6, 12}, new double[] {38, 82, 170, 325}},
            {DINGHY, Band.MHZ_5, new double[] {0.5, 1, 2, 4, 6}, new double[] {17.1, 33.5, 55.9, 72.9, 78.0}},
            {DINGHY, Band.MHZ_14, new double[] {0.5, 1, 2, 4, 6}, new double[] {6.0, 12.6, 24.8, 43.7, 55.5}},
            {DINGHY, Band.MHZ_18, new double[] {0.5, 1, 2, 4, 6}, new double[] {3.7, 7.8, 15.8, 29.9, 41.0}},
        };
    }

    @Test(dataProvider = "transistors")
    public void transistorsExpandAndSaturateAsTheirReferenceSays(
            TransistorTwin twin, Band band, double[] drivesW, double[] outputsW) {
        for (int i = 0; i < drivesW.length; i++) {
            double hz = band.lowestHz();
            TransistorPoint point = settled(twin.at(new Setting(band, hz, drivesW[i], 0, 0, 50, 0)));
            assertEquals(
                    point.outputW(),
                    outputsW[i],
                    0.003 * outputsW[i] + (twin.equals(KETCH) ? 0.5 : 0.05),
                    drivesW[i] + " W");
        }
    }

    /** {@code Psat ∝ ((V − Vkn)/(Vnom − Vkn))²}, current by hand at the output of the twin. */
    @Test
    public void transistorsFollowTheirSupply() {
        Setting five = new Setting(Band.MHZ_5, 5.3e6, 60, 0, 0, 50, 0);
        double most = settled(DINGHY.at(five)).outputW();
        double low = settled(DINGHY.at(five, 11, 20)).outputW();
        assertEquals(low / most, Math.pow(9.8 / 12.6, 2), 0.01);
        TransistorPoint ketch = settled(KETCH.at(new Setting(Band.MHZ_7, 7.1e6, 12, 0, 0, 50, 0)));
        assertEquals(ketch.supplyCurrentA(), Math.sqrt(4 + ketch.outputW() * 870 / (0.68 * 0.68 * 50 * 50)), 1e-6);
    }

    @Test
    public void transistorsFoldBackAndTripBeforeTheyBurn() {
        Setting matched = new Setting(Band.MHZ_7, 7.1e6, 5, 0, 0, 50, 0);
        TransistorPoint hot = settled(DINGHY.at(matched, 13.8, 73));
        assertTrue(
                hot.foldedBack() && hot.outputW() < settled(DINGHY.at(matched)).outputW());
        assertEquals(hot.supplyVoltageDcV() * hot.supplyCurrentA() + 5, hot.outputW() + hot.heatW(), 1e-9);
        assertEquals(DINGHY.at(matched, 13.8, 75), new Outcome.Unsettled<TransistorPoint>(Outcome.Why.TRIPPED, 0, 0));
        Setting mismatched = new Setting(Band.MHZ_7, 7.1e6, 5, 0, 0, 160, 0);
        assertEquals(DINGHY.at(mismatched), new Outcome.Unsettled<TransistorPoint>(Outcome.Why.TRIPPED, 0, 0));
    }
}
