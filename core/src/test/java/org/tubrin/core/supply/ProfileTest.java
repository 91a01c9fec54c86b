package org.tubrin.core.supply;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Envelope;

/** A set's current over its output: the law behind it, what lies between points, and what a mode makes of it. */
public class ProfileTest {
    static CurrentProfile halyard() {
        return profile(13.8, 1.3, 2.0, 19.0, 0.5, 5, 10, 25, 50, 75, 100);
    }

    /** Points of {@code I0 + a·(P/100)^b} with 0.1 A on each. */
    static CurrentProfile profile(
            double voltageV, double listeningA, double idleA, double riseA, double exponent, double... outputsW) {
        List<CurrentPoint> points = new ArrayList<>(List.of(new CurrentPoint(0, idleA, 0.1, 0)));
        for (double outputW : outputsW) {
            points.add(new CurrentPoint(outputW, idleA + riseA * Math.pow(outputW / 100, exponent), 0.1, 0));
        }
        return new CurrentProfile("Halyard 100", voltageV, listeningA, points);
    }

    @Test
    public void withoutOutputTheDrawIsAsSureAsItWasRead() {
        List<CurrentPoint> points = List.of(
                new CurrentPoint(0, 10.2, 0.2, 0),
                new CurrentPoint(7, 14, 0.2, 4.33),
                new CurrentPoint(100, 30, 0.3, 4.33));
        Quantity idle = new CurrentProfile("Set", 50, 5, points).currentA(0);
        assertEquals(idle.value(), 10.2, 1e-9);
        assertEquals(idle.standardUncertainty(), 0.2, 1e-9, "no output is known without a meter");
    }

    @Test
    public void whatIsDrawnListeningIsAPartOfTheIdleCurrent() {
        List<CurrentPoint> points = List.of(
                new CurrentPoint(5, 4.1, 0.1, 0), new CurrentPoint(25, 9.6, 0.1, 0), new CurrentPoint(100, 20, 0.1, 0));
        double without = ProfileFit.of(points, 0).orElseThrow().idleA();
        ProfileFit with = ProfileFit.of(points, 0.6).orElseThrow();
        assertTrue(without < 0.6 && with.idleA() >= 0.6 - 1e-9, without + " and " + with.idleA());
    }

    @Test
    public void theFallThatIsAssumedHoldsSetsThatLoseHalf() {
        OutputFall assumed = OutputFall.assumed(halyard());
        assertEquals(assumed.exponent().value(), 3, 1e-12);
        assertEquals(assumed.exponent().standardUncertainty(), 1.5, 1e-12);
        Quantity left = assumed.shareAt(Quantity.exact(12, Unit.VOLT, Standing.MEASURED));
        assertTrue(left.value() - 2 * left.standardUncertainty() < 0.5 && left.value() < 0.7, left.toString());
    }

    @DataProvider
    public Object[][] laws() {
        return new Object[][] {{2.0, 19.0, 0.5}, {1.0, 22.0, 0.42}, {4.0, 15.0, 0.65}};
    }

    @Test(dataProvider = "laws")
    public void theLawBehindThePointsIsFound(double idleA, double riseA, double exponent) {
        ProfileFit fit = profile(13.8, 1, idleA, riseA, exponent, 5, 10, 25, 50, 75, 100)
                .fit()
                .orElseThrow();
        assertEquals(fit.idleA(), idleA, 0.1);
        assertEquals(fit.riseA(), riseA, 0.15);
        assertEquals(fit.exponent(), exponent, 0.02);
    }

    @Test
    public void theIntervalsHoldTheTruthAboutAsOftenAsTheySay() {
        Random random = new Random(7);
        int held = 0;
        for (int trial = 0; trial < 200; trial++) {
            List<CurrentPoint> points = new ArrayList<>();
            for (double outputW : new double[] {0, 10, 25, 50, 80}) {
                double truth = 2 + 19 * Math.sqrt(outputW / 100);
                points.add(new CurrentPoint(outputW, truth + 0.2 * random.nextGaussian(), 0.2, 0));
            }
            Quantity beyond =
                    new CurrentProfile("S", 13.8, 1, points).fit().orElseThrow().currentA(100, "S");
            held += Math.abs(beyond.value() - 21) < 1.96 * beyond.standardUncertainty() ? 1 : 0;
        }
        assertTrue(held >= 182 && held <= 200, held + " of 200 intervals of 95 %");
    }

    @Test
    public void whatWasMeasuredIsSaidAsItWasAndWhatLiesBeyondIsPredicted() {
        CurrentProfile profile = halyard();
        for (CurrentPoint point : profile.points()) {
            assertEquals(profile.currentA(point.outputW()).value(), point.currentA(), 1e-9);
            assertEquals(profile.currentA(point.outputW()).standing(), Standing.MEASURED);
        }
        assertEquals(profile.currentA(37).value(), 2 + 19 * Math.sqrt(0.37), 0.05);
        Quantity beyond = profile.currentA(130);
        assertEquals(beyond.standing(), Standing.PREDICTED);
        assertEquals(beyond.value(), 2 + 19 * Math.sqrt(1.3), 0.4);
        assertEquals(
                profile.currentA(100.001).value(), profile.currentA(100).value(), 0.01, "no step at the last point");
        assertTrue(beyond.standardUncertainty() > profile.currentA(90).standardUncertainty() / 2);
    }

