package org.tubrin.core.matcher;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.matcher.Matching.End;
import org.tubrin.core.matcher.NextMatch.Because;
import org.tubrin.core.matcher.NextMatch.Node;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Matcher;

/** The order goes on by what both meters read, and stops where they say so. */
public class MatchingTest {
    private static final Matcher MATCHER = new Matcher(3, 7, 3, Matcher.Switching.BY_HAND);
    private static final MatchTerms TERMS = new MatchTerms(MATCHER, 0.1, 10, 7, Optional.empty());
    private static final MatchTerms KNOWN = new MatchTerms(MATCHER, 0.1, 10, 7, Optional.of(3.0));

    /** A key-down by meters that are 2 % off at most. */
    private static MatchPoint point(double inputW, double outputW, double swr) {
        return point(inputW, outputW, swr, 0.01 * outputW);
    }

    private static MatchPoint point(double inputW, double outputW, double swr, double outputUncertaintyW) {
        return new MatchPoint(
                quantity("in", inputW, Unit.WATT, 0.01 * inputW),
                quantity("out", outputW, Unit.WATT, outputUncertaintyW),
                quantity("swr", swr, Unit.ONE, 0.05));
    }

    private static Quantity quantity(String meter, double value, Unit unit, double uncertainty) {
        return Quantity.of(value, unit, Standing.MEASURED, new ErrorSource(meter, "", ""), uncertainty);
    }

    private static final MatchPoint OFF = point(0.7, 0.65, 2.4);
    private static final MatchPoint TUNED = point(3.75, 3.4, 1.2);

    private static Matching after(MatchPoint... points) {
        return Matching.of(TERMS, List.of(points), List.of());
    }

    private static void goesOn(Matching matching, Node node, double driveW, Because because) {
        NextMatch next = matching.next().orElseThrow();
        assertEquals(next.node(), node);
        assertEquals(next.driveW(), driveW, 1e-9);
        assertEquals(next.because(), because);
    }

    @Test
    public void theOrderIsProvenThenTunedThenAmplifiedAtATenth() {
        goesOn(after(), Node.PROVE, 0.7, Because.UNPROVEN);
        goesOn(after(OFF), Node.TUNE, 3.75, Because.PROVEN);
        goesOn(after(OFF, TUNED), Node.FIRST, 0.7, Because.MATCHED);
        Matching done = after(OFF, TUNED, point(0.7, 12, 1.3));
        assertEquals(done.end(), Optional.of(End.MATCHED));
        assertEquals(done.last(Node.TUNE), Optional.of(TUNED));
    }

    /** 0.7 W in and 12 W out is 12 dB: no matcher bears what that is at its tuning power. */
    @Test
    public void outputAboveTheInputRefusesTheTuning() {
        MatchPoint on = point(0.7, 12, 1.3);
        goesOn(after(on), Node.PROVE, 0.7, Because.PA_IS_ON);
        goesOn(after(on, OFF), Node.TUNE, 3.75, Because.PROVEN);
        assertEquals(after(on, on, on).end(), Optional.of(End.PA_STAYS_ON));
        goesOn(after(point(0.7, 0.7 * 1.19, 2)), Node.TUNE, 3.75, Because.PROVEN);
        goesOn(after(point(0.7, 0.7 * 1.21, 2)), Node.PROVE, 0.7, Because.PA_IS_ON);
    }

    /** What is off does not trip. */
    @Test
    public void aProtectionThatActsBeforeTheAmplifierIsToBeOnSaysThatItIsOn() {
        goesOn(Matching.of(TERMS, List.of(), List.of(0)), Node.PROVE, 0.7, Because.TRIPPED);
        goesOn(Matching.of(TERMS, List.of(OFF), List.of(1)), Node.PROVE, 0.7, Because.TRIPPED);
        goesOn(Matching.of(TERMS, List.of(OFF), List.of(0)), Node.TUNE, 3.75, Because.PROVEN);
        assertEquals(Matching.of(TERMS, List.of(), List.of(0, 0, 0)).end(), Optional.of(End.PA_STAYS_ON));
    }

