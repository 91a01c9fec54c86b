package org.tubrin.core.tank;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.Test;

public class MismatchTest {
    /** Whatever the angle, the ratio comes back; 3:1 in phase are 150 Ω, against it 16.7 Ω. */
    @Test
    public void aCircleHoldsOneRatio() {
        for (double swr : new double[] {1, 1.5, 3, 9}) {
            for (double angle = 0; angle < 2 * Math.PI; angle += 0.1) {
                ImpedancePoint load = Mismatch.onCircle(7.1e6, swr, angle);
                assertEquals(Mismatch.swr(load.ohm(), load.reactanceOhm()), swr, 1e-6);
            }
        }
        assertEquals(Mismatch.onCircle(7.1e6, 3, 0).ohm(), 150, 1e-9);
        assertEquals(Mismatch.onCircle(7.1e6, 3, Math.PI).ohm(), 50.0 / 3, 1e-9);
    }
}
