package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Refused;

public class ProductsTest {
    /** Returns a product of the curve over a beat by a discrete cosine sum, in decibels below a tone. */
    private static double product(List<Linearity.Sample> curve, int order) {
        double tone = 0;
        double sum = 0;
        int points = 720;
        for (int n = 0; n < points; n++) {
            double phi = 2 * Math.PI * (n + 0.5) / points;
            double drive = Math.cos(phi);
            double output = Math.signum(drive) * at(curve, Math.abs(drive));
            tone += output * Math.cos(phi);
            sum += output * Math.cos(order * phi);
        }
        return 20 * Math.log10(Math.abs(sum / tone));
    }

    private static double at(List<Linearity.Sample> curve, double drive) {
        double x = 0;
        double y = 0;
        for (Linearity.Sample sample : curve) {
            if (sample.driveAmplitude() >= drive) {
                double share = (drive - x) / (sample.driveAmplitude() - x);
                return y + share * (sample.outputPeakV() - y);
            }
            x = sample.driveAmplitude();
            y = sample.outputPeakV();
        }
        return y;
    }

    @Test
    public void theCurveOfProductsMakesThoseProducts() {
        List<Linearity.Sample> curve = new Products(-24, Optional.of(-36.0)).curve();
        assertEquals(product(curve, 3), -24, 0.1);
        assertEquals(product(curve, 5), -36, 0.4);
        double slopeAtFirst = curve.get(0).outputPeakV() / curve.get(0).driveAmplitude();
        assertTrue(slopeAtFirst > curve.get(39).outputPeakV(), "the peak is flattened");
    }

    @Test
    public void productsBelowPepAreSixDecibelsNearerToATone() {
        Products products = Products.belowPep(-36, Optional.of(-46.0));
        assertEquals(products.thirdDb(), -30, 0.03);
        assertEquals(products.fifthDb().orElseThrow(), -40, 0.03);
        assertEquals(Products.belowPep(-29, Optional.empty()).judgement(), Linearity.Grade.ROUGH);
        assertEquals(products.judgement(), Linearity.Grade.FAIR);
    }

    @Test
    public void theAmplifiersOwnPartHoldsTheTruthWhateverTheAngle() {
        Random random = new Random(4);
        for (int i = 0; i < 2000; i++) {
            double exciter = Math.pow(10, -1 - random.nextDouble() * 2);
            double own = Math.pow(10, -1 - random.nextDouble() * 2);
            double angle = random.nextDouble() * 2 * Math.PI;
            double whole = Math.hypot(exciter + own * Math.cos(angle), own * Math.sin(angle));
            Products.OwnPart part = Products.OwnPart.of(20 * Math.log10(whole), 20 * Math.log10(exciter));
            double ownDb = 20 * Math.log10(own);
            assertTrue(ownDb <= part.mostDb() + 1e-9, part + " " + ownDb);
            assertTrue(part.leastDb().map(least -> least - 1e-9 <= ownDb).orElse(true), part + " " + ownDb);
        }
        assertEquals(Products.OwnPart.of(-30, -33).likelyDb().orElseThrow(), -33.0, 0.03);
        assertTrue(Products.OwnPart.of(-33, -30).likelyDb().isEmpty(), "better than the exciter alone");
    }

    @Test
    public void whatNoAnalyserShowsIsRefused() {
        Refused refused = expectThrows(Refused.class, () -> new Products(5, Optional.of(-200.0)));
        assertEquals(refused.problems().size(), 2);
    }
}