    /** Behind a matcher that is done, a tenth of the drive makes nothing trip: it is not done. */
    @Test
    public void aTripBehindTheMatcherTunesAgain() {
        goesOn(Matching.of(TERMS, List.of(OFF, TUNED), List.of(2)), Node.TUNE, 3.75, Because.TRIPPED_MATCHED);
        assertEquals(
                Matching.of(TERMS, List.of(OFF, TUNED, TUNED, TUNED), List.of(2, 3, 4))
                        .end(),
                Optional.of(End.NOT_MATCHED));
    }

    /** 0.7 W in and nothing out, read within 0.8 W: a cable that is open, or a meter that does not tell. */
    @Test
    public void aPathThatSeemsToLoseHalfIsAskedAtMorePower() {
        goesOn(after(point(0.7, 0, 2.4, 0.4)), Node.PROVE, 1.4, Because.NOT_TOLD);
    }

    /** It came on between the proof and the tuning. */
    @Test
    public void aProofIsNotForEver() {
        goesOn(after(OFF, point(3.75, 50, 1.4)), Node.PROVE, 0.7, Because.PA_IS_ON);
    }

    /** A wattmeter that is right within ± 4 W tells 0.7 W from nothing, and not from 3 W. */
    @Test
    public void whatMetersDoNotTellIsAskedAtMorePower() {
        goesOn(after(point(0.7, 0.6, 2.4, 2.2)), Node.PROVE, 1.4, Because.NOT_TOLD);
        goesOn(after(point(0.7, 0.6, 2.4, 2.2), point(1.4, 1.3, 2.4, 1.9)), Node.TUNE, 3.75, Because.PROVEN);
        MatchPoint blind = point(1, 1, 2, 40);
        assertEquals(after(blind, blind, blind, blind, blind).end(), Optional.of(End.NOT_TOLD));
    }

    @Test
    public void aPathThatTakesTwoDecibelsIsLookedAtFirst() {
        MatchPoint lost = point(0.7, 0.44, 2);
        goesOn(after(lost), Node.PROVE, 1.4, Because.PATH_LOSES);
        assertEquals(after(lost, lost).end(), Optional.of(End.PATH_LOSES));
    }

    /** Behind a pad that takes more than it says, 2.5 W came where 3 W are needed. */
    @Test
    public void lessThanTheMatcherNeedsIsNoTry() {
        goesOn(after(OFF, point(2.5, 2.3, 2.4)), Node.TUNE, 3.75 * 1.2 * 3 / 2.5, Because.POWER_SHORT);
        MatchTerms short_ = new MatchTerms(MATCHER, 0.1, 3.2, 7, Optional.empty());
        assertEquals(
                Matching.of(short_, List.of(OFF, point(2.5, 2.3, 2.4)), List.of())
                        .end(),
                Optional.of(End.POWER_SHORT));
    }

    @Test
    public void threeTriesAreOfNoUseToAnAntennaAndBlameTheMatcherOnAKnownLoad() {
        MatchPoint not = point(3.75, 3.4, 2.6);
        goesOn(after(OFF, not), Node.TUNE, 5.625, Because.NOT_MATCHED);
        goesOn(after(OFF, not, not), Node.TUNE, 7, Because.NOT_MATCHED);
        assertEquals(after(OFF, not, not, not).end(), Optional.of(End.NOT_MATCHED));
        assertEquals(Matching.of(KNOWN, List.of(OFF, not, not, not), List.of()).end(), Optional.of(End.MATCHER_FAULTY));
        MatchTerms beyond = new MatchTerms(MATCHER, 0.1, 10, 7, Optional.of(4.0));
        assertEquals(Matching.of(beyond, List.of(OFF, not, not, not), List.of()).end(), Optional.of(End.NOT_MATCHED));
    }

