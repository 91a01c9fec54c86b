package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.tubrin.core.twin.Twins.settled;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class LinearityTest {
    private static final Setting FINISH = Twins.at(70, 5.093, 5.041);

    @DataProvider
    public Object[][] loadings() {
        return new Object[][] {{3.44, -22.2}, {3.94, -24.9}, {4.439, -27.8}, {5.04, -31.6}};
    }

    @Test(dataProvider = "loadings")
    public void productsFallAsTheLoadingGetsHeavier(double load, double thirdDb) {
        Probe probe = Twins.brigantine().probe(FINISH).orElseThrow();
        Linearity linearity = settled(Linearity.of(Twins.brigantine(), Twins.at(70, probe.resonantPlate(load), load)));
        assertEquals(linearity.thirdDb(), thirdDb, 0.5);
        assertEquals(
                linearity.judgement(),
                load > 5 ? Linearity.Grade.CLEAN : load > 4 ? Linearity.Grade.FAIR : Linearity.Grade.ROUGH);
        assertTrue(linearity.compressionDb() > 0.5 && linearity.compressionDb() < 6);
    }

    @Test
    public void aSmallSignalIsPassedClean() {
        // Without cut-off in the cycle (class A) products fall by twice the drive's fall in decibels.
        Linearity five = settled(Linearity.of(Twins.brigantine(), Twins.at(0.02, 5.093, 5.041)));
        assertTrue(five.thirdDb() < -45, "third " + five.thirdDb());
        assertTrue(five.fifthDb() < five.thirdDb());
    }

    @Test
    public void theAngleTurnsByNoMoreThanAFewTenths() {
        Linearity linearity = settled(Linearity.of(Twins.brigantine(), FINISH));
        double most = linearity.curve().stream()
                .mapToDouble(sample -> Math.abs(sample.angleRad()))
                .max()
                .orElseThrow();
        assertTrue(Math.toDegrees(most) < 0.6, "AM/PM " + Math.toDegrees(most) + "°");
        double twoToneW = linearity.means().outputW();
        assertEquals(twoToneW / settled(Twins.brigantine().at(FINISH)).outputW(), 0.53, 0.05);
    }

    @DataProvider
    public Object[][] modes() {
        return new Object[][] {
            {"speech", settled(ModeAverage.of(Twins.brigantine(), FINISH, ModeAverage.Kind.SPEECH)), .202, .011, 215.0},
            {
                "processed",
                settled(ModeAverage.of(Twins.brigantine(), FINISH, ModeAverage.Kind.PROCESSED)),
                .301,
                .029,
                265.0
            },
            {"CW text", settled(ModeAverage.of(Twins.brigantine(), FINISH, ModeAverage.Kind.CW_TEXT)), .326, .062, 221.0
            },
            {
                "half slot",
                settled(ModeAverage.of(Twins.brigantine(), FINISH, ModeAverage.Kind.SLOTTED)),
                .349,
                .070,
                227.0
            },
        };
    }

    @Test(dataProvider = "modes")
    public void modesDrawAndHeatWhatTheReferenceSays(
            String mode, ModeAverage average, double plateA, double gridA, double heatW) {
        assertEquals(average.plateCurrentA(), plateA, 0.015 * plateA, mode);
        assertEquals(average.gridCurrentA(), gridA, 0.002, mode);
        assertEquals(average.plateHeatPerTubeW(), heatW, 0.015 * heatW, mode);
    }

    @Test
    public void warmthComesAndGoesInOneTimeConstant() {
        Warming sink = new Warming(0.5, 100);
        assertEquals(sink.riseK(0, 100, 1e6), 50, 1e-9);
        assertEquals(sink.riseK(sink.riseK(0, 100, 30), 100, 70), sink.riseK(0, 100, 100), 1e-9);
        assertEquals(sink.riseK(50, 0, 100), 50 / Math.E, 1e-9);
        assertEquals(Warming.emission(0, 180), 0, 0.0);
        assertTrue(Warming.emission(100, 180) > 0.5 && Warming.emission(100, 180) < 1);
        assertEquals(Warming.emission(180, 180), 0.99, 0.001);
    }
}
