package org.tubrin.core.metering;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

public class ComparisonTest {
    private static final Instant AT = Instant.parse("2026-11-20T12:00:00Z");
    private static final MeterRange RANGE = new MeterRange("1.5 kW", 1500);
    private static final double[] POWERS = {60, 150, 300, 500, 800};

    /** Points of a meter that shows {@code ((√P − low)/gain)²}, the reference 1 % on its own and so much shared. */
    private static List<Comparison.Point> points(double gain, double low, double shared, long seed) {
        Random random = new Random(seed);
        List<Comparison.Point> points = new ArrayList<>();
        for (double power : POWERS) {
            double scatter = 0.01 * power;
            double seen = power + scatter * random.nextGaussian();
            double u = Math.hypot(scatter, shared * power);
            Quantity reference =
                    Quantity.of(seen, Unit.WATT, Standing.MEASURED, new ErrorSource("reference", "", ""), u);
            double raw = Math.pow((Math.sqrt(power) - low) / gain, 2);
            points.add(new Comparison.Point(reference, scatter, raw));
        }
        return points;
    }

    @Test
    public void aMeterThatReadsSixPercentLowIsFound() {
        Comparison found = Comparison.of(AT, RANGE, "Ballast by heat", points(Math.sqrt(1 / 0.94), 0, 0.01, 1));
        assertEquals(found.correction().corrected(470), 500, 6);
        assertEquals(found.correction().lowEndRootW(), 0.0, "no diode, no low end");
        assertTrue(found.believable(), found.toString());
        assertTrue(found.correction().standardUncertainty(470) < 0.02 * 500, found.toString());
        assertEquals(found.reads(470), Comparison.Reads.LOW);
        assertEquals(found.off(470).value(), -0.06, 0.012);
        Comparison straight = Comparison.of(AT, RANGE, "Ballast by heat", points(1, 0, 0.01, 5));
        assertEquals(straight.reads(470), Comparison.Reads.RIGHT, straight.toString());
    }

    @Test
    public void aDiodesLowEndIsToldFromItsGain() {
        Comparison found = Comparison.of(AT, RANGE, "scope", points(1.0, 1.5, 0.0, 2));
        assertEquals(found.correction().lowEndRootW(), 1.5, 0.5);
        assertEquals(found.correction().corrected(Math.pow(Math.sqrt(100) - 1.5, 2)), 100, 5);
    }

    @Test
    public void statedUncertaintyHoldsTheTruthAsOftenAsItSays() {
        int held = 0;
        int runs = 400;
        for (int i = 0; i < runs; i++) {
            Correction found =
                    Comparison.of(AT, RANGE, "r", points(1.03, 0, 0, 100 + i)).correction();
            double raw = Math.pow(Math.sqrt(400) / 1.03, 2);
            if (Math.abs(found.corrected(raw) - 400) < 1.96 * found.standardUncertainty(raw)) {
                held++;
            }
        }
        assertTrue(held > 0.92 * runs, held + " of " + runs);
    }

    @Test
    public void whatTheReferenceSharesWidensTheGainAndNothingElse() {
        Correction sharp = Comparison.of(AT, RANGE, "r", points(1.03, 0, 0, 3)).correction();
        Correction shared =
                Comparison.of(AT, RANGE, "r", points(1.03, 0, 0.05, 3)).correction();
        assertEquals(shared.gain(), sharp.gain(), 1e-12);
        assertEquals(shared.standardUncertainty(400) / shared.corrected(400), 0.05, 0.01);
    }

    @Test
    public void pointsThatLieOnNoLineAreNotBelieved() {
        List<Comparison.Point> points = new ArrayList<>(points(1, 0, 0, 4));
        Comparison.Point odd = points.get(2);
        points.set(2, new Comparison.Point(odd.referenceW(), odd.scatterW(), odd.rawW() * 1.5));
        assertFalse(Comparison.of(AT, RANGE, "r", points).believable());
        assertThrows(Refused.class, () -> Comparison.of(AT, RANGE, "r", points.subList(0, 2)));
    }