    @Test
    public void aKnownLoadProvesTheReachAndNeedsNoAmplifier() {
        assertEquals(Matching.of(KNOWN, List.of(OFF, TUNED), List.of()).end(), Optional.of(End.REACH_PROVEN));
    }

    @Test
    public void anAmplifierThatDoesNotComeOnEndsIt() {
        MatchPoint still = point(0.7, 0.6, 1.2);
        goesOn(after(OFF, TUNED, still), Node.FIRST, 0.7, Because.PA_IS_OFF);
        assertEquals(after(OFF, TUNED, still, still, still).end(), Optional.of(End.PA_STAYS_OFF));
    }

    /** Whatever the meters read, drive stays within what tunes the matcher and half of full drive, and it ends. */
    @Test
    public void noReadingLeadsBeyondItsBounds() {
        double[] shares = {0, 0.3, 0.8, 0.95, 1.3, 3, 9, 30};
        double[] swrs = {1, 1.4, 1.6, 5};
        List<MatchPoint> points = new ArrayList<>();
        for (int seed = 0; seed < 4000; seed++) {
            points.clear();
            java.util.Random random = new java.util.Random(seed);
            Matching matching = after();
            while (matching.next().isPresent()) {
                NextMatch next = matching.next().get();
                assertTrue(next.driveW() <= (next.node() == Node.FIRST ? 3.5 : 7) + 1e-9, next.toString());
                boolean isProven = matching.last(Node.PROVE)
                        .filter(proof -> proof.share().value() <= Matching.AMPLIFIED
                                || proof.share().low() <= 1)
                        .isPresent();
                assertTrue(next.node() == Node.PROVE || isProven, "nothing is tuned before the proof");
                double inputW = next.driveW() * (0.7 + 0.5 * random.nextDouble());
                double outputW = inputW * shares[random.nextInt(shares.length)];
                points.add(point(inputW, outputW, swrs[random.nextInt(swrs.length)], 0.02 + 2 * random.nextDouble()));
                matching = Matching.of(TERMS, points, List.of());
                assertTrue(points.size() < 40, "it ends");
            }
            assertEquals(matching.taken().size(), points.size());
        }
    }

    /** SWR 3 is |Γ| = ½; 3 dB of pad make it 0.2506: SWR 1.669. */
    @Test
    public void aPadCuresTheMatchByTwiceItsDecibels() {
        assertEquals(InputMatch.of(3).swrBehind(3), 1.669, 1e-3);
        assertEquals(InputMatch.of(3).padDb(), Optional.of(4));
        assertEquals(InputMatch.of(1.5).padDb(), Optional.empty());
        Stream.of(1.6, 1.9, 2.4, 5.0, 20.0).forEach(swr -> {
            InputMatch match = InputMatch.of(swr);
            int pad = match.padDb().orElseThrow();
            assertTrue(match.swrBehind(pad) <= InputMatch.FINE_SWR + 1e-9);
            assertTrue(match.swrBehind(pad - 1) > InputMatch.FINE_SWR);
        });
    }

    @DataProvider
    public Object[][] verdicts() {
        return new Object[][] {
            {1.5, InputMatch.Verdict.FINE},
            {1.51, InputMatch.Verdict.ACCEPTABLE},
            {2.0, InputMatch.Verdict.ACCEPTABLE},
            {2.1, InputMatch.Verdict.MAY_FOLD_BACK}
        };
    }

    @Test(dataProvider = "verdicts")
    public void anInputMatchIsJudged(double swr, InputMatch.Verdict verdict) {
        assertEquals(InputMatch.of(swr).verdict(), verdict);
    }

    @Test
    public void aMatcherThatTunesWithLessThanItNeedsIsRefused() {
        assertEquals(
                expectThrows(Refused.class, () -> new Matcher(5, 4, 3, Matcher.Switching.BY_HAND))
                        .problems()
                        .get(0)
                        .path(),
                "mostW");
    }
}
