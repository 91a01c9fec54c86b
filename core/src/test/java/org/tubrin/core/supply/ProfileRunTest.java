package org.tubrin.core.supply;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.tubrin.core.quantity.Quantity;

/** The measuring of a profile, from nothing to a profile, on a supply that behaves and on one that does not. */
public class ProfileRunTest {
    private static final double SOURCE_OHM = 0.012;
    private static final ProfileRun FRESH =
            new ProfileRun("Halyard 100 at 13.8 V", "Halyard 100", "Windlass 40", 100, Optional.empty(), List.of());

    private static ProfileReading read(double outputW, double currentA, double risePerW) {
        return new ProfileReading(
                outputW, 0.05 * outputW, currentA, 0.05, 13.8 - SOURCE_OHM * currentA + risePerW * outputW, 0.02);
    }

    private static double keyedA(double outputW) {
        return 1.2 + 1.98 * Math.sqrt(outputW);
    }

    /** Does what is asked until enough or a stop, and returns what came of it. */
    private static ProfileRun followed(double risePerW) {
        ProfileRun run = FRESH;
        for (int i = 0; i < 20; i++) {
            ProfileRun.Next next = run.next();
            if (next.step() == ProfileRun.Step.LISTEN) {
                run = run.with(read(0, 1.2, risePerW), false);
            } else if (next.step() == ProfileRun.Step.KEY) {
                run = run.with(
                        read(next.outputW().orElseThrow(), keyedA(next.outputW().orElseThrow()), risePerW), true);
            } else {
                return run;
            }
        }
        throw new AssertionError("no end");
    }

    @Test
    public void followingWhatIsAskedEndsInAProfileThatGivesTheSetsOwnLawBack() {
        ProfileRun run = followed(0);
        assertTrue(run.next().step() == ProfileRun.Step.ENOUGH, run.toString());
        assertEquals(run.keyed().size(), 5);
        CurrentProfile profile = run.profile().orElseThrow();
        assertEquals(profile.currentA(60).value(), keyedA(60), 0.1);
        assertEquals(profile.listeningA(), 1.2);
        assertEquals(run.sourceOhm().orElseThrow().value(), SOURCE_OHM, 1e-9);
        assertTrue(run.riseV().isEmpty());
    }

    @Test
    public void aVoltageThatRisesOnTransmissionStopsTheMeasuring() {
        ProfileRun run = followed(0.006);
        assertEquals(run.next().step(), ProfileRun.Step.STOP);
        assertTrue(run.riseV().orElseThrow().value() > 0.1, run.toString());
        assertTrue(run.keyed().size() < 5, "nothing more is asked for");
    }

    @Test
    public void aRiseWithinWhatTheMeterLeavesOpenIsNone() {
        assertTrue(followed(0.0001).next().step() == ProfileRun.Step.ENOUGH);
    }

    @Test
    public void oneMoreReadingIsProposedWhereTheCurveIsLeastKnownAndCurrentsComeEverNearer() {
        ProfileRun run = followed(0);
        double apartA = widestA(run);
        for (int more = 0; more < 6; more++) {
            double betweenW = run.next().outputW().orElseThrow();
            run = run.with(read(betweenW, keyedA(betweenW), 0), true);
            assertTrue(widestA(run) <= apartA, run.toString());
            apartA = widestA(run);
        }
        assertTrue(apartA < 0.6 * widestA(followed(0)), apartA + " A");
    }

    private static double widestA(ProfileRun run) {
        double widest = 0;
        for (int i = 1; i < run.keyed().size(); i++) {
            widest = Math.max(
                    widest,
                    run.keyed().get(i).currentA() - run.keyed().get(i - 1).currentA());
        }
        return widest;
    }

    @Test
    public void oneReadingIsNoProfileYetAndTheSameOutputAgainTakesTheOldOnesPlace() {
        ProfileRun one = FRESH.with(read(0, 1.2, 0), false).with(read(50, 15, 0), true);
        assertTrue(one.profile().isEmpty());
        ProfileRun again = one.with(read(50, 15.4, 0), true);
        assertEquals(again.keyed().size(), 1);
        assertEquals(again.keyed().get(0).currentA(), 15.4);
        assertEquals(again.next(), new ProfileRun.Next(ProfileRun.Step.KEY, OptionalDouble.of(0)));
    }

    @Test
    public void aWattmeterThatIsUnsureMakesTheEfficiencyUnsureByAsMuchAndTheCurrentByLess() {
        CurrentProfile profile = followed(0).profile().orElseThrow();
        Quantity efficiency = profile.efficiency(50);
        assertEquals(efficiency.standardUncertainty() / efficiency.value(), 0.05, 0.002);
        Quantity current = profile.currentA(50);
        double slopeShare = 0.5 * 1.98 * Math.sqrt(50) * 0.05;
        assertEquals(current.standardUncertainty(), Math.hypot(0.05, slopeShare), 0.05);
    }

    @Test
    public void onlyAMeasuringThatCameToAnEndSaysWhetherTheSupplyRises() {
        ProfileRun begun = FRESH.with(read(0, 1.2, 0), false).with(read(0, 1.3, 0), true);
        assertTrue(!FRESH.tellsOfRise() && !begun.tellsOfRise(), "begun");
        assertTrue(followed(0).tellsOfRise() && followed(0.006).tellsOfRise(), "come to its end");
    }
}
