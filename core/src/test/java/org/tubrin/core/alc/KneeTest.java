package org.tubrin.core.alc;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.alc.LevelLaw.Shows;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/** Knee and gauge against an exciter whose law is known. */
public class KneeTest {
    private static final double[] LEVELS = {0.1, 0.2, 0.3, 0.4, 0.5, 0.55, 0.6, 0.65, 0.75};
    private static final double EYE_W = 0.004;
    private static final double KNEE = 0.58;

    private static final LevelLaw EXCITER = new LevelLaw(KNEE, 1.06);

    private static DoubleUnaryOperator shows(Shows shows) {
        return level -> EXCITER.gauge(shows, level, 0);
    }

    private static List<LevelPoint> points(double knee, DoubleUnaryOperator gauge, Random random) {
        List<LevelPoint> points = new ArrayList<>();
        for (double level : LEVELS) {
            double watt = new LevelLaw(knee, 1.06).outputW(1, level) + EYE_W * random.nextGaussian();
            points.add(new LevelPoint(
                    level,
                    Quantity.exact(watt, Unit.WATT, Standing.MEASURED),
                    EYE_W,
                    Optional.of(gauge.applyAsDouble(level)),
                    Optional.empty(),
                    false));
        }
        return points;
    }

    @Test
    public void theLawIsThatOfTheReference() {
        double[] reference = {0.03, 0.13, 0.28, 0.50, 0.78, 0.91, 1.00, 1.04, 1.06};
        int[] gauge = {5, 8, 11, 15, 20, 24, 29, 34, 44};
        for (int i = 0; i < LEVELS.length; i++) {
            assertEquals(EXCITER.outputW(1, LEVELS[i]), reference[i], 0.006, "at " + LEVELS[i]);
            assertEquals(EXCITER.gauge(Shows.ALL_THE_WAY, LEVELS[i], 0), gauge[i], 2.01, "gauge at " + LEVELS[i]);
        }
    }

    @Test
    public void theKneeIsWhereTheOutputStopsFollowing() {
        Knee knee = Knee.of(points(KNEE, shows(Shows.BARS_THAT_FALL), new Random(1)))
                .orElseThrow();
        assertEquals(knee.level(), KNEE, 0.02);
        assertEquals(knee.outputW(), 1.06 * Math.pow(0.5, 1.0 / 8), 0.05);
        assertEquals(knee.windowLow(), 0.8 * knee.level(), 1e-12);
        assertTrue(knee.windowHigh() < knee.level() && knee.windowHigh() > knee.windowLow());
    }

    @Test
    public void withinADecibelInNearlyAllCasesAndNoLevelBeyondItIsAdvised() {
        Random random = new Random(5);
        int near = 0;
        int beyond = 0;
        int held = 0;
        int cases = 400;
        for (int i = 0; i < cases; i++) {
            double truth = 0.45 + 0.18 * random.nextDouble();
            Knee knee =
                    Knee.of(points(truth, shows(Shows.BARS_THAT_FALL), random)).orElseThrow();
            near += Math.abs(20 * Math.log10(knee.level() / truth)) < 1 ? 1 : 0;
            held += Math.abs(knee.level() - truth) < knee.halfWidth() ? 1 : 0;
            beyond += knee.windowHigh() > truth ? 1 : 0;
        }
        assertTrue(near >= 0.99 * cases, near + " within a decibel");
        assertEquals(beyond, 0, "levels beyond the knee");
        assertTrue(held >= 0.93 * cases, held + " within the interval of 95 %");
    }

    @DataProvider
    public Object[][] gauges() {
        return new Object[][] {
            {shows(Shows.BARS_THAT_FALL), Gauge.Kind.RESTS, false, 8.0, 8.0},
            {shows(Shows.DECIBELS_THAT_RISE), Gauge.Kind.RESTS, true, 0.0, 0.0},
            {shows(Shows.ALL_THE_WAY), Gauge.Kind.MOVES_THROUGHOUT, true, 17.9, 22.4},
        };
    }