    @Test
    public void theNewestCorrectionOfARangeCountsAndTheRawReadingStays() {
        Channel knocked = Sample.FATHOM
                .channel(ReadingRole.OUTPUT)
                .orElseThrow()
                .with(new Correction(AT, "1.5 kW", Math.sqrt(1 / 0.94), 0.005, 0, 0, 0, "r"))
                .with(new Correction(AT.minusSeconds(9), "1.5 kW", 1.4, 0.005, 0, 0, 0, "r"));
        Reading reading = new Reading(ReadingRole.OUTPUT, "470", 470, "Fathom", "1.5 kW");
        Quantity worth = knocked.measured(reading, RANGE);
        assertEquals(worth.value(), 500, 1e-9);
        assertEquals(reading.rawValue(), 470.0);
        double byClass = Sample.FATHOM
                .channel(ReadingRole.OUTPUT)
                .orElseThrow()
                .measured(reading, RANGE)
                .standardUncertainty();
        assertTrue(worth.standardUncertainty() < byClass / 4, worth + " against " + byClass);
        // The other range was not compared.
        MeterRange low = new MeterRange("150 W", 150);
        assertEquals(knocked.measured(100, "Fathom", low).value(), 100.0);
    }

    @DataProvider
    public Object[][] entries() {
        // Into 50 ohm: 200 V rms are 800 W by definition.
        return new Object[][] {
            {"565.7 Vpp", 800},
            {"282.84 Vpk", 800},
            {"200 Vrms", 800},
            {"56,57vpp x10", 800},
            {"5.657 div 10 V x10", 800},
            {"5.657div@100V", 800},
            {"28.0 Vdet x10", 800.9},
        };
    }

    @Test(dataProvider = "entries")
    public void voltagesComeToWattsByTheMeasuredResistance(String text, double watts) {
        PowerEntry entry = PowerEntry.parse("OUTPUT", text).orElseThrow();
        Quantity power = entry.watts(PowerEntry.measuredOhm(50));
        assertEquals(power.value(), watts, 0.5, text);
        assertEquals(entry.watts(PowerEntry.measuredOhm(51.6)).value(), watts * 50 / 51.6, 0.5);
        // Twice the share of the voltage, and that of the resistance.
        double share = power.standardUncertainty() / power.value();
        assertTrue(share > 0.02 && share < 0.06, text + ": " + share);
    }

    @Test
    public void plainWattsAreNoVoltageAndNonsenseIsRefused() {
        assertTrue(PowerEntry.parse("OUTPUT", "885").isEmpty());
        assertTrue(PowerEntry.parse("OUTPUT", "0.885 kW").isEmpty());
        assertThrows(Refused.class, () -> PowerEntry.parse("OUTPUT", "1.2.3 Vpp"));
        assertThrows(Refused.class, () -> PowerEntry.parse("OUTPUT", "99999 Vpp"));
    }

    @Test
    public void reflectionFollowsItsClosedForms() {
        Quantity forward = watts(100);
        Reflection quarter = Reflection.of(forward, watts(25));
        assertEquals(quarter.swr(), 3, 1e-9);
        assertEquals(quarter.returnLossDb().orElseThrow(), 6.0206, 1e-4);
        assertEquals(quarter.netW().value(), 75, 1e-9);
        assertEquals(Reflection.of(forward, watts(0)).swr(), 1.0);
        assertTrue(Reflection.of(forward, watts(0)).returnLossDb().isEmpty());
        assertThrows(Refused.class, () -> Reflection.of(forward, watts(100)));
    }

    @Test
    public void twoTonesComeToTheirPeaks() {
        assertEquals(Tones.TWO_TONE_AVERAGE_POWER.shown(watts(400)).pep().value(), 800, 1e-9);
        assertEquals(Tones.TWO_TONE_AVERAGE_POWER.shown(watts(400)).mean().value(), 400, 1e-9);
        // 350 W shown by a meter of average voltage: PEP 350/(2/π)² = 863.6 W, mean half of it, peak √(2·863.6·50) =
        // 293.9 V.
        Tones.Powers shown = Tones.TWO_TONE_AVERAGE_VOLTAGE.shown(watts(350));
        assertEquals(shown.pep().value(), 863.6, 0.1);
        assertEquals(shown.mean().value(), 431.8, 0.1);
        assertEquals(PowerEntry.voltageV(shown.pep().value(), 50, PowerEntry.Form.PK), 293.9, 0.1);
    }

