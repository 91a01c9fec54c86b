package org.tubrin.core.tank;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.Test;

public class PiNetworkTest {
    private static final double HZ = 7.1e6;
    private static final double OMEGA = 2 * Math.PI * HZ;

    private static PiNetwork network(double coilH, double quality, double plateF, double loadF, double ohm, double x) {
        PiNetwork network = new PiNetwork();
        network.set(HZ, coilH, quality, plateF, loadF, ohm, x);
        return network;
    }

    @Test
    public void withoutCapacitorsItIsTheCoilInSeriesWithTheLoad() {
        PiNetwork bare = network(1e-6, 200, 0, 0, 50, 12);
        assertEquals(bare.resistanceOhm(), 50 + OMEGA * 1e-6 / 200, 1e-9);
        assertEquals(bare.reactanceOhm(), 12 + OMEGA * 1e-6, 1e-9);
        assertEquals(bare.efficiency(), 50 / (50 + OMEGA * 1e-6 / 200), 1e-12);
    }

    @Test
    public void theClassicDesignShowsThePlateWhatItWasDesignedFor() {
        // Lossless pi from 2000 Ω to 50 Ω: X1 = R1/Q, X2 and XL in closed form (W. L. Everitt, 1931).
        double plateOhm = 2000;
        double quality = 12;
        double x1 = plateOhm / quality;
        double branchOhm = plateOhm / (1 + quality * quality);
        double swing = Math.sqrt(50 / branchOhm - 1);
        double x2 = 50 / swing;
        double coil = branchOhm * (quality + swing);
        PiNetwork designed = network(coil / OMEGA, 1e9, 1 / (OMEGA * x1), 1 / (OMEGA * x2), 50, 0);
        assertEquals(designed.resistanceOhm(), plateOhm, 1e-4);
        assertEquals(designed.reactanceOhm(), 0, 1e-3);
        assertEquals(designed.resonantPlateF(), 1 / (OMEGA * x1), 1e-18);
        assertEquals(designed.voltageRatio(), Math.sqrt(50 / plateOhm), 1e-6);
    }

    @Test
    public void powerIntoItIsPowerOutAndLoss() {
        Random random = new Random(4);
        for (int i = 0; i < 2000; i++) {
            double ohm = 5 + 300 * random.nextDouble();
            double reactance = 60 * random.nextGaussian();
            PiNetwork one = network(
                    0.3e-6 + 8e-6 * random.nextDouble(),
                    20 + 400 * random.nextDouble(),
                    400e-12 * random.nextDouble(),
                    2500e-12 * random.nextDouble(),
                    ohm,
                    reactance);
            double square = one.resistanceOhm() * one.resistanceOhm() + one.reactanceOhm() * one.reactanceOhm();
            double intoW = 0.5 * one.resistanceOhm() / square;
            double outV = one.voltageRatio();
            assertTrue(one.resistanceOhm() > 0, "it gives no power of its own");
            assertTrue(one.efficiency() > 0 && one.efficiency() < 1);
            // The load's conductance, ohm / |ZL|², takes just what the efficiency says.
            double loadSquare = ohm * ohm + reactance * reactance;
            double outW = 0.5 * outV * outV * ohm / loadSquare;
            assertEquals(one.efficiency() * intoW, outW, 1e-9 * intoW);
        }
    }

    @Test
    public void capacitorsFollowTheirDialsAndBack() {
        Dial dial = new Dial(0, 100, 10);
        for (boolean rises : new boolean[] {true, false}) {
            CapacitorLaw law = new CapacitorLaw(30e-12, 250e-12, 1.6, rises, OptionalDouble.empty());
            double last = rises ? 0 : 1;
            for (double mark = 0; mark <= 100; mark += 5) {
                double capacitance = law.capacitanceF(dial, mark);
                assertEquals(law.position(dial, capacitance), mark, 1e-6);
                assertTrue(rises ? capacitance > last : capacitance < last);
                last = capacitance;
            }
            assertEquals(law.capacitanceF(dial, rises ? 100 : 0), law.mostF(), 1e-18);
            assertEquals(law.position(dial, 1e-9), rises ? 100 : 0, 0.0);
            assertEquals(law.position(dial, 1e-12), rises ? 0 : 100, 0.0);
        }
    }
}
