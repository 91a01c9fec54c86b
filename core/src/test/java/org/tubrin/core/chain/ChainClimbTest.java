package org.tubrin.core.chain;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.chain.ChainClimb.Because;
import org.tubrin.core.chain.ChainClimb.End;
import org.tubrin.core.quantity.Decibels;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/** 10 W behind an attenuator into a stage of 20 dB: by tens from 60 dB, then by ones, stopped by what is read. */
public class ChainClimbTest {
    private static ChainPlan plan(double wantedW, double mostInputW) {
        return new ChainPlan(
                new Chain(
                        new Generator(Generator.Given.WATT, 10, 0.2),
                        List.of(new ChainPart(
                                "Stage", ChainPart.Kind.STAGE, 20, 0.5, Optional.empty(), Optional.of(mostInputW)))),
                wantedW);
    }

    private static Quantity watt(double value, double share) {
        return Quantity.of(value, Unit.WATT, Standing.MEASURED, new ErrorSource("scope", "", ""), share * value);
    }

    private static ChainPoint point(double db, double outputW, double gateV) {
        return new ChainPoint(
                db, watt(outputW, 0.02), Optional.of(Quantity.exact(gateV, Unit.VOLT, Standing.MEASURED)));
    }

    /** Drives a stage of a gain that saturates; returns the settings. */
    private static List<ChainPoint> drive(ChainPlan plan, double gainDb, double saturatedW) {
        List<ChainPoint> points = new ArrayList<>();
        ChainClimb climb = ChainClimb.of(plan, points);
        while (climb.next().isPresent()) {
            double db = climb.next().get().attenuationDb();
            double straightW = 10 * Decibels.ratio(gainDb - db);
            points.add(point(db, straightW / Math.sqrt(1 + Math.pow(straightW / saturatedW, 2)), 3.4));
            climb = ChainClimb.of(plan, points);
            assertTrue(points.size() < 60, "it ends");
        }
        return points;
    }

    private static List<Double> settings(List<ChainPoint> points) {
        return points.stream().map(ChainPoint::attenuationDb).toList();
    }

    /** 200 W are 13 dB over the generator: 20 dB of gain want 6.99 dB of attenuation, 7 in whole ones. */
    @Test
    public void itGoesByTensAndTheLastTenByOnes() {
        List<ChainPoint> points = drive(plan(200, 15), 20, 1e9);
        assertEquals(
                settings(points),
                List.of(50.0, 40.0, 30.0, 20.0, 17.0, 16.0, 15.0, 14.0, 13.0, 12.0, 11.0, 10.0, 9.0, 8.0, 7.0));
        assertEquals(ChainClimb.of(plan(200, 15), points).end(), Optional.of(End.WANTED));
        assertTrue(points.get(points.size() - 1).outputW().value() <= 200);
    }

    /** The record says 20 dB, the stage has 26: what is read counts, and the wanted output is not passed. */
    @Test
    public void whatIsReadCountsNotWhatIsThought() {
        List<ChainPoint> points = drive(plan(200, 15), 26, 1e9);
        double last = points.get(points.size() - 1).outputW().value();
        assertTrue(last <= 200 && last > 200 / 1.26, "within the last decibel: " + last);
    }

    @Test
    public void nothingIsFedInBeyondWhatItBears() {
        List<ChainPoint> points = drive(plan(200, 0.5), 20, 1e9);
        assertEquals(ChainClimb.of(plan(200, 0.5), points).end(), Optional.of(End.INPUT));
        assertEquals(points.get(points.size() - 1).attenuationDb(), 14, "0.5 W are 13.01 dB below 10 W");
    }

    /** It saturates at 100 W: 1 dB is lost where the straight output is 0.509 of that, long before the wanted output. */
    @Test
    public void aDecibelOfLostGainEndsIt() {
        List<ChainPoint> points = drive(plan(200, 15), 20, 100);
        assertEquals(ChainClimb.of(plan(200, 15), points).end(), Optional.of(End.COMPRESSION));
        double lost = ChainClimb.compressionDb(points).orElseThrow();
        assertTrue(lost >= 1 && lost < 2, "by ones it is found within one: " + lost);
    }

    @Test
    public void aWeakStageEndsAtAllThatTheGeneratorGives() {
        List<ChainPoint> points = drive(plan(200, 15), 10, 1e9);
        assertEquals(points.get(points.size() - 1).attenuationDb(), 0);
        assertEquals(ChainClimb.of(plan(200, 15), points).end(), Optional.of(End.GENERATOR));
    }

    @DataProvider
    public Object[][] stops() {
        return new Object[][] {
            {"the gate moved by 0.2 V", point(40, 0.01 * 10, 3.6), Optional.of(End.GATE_MOVES)},
            {"it moved by what a digit may", point(40, 0.1, 3.45), Optional.empty()},
            {"10 dB brought 14", point(40, 0.01 * 25, 3.4), Optional.of(End.TAKES_OFF)},
            {"10 dB brought 12", point(40, 0.01 * 16, 3.4), Optional.empty()},
        };
    }

    @Test(dataProvider = "stops")
    public void itStopsWhereSomethingIsWrong(String why, ChainPoint second, Optional<End> end) {
        List<ChainPoint> points = List.of(point(50, 0.01, 3.4), second);
        assertEquals(ChainClimb.of(plan(200, 15), points).end(), end, why);
    }

    /** What is lost in the noise tells no gain: the plan leads on. */
    @Test
    public void anOutputThatIsHardlyKnownChangesNothing() {
        ChainPoint lost = new ChainPoint(50, watt(0.3, 3), Optional.empty());
        ChainClimb climb = ChainClimb.of(plan(200, 15), List.of(lost));
        assertEquals(climb.next(), Optional.of(new ChainClimb.Next(40, Because.COARSE)));
    }
}