    @Test
    public void aVoltageOfTwoTonesTellsItsPeakOrItsMeanByItsForm() {
        Quantity ohm = Quantity.exact(50, Unit.OHM, Standing.MEASURED);
        for (Tones tones : Tones.values()) {
            double mean = tones == Tones.CARRIER ? 1 : 0.5;
            Optional<PowerEntry> peak = PowerEntry.parse("entry", "200 Vpk");
            Tones.Powers ofPeak = tones.of(peak, peak.orElseThrow().watts(ohm));
            assertEquals(ofPeak.pep().value(), 400, 1e-9);
            assertEquals(ofPeak.mean().value(), 400 * mean, 1e-9);
            Optional<PowerEntry> rms = PowerEntry.parse("entry", "100 Vrms");
            Tones.Powers ofRms = tones.of(rms, rms.orElseThrow().watts(ohm));
            assertEquals(ofRms.mean().value(), 200, 1e-9);
            assertEquals(ofRms.pep().value(), 200 / mean, 1e-9);
        }
    }

    private static Quantity on(double watts, double fullScaleW) {
        double u = 0.05 * fullScaleW / Math.sqrt(3);
        return Quantity.of(watts, Unit.WATT, Standing.MEASURED, new ErrorSource("Fathom", "OUTPUT", "one range"), u);
    }

    @Test
    public void forwardAndReflectedErrByThemselvesAlsoOnOneBox() {
        // Bounds 7.5 and 0.75 W: √(7.5² + 0.75²)/√3 = 4.35 W.
        Quantity net = Reflection.of(on(100, 150), on(11.1, 15)).netW();
        assertEquals(net.value(), 88.9, 1e-9);
        assertEquals(net.standardUncertainty(), 4.35, 0.01);
        assertEquals(
                Reflection.of(on(100, 150), on(11.1, 150)).netW().standardUncertainty(), 4.33 * Math.sqrt(2), 0.01);
    }

    @Test
    public void aRatioOfAFewWattsIsAnInterval() {
        // √(0.2/6) = 0.183: 1.45; on ranges of 15 and 3 W the reflected watts lie between 0.03 and 0.37.
        Reflection low = Reflection.of(on(6, 15), on(0.2, 3));
        assertEquals(low.swr(), 1.447, 0.001);
        assertEquals(low.swrLow(), 1.15, 0.06);
        assertEquals(low.swrHigh(), 1.68, 0.06);
        Reflection lost = Reflection.of(on(6, 150), on(0.2, 150));
        assertEquals(lost.swrLow(), 1.0);
        assertTrue(lost.swrHigh() > 5, "a range that does not show it leaves all open: " + lost);
    }

    @Test
    public void wattmeterAndVoltageAgreeWithinWhatTheyClaim() {
        assertTrue(Agreement.of(watts(800, 20), watts(830, 25)).agree());
        Agreement tenfold = Agreement.of(watts(8, 0.3), watts(800, 20));
        assertEquals(tenfold.causes().get(0), Agreement.Cause.PROBE_RATIO);
        Agreement some = Agreement.of(watts(800, 10), watts(700, 10));
        assertEquals(some.causes().get(0), Agreement.Cause.LOAD_RESISTANCE);
        assertEquals(some.difference().value(), -100, 1e-9);
    }

    @Test
    public void whoIsToBeBelievedChangesWithThePower() {
        Channel plain = Sample.FATHOM.channel(ReadingRole.OUTPUT).orElseThrow();
        Channel digital = new Channel(
                ReadingRole.OUTPUT,
                ScaleUnit.W,
                List.of(new MeterRange("all", 200)),
                new Accuracy.OfReading(0.05, 0.1),
                Indication.AVERAGE,
                1,
                java.util.Optional.empty());
        List<Belief.Source> sources =
                List.of(new Belief.Source("Fathom", plain), new Belief.Source("digital", digital));
        assertEquals(Belief.of(20, sources).ranked().get(0).instrument(), "digital");
        assertEquals(Belief.of(180, sources).ranked().get(0).instrument(), "digital");
        assertEquals(Belief.of(500, sources).ranked().size(), 1);
        assertEquals(Belief.of(149, sources).ranked().get(0).instrument(), "Fathom");
    }

    private static Quantity watts(double value) {
        return watts(value, 0);
    }

    private static Quantity watts(double value, double uncertainty) {
        return Quantity.of(value, Unit.WATT, Standing.MEASURED, new ErrorSource("m" + value, "", ""), uncertainty);
    }
}