    @Test(dataProvider = "gauges")
    public void aGaugeIsWhatItsOwnReadingsMakeIt(
            DoubleUnaryOperator shows, Gauge.Kind kind, boolean rises, double low, double high) {
        List<LevelPoint> points = points(KNEE, shows, new Random(2));
        Gauge gauge = Gauge.of(points, Knee.of(points).orElseThrow()).orElseThrow();
        assertEquals(gauge.kind(), kind);
        assertEquals(gauge.rises(), rises);
        assertEquals(gauge.low(), low, 1.6);
        assertEquals(gauge.high(), high, 1.6);
    }

    /** A display tells of the knee without a wattmeter; where it tells of it sooner, the level stays below that. */
    @Test
    public void aSignalThatWidensBearsWitness() {
        SoundPath path = new SoundPath("sender", "cable", Optional.empty(), 1, 0.5, 500, 1500, 2500);
        LevelLaw law = new LevelLaw(KNEE, 1.06);
        List<LevelPoint> read = points(KNEE, shows(Shows.BARS_THAT_FALL), new Random(1));
        Knee knee = Knee.of(read).orElseThrow();
        for (double early : new double[] {1, 0.7, 1.5}) {
            LevelProfile profile = LevelProfile.of(
                    path,
                    List.of(new LevelSeries(
                            1,
                            1500,
                            read.stream()
                                    .map(point -> withWidth(point, law.widthHz(point.level() / early, 180)))
                                    .toList())));
            Optional<Widening> widening = profile.widening();
            if (early > 1) {
                assertTrue(widening.isEmpty() || widening.get().against(knee) == Widening.Against.LATER, "" + widening);
                continue;
            }
            assertTrue(widening.orElseThrow().before() < early * KNEE + 0.05, widening.toString());
            assertTrue(widening.orElseThrow().from() > early * KNEE - 0.05, widening.toString());
            assertEquals(widening.orElseThrow().narrowHz(), 180, 0);
            double high = profile.window().orElseThrow().high();
            if (early == 1) {
                assertEquals(widening.orElseThrow().against(knee), Widening.Against.AGREES);
                assertEquals(high, knee.windowHigh(), 1e-12);
            } else {
                assertEquals(widening.orElseThrow().against(knee), Widening.Against.EARLIER);
                assertEquals(high, widening.orElseThrow().before(), 1e-12);
            }
        }
        // One wide reading alone is somebody on the next channel.
        List<LevelPoint> once = new ArrayList<>(
                read.stream().map(point -> withWidth(point, 180)).toList());
        once.set(once.size() - 1, withWidth(once.get(once.size() - 1), 400));
        assertEquals(
                LevelProfile.of(path, List.of(new LevelSeries(1, 1500, once))).widening(), Optional.empty());
    }

    private static LevelPoint withWidth(LevelPoint point, double hz) {
        return new LevelPoint(
                point.level(), point.outputW(), point.eyeW(), point.gauge(), Optional.of(hz), point.onTheWayDown());
    }

    /** Where a straight line does as well as two no knee is made of it. */
    @Test
    public void aMeterThatIsTooCoarseTellsNoKnee() {
        List<LevelPoint> coarse = points(KNEE, shows(Shows.BARS_THAT_FALL), new Random(4)).stream()
                .map(point -> new LevelPoint(
                        point.level(), point.outputW(), 0.5, point.gauge(), point.widthHz(), point.onTheWayDown()))
                .toList();
        assertEquals(Knee.of(coarse), Optional.empty());
        SoundPath path = new SoundPath("sender", "cable", Optional.empty(), 1, 0.5, 500, 1500, 2500);
        LevelProfile profile = LevelProfile.of(path, List.of(new LevelSeries(1, 1500, coarse)));
        assertEquals(profile.lack(), Optional.of(LevelProfile.Lack.NO_BEND));
        assertEquals(profile.window(), Optional.empty());
    }

    @Test
    public void withoutABendThereIsNoKnee() {
        List<LevelPoint> low =
                points(KNEE, shows(Shows.BARS_THAT_FALL), new Random(3)).subList(0, 5);
        assertEquals(Knee.of(low), Optional.empty());
        assertEquals(Knee.of(low.subList(0, 4)), Optional.empty());
    }
}