    @Test
    public void moreOutputNeverDrawsLessEvenWhereAReadingFell() {
        CurrentProfile profile = new CurrentProfile(
                "S",
                13.8,
                1,
                List.of(
                        new CurrentPoint(0, 2, 0.1, 0),
                        new CurrentPoint(20, 10.4, 0.3, 0),
                        new CurrentPoint(25, 10.1, 0.3, 0),
                        new CurrentPoint(60, 16.5, 0.3, 0),
                        new CurrentPoint(100, 21, 0.3, 0)));
        double before = 0;
        for (double outputW = 0; outputW <= 140; outputW += 0.5) {
            double now = profile.currentA(outputW).value();
            assertTrue(now >= before - 1e-9, "falls at " + outputW + " W");
            before = now;
        }
    }

    @Test
    public void inputOutputAndHeatBalance() {
        CurrentProfile profile = halyard();
        double input = 13.8 * profile.currentA(50).value();
        assertEquals(profile.efficiency(50).value(), 50 / input, 1e-12);
        assertEquals(profile.heatW(50).value() + 50, input, 1e-9);
        assertTrue(profile.efficiency(100).value() > profile.efficiency(25).value(), "class B is best at full output");
    }

    @Test
    public void twoVoltagesShowHowTheOutputFalls() {
        CurrentProfile high = profile(13.8, 1, 2, 19, 0.5, 50, 100);
        CurrentProfile low = profile(12, 1, 2, 19, 0.5, 25, 55);
        OutputFall fall = OutputFall.between(low, high);
        assertEquals(fall.shareAt(volts(13.8, 0)).value(), 1, 1e-12);
        assertEquals(fall.shareAt(volts(12, 0)).value(), 0.55, 1e-12);
        assertEquals(fall.exponent().standing(), Standing.MEASURED);
        OutputFall alone = OutputFall.between(high, high);
        assertEquals(alone.exponent().standing(), Standing.ASSUMED);
        assertEquals(alone.shareAt(volts(12, 0)).value(), Math.pow(12 / 13.8, 3), 1e-12);
        assertEquals(alone.shareAt(volts(15, 0)).value(), 1.0, "more voltage is not told to give more");
    }

    @Test
    public void theOutputLeftIsAsUnsureAsTheVoltageAndTheLaw() {
        OutputFall fall = new OutputFall(
                13.8, Quantity.of(2, Unit.ONE, Standing.ASSUMED, new ErrorSource("set", "fall", ""), 0.5));
        Quantity left = fall.shareAt(volts(12, 0.1));
        double byVoltage = (Math.pow(12.1 / 13.8, 2) - Math.pow(11.9 / 13.8, 2)) / 2;
        double byLaw = (Math.pow(12 / 13.8, 1.5) - Math.pow(12 / 13.8, 2.5)) / 2;
        assertEquals(left.standardUncertainty(), Math.hypot(byVoltage, byLaw), 1e-3);
        assertTrue(fall.shareAt(volts(0, 0.1)).value() == 0, "nothing is left of nothing");
    }

    private static Quantity volts(double value, double unsure) {
        return Quantity.of(value, Unit.VOLT, Standing.ASSUMED, new ErrorSource("meter", "V", ""), unsure);
    }

    @Test
    public void aSteadyCarrierDrawsItsPeakAndSpeechFarLess() {
        CurrentProfile profile = halyard();
        Draw carrier = Draw.of(profile, new Envelope.Constant(), 100);
        assertEquals(carrier.averageA().value(), carrier.peakA().value(), 1e-9);
        Draw cw = Draw.of(profile, Envelope.cwText(), 100);
        assertEquals(cw.averageA().value(), 0.45 * 21 + 0.55 * 2, 1e-9);
        Draw speech = Draw.of(profile, Envelope.speech(), 100);
        Draw processed = Draw.of(profile, Envelope.processed(), 100);
        assertTrue(speech.averageA().value() < processed.averageA().value(), "processing raises it");
        assertTrue(processed.averageA().value() < cw.averageA().value() + 4);
        double byPower = 2 + 19 * speech.outputW() / 100;
        assertTrue(speech.averageA().value() > byPower + 1, "current follows the envelope, not its square");
    }

    @Test
    public void envelopesAreWholeAndAModulatedCarrierHasItsTextbookPower() {
        for (Envelope envelope : List.of(
                new Envelope.Constant(),
                Envelope.cwText(),
                Envelope.slotted(),
                Envelope.speech(),
                Envelope.processed(),
                new Envelope.Amplitude(1))) {
            double whole = envelope.levels().stream()
                    .mapToDouble(Envelope.Level::timeShare)
                    .sum();
            assertEquals(whole, 1, 1e-9, envelope.toString());
        }
        for (double depth : new double[] {0, 0.5, 1}) {
            double carrier = 1 / ((1 + depth) * (1 + depth));
            assertEquals(
                    new Envelope.Amplitude(depth).meanPowerShare(),
                    carrier * (1 + depth * depth / 2),
                    2e-3,
                    "depth " + depth);
        }
    }

    @Test
    public void badPointsAreRefusedByNameAllAtOnce() {
        try {
            new CurrentPoint(-1, 500, 0.1, 0);
        } catch (Refused refused) {
            assertEquals(refused.problems().size(), 2);
            assertEquals(refused.problems().get(0).path(), "outputW");
            return;
        }
        throw new AssertionError("nothing was refused");
    }
}
