package org.tubrin.core.bias;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The drain current's law against its reference points. */
public class BiasLawTest {
    private static final BiasLaw WELL = new BiasLaw(1.9, 3.2, 50, 0.9);

    @DataProvider
    public Object[][] reference() {
        return new Object[][] {{3.40, 0.076, 0.091}, {3.44, 0.109, 0.136}, {3.50, 0.171, 0.228}};
    }

    @Test(dataProvider = "reference")
    public void itDrawsMoreOnceItIsWarm(double gateV, double coldA, double settledA) {
        assertEquals(WELL.currentA(gateV, 25), coldA, 0.0006);
        assertEquals(WELL.settledA(gateV, 25).orElseThrow(), settledA, 0.001);
    }

    @Test
    public void aBadlyMountedOneRunsAwayAtLess() {
        BiasLaw badly = new BiasLaw(1.9, 3.2, 50, 6);
        assertEquals(badly.settledA(3.36, 25), Optional.empty());
        // u = (Vg − Vth0) + 2.565·u² has no solution beyond 1/(4·2.565) = 97 mV.
        assertTrue(badly.settledA(3.297, 25).isPresent());
        assertEquals(badly.settledA(3.298, 25), Optional.empty());
        assertTrue(WELL.settledA(3.36, 25).isPresent());
    }

    /** Below the threshold nothing flows; above it more with every millivolt and with every kelvin. */
    @Test
    public void itRisesWithGateAndHeat() {
        assertEquals(WELL.currentA(3.1, 25), 0);
        double before = 0;
        for (double gateV = 3.21; gateV < 3.6; gateV += 0.01) {
            double now = WELL.currentA(gateV, 25);
            assertTrue(now > before && WELL.currentA(gateV, 26) > now, "at " + gateV);
            before = now;
        }
    }
}
