package org.tubrin.core.tank;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.Test;

public class GapStressTest {
    @Test
    public void aKilowattIntoAMatchAndIntoTwoToOne() {
        // 1000 W into 50 ohm: 316.2 V peak; at 2:1 the square root of two more.
        assertEquals(GapStress.peakV(1000, 1), 316.228, 1e-3);
        assertEquals(GapStress.peakV(1000, 2), 447.214, 1e-3);
    }

    @Test
    public void whatAGapStandsIsTheInverseOfWhatItMust() {
        double swr = GapStress.swrStood(800, 700);
        assertEquals(GapStress.peakV(800, swr), 700, 1e-9);
        assertEquals(GapStress.peakV(GapStress.outputStoodW(2.5, 700), 2.5), 700, 1e-9);
    }

    @Test
    public void aReflectionBesideAKnownOneGivesTheLoadThatHasIt() {
        ImpedancePoint line = new ImpedancePoint(7e6, 50, 0);
        ImpedancePoint load = Mismatch.beside(line, 0.2, -0.1, 0.8);
        assertEquals(Mismatch.reflectedShare(load.ohm(), load.reactanceOhm()), 0.05, 1e-12);
        ImpedancePoint back = Mismatch.beside(load, -0.2, 0.1, 0.8);
        assertEquals(back.ohm(), 50, 1e-9);
        assertEquals(back.reactanceOhm(), 0, 1e-9);
        ImpedancePoint held = Mismatch.beside(line, 3, 0, 0.8);
        assertEquals(held.ohm(), 450, 1e-6, "no more than may be: SWR 9");
    }
}
