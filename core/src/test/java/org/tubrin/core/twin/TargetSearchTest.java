package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.tubrin.core.twin.Twins.settled;

import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TargetSearchTest {
    private static Probe probe() {
        return Twins.brigantine().probe(Twins.at(70, 5.1, 4.5)).orElseThrow();
    }

    @DataProvider
    public Object[][] dips() {
        return new Object[][] {{0.50}, {0.53}, {0.56}, {0.59}};
    }

    @Test(dataProvider = "dips")
    public void theDipStandsAtItsTargetAndIsADip(double targetA) {
        Peak dip = settled(TargetSearch.dip(probe(), 70, targetA));
        double there = dip.point().meters().plateCurrentA();
        assertEquals(there, targetA, 0.002);
        for (double beside : new double[] {-0.05, 0.05}) {
            double near = settled(Twins.brigantine().at(Twins.at(70, dip.plate() + beside, dip.load())))
                    .meters()
                    .plateCurrentA();
            assertTrue(near > there, "beside it the current is higher: " + near + " and " + there);
        }
    }

    @Test
    public void aHigherDipAsksForAHeavierLoad() {
        double last = 0;
        for (double targetA = 0.48; targetA < 0.62; targetA += 0.02) {
            double load = settled(TargetSearch.dip(probe(), 70, targetA)).load();
            assertTrue(load > last, "LOAD rises with the target: " + load);
            last = load;
        }
    }

    @DataProvider
    public Object[][] grids() {
        return new Object[][] {{0.12}, {0.145}, {0.17}, {0.2}};
    }

    @Test(dataProvider = "grids")
    public void gridCurrentStandsAtItsTargetAtItsMost(double targetA) {
        Peak grid = settled(TargetSearch.grid(probe(), 70, targetA));
        double there = grid.point().meters().gridCurrentA();
        assertEquals(there, targetA, 0.002);
        for (double beside : new double[] {-0.08, 0.08}) {
            double near = settled(Twins.brigantine().at(Twins.at(70, grid.plate() + beside, grid.load())))
                    .meters()
                    .gridCurrentA();
            assertTrue(near < there, "beside it the current is lower");
        }
    }

    @Test
    public void whereNoLoadReachesTheTargetItEndsAtTheStop() {
        Peak never = settled(TargetSearch.dip(probe(), 70, 0.2));
        assertEquals(never.stops(), Set.of(Peak.Stop.LOAD));
        assertEquals(never.load(), 0.0, 1e-9, "the light end");
    }

    @Test
    public void dipAndMostOutputLieApartByTheFeedback() {
        // Order on PLATE: resonance, then most output, then the dip; with 7 MHz at full drive 5.097, 5.103, 5.115.
        Peak dip = settled(TargetSearch.dip(probe(), 70, 0.5473));
        double resonant = probe().resonantPlate(dip.load());
        assertTrue(dip.plate() > resonant + 0.005 && dip.plate() < resonant + 0.04, dip.plate() + " " + resonant);
    }

    @Test
    public void aTanksLossIsKnownWithoutSolvingForTheTube() {
        Probe probe = probe();
        double told = probe.tankEfficiency(4.439);
        TubePoint point = settled(Twins.brigantine().at(Twins.at(70, 5.103, 4.439)));
        double solved = point.outputW() / point.powers().plateRfW();
        assertEquals(told, solved, 5e-4);
        Setting weak = new Setting(org.tubrin.core.station.Band.MHZ_28, 28.5e6, 70, 8.2, 6.5, 50, 0);
        double weakest = Twins.brigantine().probe(weak).orElseThrow().tankEfficiency(6.5);
        assertTrue(weakest < 0.82, "28 MHz loses much in the tank: " + weakest);
    }
}
