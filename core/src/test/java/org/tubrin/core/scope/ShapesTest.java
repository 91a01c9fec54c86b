package org.tubrin.core.scope;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Refused;

/** What traces say, against products that are worked out by hand, and against each other. */
public class ShapesTest {
    private static final DoubleUnaryOperator STRAIGHT = DoubleUnaryOperator.identity();
    private static final double SCOPE_NOISE = 0.004;

    private static DoubleUnaryOperator clippedAt(double most) {
        return a -> Math.min(a, most);
    }

    private static EnvelopeShape envelope(Trace trace) {
        return EnvelopeShape.of(trace).orElseThrow();
    }

    /**
     * Third-order products of a beat that is clipped at c: with θ where cos θ = c, the first harmonic is proportional to
     * c·sin θ + π/4 − θ/2 − sin 2θ/4, the third to c·sin 3θ/3 − sin 2θ/4 − sin 4θ/8.
     */
    private static double clippedThirdDb(double c) {
        double theta = Math.acos(c);
        double first = c * Math.sin(theta) + Math.PI / 4 - theta / 2 - Math.sin(2 * theta) / 4;
        double third = c * Math.sin(3 * theta) / 3 - Math.sin(2 * theta) / 4 - Math.sin(4 * theta) / 8;
        return 20 * Math.log10(Math.abs(third) / first);
    }

    @DataProvider
    public Object[][] seeds() {
        return new Object[][] {{1L}, {2L}, {3L}, {4L}, {5L}, {6L}};
    }

    @Test(dataProvider = "seeds")
    public void aPureBeatIsCleanWhereverTheTraceBegins(long seed) {
        Trace trace = Traces.beats(STRAIGHT, STRAIGHT, SCOPE_NOISE, seed);
        assertEquals(trace.peakToPeakV(), 200, 2);
        assertEquals(envelope(trace).found(), List.of());
        assertTrue(
                envelope(trace).thirdDb() < -38,
                "floor of the method: " + envelope(trace).thirdDb());
        assertEquals(TrapezoidShape.of(trace).orElseThrow().found(), List.of());
    }

    @Test(dataProvider = "seeds")
    public void aClippedBeatHasTheProductsOfItsClip(long seed) {
        for (double clip : new double[] {0.6, 0.7, 0.8}) {
            EnvelopeShape shape = envelope(Traces.beats(STRAIGHT, clippedAt(clip), 0, seed));
            assertEquals(shape.thirdDb(), clippedThirdDb(clip), 1.0, "clipped at " + clip);
            assertEquals(shape.found(), List.of(Waveform.FLAT_TOP));
        }
    }

    /** Two verdicts: what the exciter flattens is on the envelope and not on the trapezoid; what the amplifier flattens is on both. */
    @Test(dataProvider = "seeds")
    public void theTrapezoidTellsTheAmplifierFromTheExciter(long seed) {
        Trace byExciter = Traces.beats(clippedAt(0.7), STRAIGHT, SCOPE_NOISE, seed);
        assertEquals(envelope(byExciter).found(), List.of(Waveform.FLAT_TOP));
        assertEquals(TrapezoidShape.of(byExciter).orElseThrow().found(), List.of());
        Trace byAmplifier = Traces.beats(STRAIGHT, clippedAt(0.7), SCOPE_NOISE, seed);
        assertEquals(envelope(byAmplifier).found(), List.of(Waveform.FLAT_TOP));
        TrapezoidShape shape = TrapezoidShape.of(byAmplifier).orElseThrow();
        assertEquals(shape.found(), List.of(Trapezoid.BENT_AT_TOP));
        assertEquals(shape.thirdDb(), clippedThirdDb(0.7), 1.5);
        assertEquals(shape.straightV(), 100, 2, "what an amplifier that does not clip would bring");
    }

    @Test(dataProvider = "seeds")
    public void tooLittleBiasIsAtTheTip(long seed) {
        Trace trace = Traces.beats(STRAIGHT, a -> Math.max(0, a - 0.12) / 0.88, SCOPE_NOISE, seed);
        assertEquals(envelope(trace).found(), List.of(Waveform.CROSSOVER));
        assertEquals(TrapezoidShape.of(trace).orElseThrow().found(), List.of(Trapezoid.BENT_AT_TIP));
    }

    /** A stage in class AB has up to 1.3 dB less gain at next to no drive: that is no step. */
    @Test(dataProvider = "seeds")
    public void expansionOfClassAbIsNoStep(long seed) {
        DoubleUnaryOperator expanding = a -> a * Math.pow(10, -1.3 * Math.exp(-4 * a * a) / 20);
        assertEquals(
                envelope(Traces.beats(STRAIGHT, expanding, SCOPE_NOISE, seed)).found(), List.of());
    }

    @Test
    public void hairAndLopsidednessAreSeen() {
        assertEquals(envelope(Traces.beats(STRAIGHT, STRAIGHT, 0.04, 1)).found(), List.of(Waveform.HAIR));
        Trace even = Traces.beats(STRAIGHT, STRAIGHT, 0, 1);
        Trace lopsided = new Trace(
                even.spanS(), even.lowV().stream().map(volt -> 0.8 * volt).toList(), even.highV(), List.of());
        assertEquals(lopsided.lopsidedShare(), 0.2 / 1.8, 0.005);
        assertEquals(envelope(lopsided).found(), List.of(Waveform.ASYMMETRIC));
        assertTrue(TrapezoidShape.of(lopsided).isEmpty(), "without a second channel");
    }

    @Test
    public void moreWhileTheDriveRisesIsSplit() {
        Trace trace = Traces.beats(STRAIGHT, STRAIGHT, 0, 1);
        List<Double> drive = trace.driveV();
        List<Double> late = new java.util.ArrayList<>(drive.subList(196, 200));
        late.addAll(drive.subList(0, 196));
        assertEquals(
                TrapezoidShape.of(new Trace(trace.spanS(), trace.lowV(), trace.highV(), late))
                        .orElseThrow()
                        .found(),
                List.of(Trapezoid.SPLIT));
    }

    @Test
    public void aCarrierShowsNoBeat() {
        assertTrue(EnvelopeShape.of(Traces.carrier(0.02, 100)).isEmpty());
    }

    @DataProvider
    public Object[][] ripples() {
        return new Object[][] {{0.03, 100, false}, {0.08, 120, true}, {0.2, 100, true}};
    }

    @Test(dataProvider = "ripples")
    public void rippleIsMeasuredAndToldFromTheMains(double share, int hertz, boolean heard) {
        Ripple ripple = Ripple.of(Traces.carrier(share, hertz)).orElseThrow();
        assertEquals(ripple.share(), share, 0.1 * share);
        assertEquals(ripple.hertz(), Optional.of(hertz));
        assertEquals(ripple.isHeard(), heard);
    }

    @Test
    public void whatIsNotOfTheMainsIsNoHum() {
        assertEquals(Ripple.of(Traces.carrier(0.1, 47)).orElseThrow().hertz(), Optional.empty());
    }

    /** 7.1 MHz is not seen by 4000 samples over 2 ms; the lowest and the highest of each column are. */
    @Test
    public void samplesBecomeColumns() {
        double[] output = new double[4000];
        double[] input = new double[4000];
        for (int i = 0; i < output.length; i++) {
            double t = 2e-3 * i / output.length;
            double beat = Math.abs(Math.cos(2 * Math.PI * 700 * t));
            input[i] = 8 * beat * Math.sin(2 * Math.PI * 7.1003e6 * t);
            output[i] = 316 * beat * Math.sin(2 * Math.PI * 7.1003e6 * t);
        }
        Trace trace = Trace.ofSamples(2e-3, output, input);
        assertEquals(trace.columns(), 200);
        assertEquals(trace.peakToPeakV(), 632, 10);
        assertEquals(envelope(trace).found(), List.of());
        assertEquals(TrapezoidShape.of(trace).orElseThrow().found(), List.of());
    }

    @Test
    public void whatIsNoTraceIsRefused() {
        List<Double> volts = Collections.nCopies(100, 1.0);
        assertThrows(Refused.class, () -> new Trace(1e-3, volts, Collections.nCopies(99, 1.0), List.of()));
        assertThrows(Refused.class, () -> new Trace(0, volts, volts, List.of()));
        assertThrows(Refused.class, () -> new Trace(1e-3, volts, Collections.nCopies(100, Double.NaN), List.of()));
        assertThrows(Refused.class, () -> new Trace(1e-3, volts.subList(0, 10), volts.subList(0, 10), List.of()));
    }
}
