package org.tubrin.core.choosing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.Test;
import org.tubrin.core.station.Candidate;
import org.tubrin.core.station.Candidate.Claim;
import org.tubrin.core.station.Candidate.Point;
import org.tubrin.core.station.Candidate.State;

/** Claims held against arithmetic done by hand. */
public class ChoosingTest {
    private static Candidate candidate(
            double claimW, Claim claim, int tubes, double dissipationW, double plateA, double outputW) {
        return new Candidate(
                "Frigate",
                claimW,
                claim,
                tubes == 0 ? Optional.empty() : Optional.of(new Candidate.Tubes(tubes, dissipationW)),
                plateA == 0 ? Optional.empty() : Optional.of(new Candidate.Operation(2800, plateA, outputW)),
                OptionalDouble.of(3560),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Candidate.StillMade.MADE,
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
    }

    private static Choosing found(Candidate candidate, double licenceW, double exciterW) {
        return Choosing.of(candidate, OptionalDouble.of(licenceW), OptionalDouble.of(exciterW));
    }

    /** 1400 W in, 890 out: 510 W stay in a tube that is rated for 500, and no such tube makes 1000 W. */
    @Test
    public void aClaimBeyondSheetAndHeatIsFlagged() {
        Choosing found = found(candidate(1000, Claim.CARRIER, 1, 500, 0.5, 890), 1000, 100);
        assertEquals(found.efficiency().orElseThrow(), 0.636, 5e-4);
        assertEquals(found.heatPerTubeW().orElseThrow(), 510, 1e-9);
        assertEquals(found.boundW().orElseThrow(), 873, 0.5);
        assertEquals(
                found.flags(),
                List.of(Choosing.Flag.ABOVE_HEAT, Choosing.Flag.ABOVE_SHEET, Choosing.Flag.SHEET_AT_LIMIT));
        assertEquals(found.carrierW(), 873, 0.5);
        assertEquals(found.perWatt(OptionalDouble.of(3560)).orElseThrow(), 3560 / 872.5, 0.01);
    }

    /** Two such tubes at 63.5 % take 1740 W. */
    @Test
    public void twoTubesStandTheSameClaim() {
        Choosing found = found(candidate(1000, Claim.CARRIER, 2, 500, 0.5, 889), 1500, 100);
        assertEquals(found.boundW().orElseThrow(), 1740, 5);
        assertFalse(found.flags().contains(Choosing.Flag.ABOVE_HEAT));
    }

    @Test
    public void theKindOfAClaimCounts() {
        assertEquals(found(candidate(1130, Claim.PULSED, 0, 0, 0, 0), 1500, 100).carrierW(), 950, 1e-9);
        assertEquals(found(candidate(1000, Claim.SPEECH, 0, 0, 0, 0), 1500, 100).carrierW(), 950, 1e-9);
        Choosing unsaid = found(candidate(1000, Claim.NOT_SAID, 0, 0, 0, 0), 1500, 100);
        assertEquals(unsaid.flags(), List.of(Choosing.Flag.KIND_NOT_SAID, Choosing.Flag.NOTHING_TO_HOLD_AGAINST));
        assertTrue(unsaid.boundW().isEmpty() && unsaid.heatPerTubeW().isEmpty());
    }

    /** 400 W over 100 is one S-unit, 1500 two; 1400 against 1500 is 0.3 dB, which nobody hears. */
    @Test
    public void decibelsAndSUnits() {
        Choosing small = found(candidate(400, Claim.CARRIER, 0, 0, 0, 0), 1500, 100);
        Choosing large = found(candidate(1500, Claim.CARRIER, 0, 0, 0, 0), 1500, 100);
        Choosing nearly = found(candidate(1400, Claim.CARRIER, 0, 0, 0, 0), 1500, 100);
        assertEquals(Choosing.sUnits(small.overExciterDb().orElseThrow()), 1, 0.01);
        assertEquals(Choosing.sUnits(large.overExciterDb().orElseThrow()), 2, 0.05);
        assertEquals(large.louderThanDb(nearly), 0.3, 0.01);
        assertFalse(Choosing.isHeard(large.louderThanDb(nearly)));
        assertTrue(Choosing.isHeard(large.louderThanDb(small)));
        Choosing held = found(candidate(1500, Claim.CARRIER, 0, 0, 0, 0), 400, 100);
        assertEquals(held.usableW(), 400, 1e-9);
        assertEquals(held.overLicenceDb().orElseThrow(), 5.74, 0.01);
        assertEquals(held.louderThanDb(small), 0, 1e-9);
        assertEquals(found(candidate(500, Claim.CARRIER, 0, 0, 0, 0), 1500, 100).mainsA(120), 10, 1e-9);
    }

    /** Before a station is described nothing is said of a licence or an exciter, and nothing is held back. */
    @Test
    public void withoutAStationTheRestIsSaidAllTheSame() {
        Choosing found =
                Choosing.of(candidate(1500, Claim.CARRIER, 0, 0, 0, 0), OptionalDouble.empty(), OptionalDouble.empty());
        assertEquals(found.usableW(), 1500, 1e-9);
        assertTrue(found.overLicenceDb().isEmpty() && found.overExciterDb().isEmpty());
    }

    private static Candidate.Inspected looked(Point point, State state) {
        return new Candidate.Inspected(point, Optional.of(state), Optional.empty());
    }

    /** A note without a judgement, or nothing at all, is no point more or less. */
    @Test
    public void whatIsNotJudgedCountsNeitherWay() {
        Candidate.Inspected noted =
                new Candidate.Inspected(Point.OWNERS, Optional.empty(), Optional.of("three, says the seller"));
        Choosing.Condition found = Choosing.Condition.of(List.of(looked(Point.BLOWER, State.GOOD), noted));
        assertEquals(found.points(), 2);
        assertEquals(found.most(), 2);
        assertTrue(found.open().contains(Point.OWNERS));
    }

    /** What the phone brings back takes the place of what was known of the same point, and leaves the others. */
    @Test
    public void lookingAgainReplacesAPointAndKeepsTheRest() {
        Candidate first = candidate(1000, Claim.CARRIER, 1, 500, 0, 0)
                .with(List.of(looked(Point.RELAY, State.GOOD), looked(Point.BLOWER, State.WORN)));
        Candidate again = first.with(List.of(looked(Point.RELAY, State.BAD)));
        assertEquals(again.inspected(), List.of(looked(Point.BLOWER, State.WORN), looked(Point.RELAY, State.BAD)));
        assertEquals(again.with(again.inspected()), again);
    }

    @Test
    public void aBrokenBandSwitchKnocksOut() {
        Choosing.Condition found = Choosing.Condition.of(List.of(
                looked(Point.BAND_SWITCH, State.BAD),
                looked(Point.BLOWER, State.GOOD),
                looked(Point.RELAY, State.WORN)));
        assertTrue(found.knockedOut());
        assertEquals(found.points(), 3);
        assertEquals(found.most(), 6);
        assertEquals(found.open().size(), Point.values().length - 3);
        assertFalse(Choosing.Condition.of(List.of()).knockedOut());
    }

    /** What is counted on never exceeds claim, sheet or heat, and its heat at the bound is just what the plates take. */
    @Test
    public void whatIsCountedOnIsTheLeast() {
        Random random = new Random(1);
        for (int i = 0; i < 2000; i++) {
            double plateA = 0.2 + random.nextDouble();
            Candidate one = candidate(
                    200 + 2000 * random.nextDouble(),
                    Claim.values()[random.nextInt(4)],
                    1 + random.nextInt(3),
                    200 + 800 * random.nextDouble(),
                    plateA,
                    2800 * plateA * (0.4 + 0.3 * random.nextDouble()));
            Choosing found = found(one, 1500, 100);
            Candidate.Tubes tubes = one.tubes().orElseThrow();
            assertTrue(found.carrierW() <= found.claimAsCarrierW() + 1e-9);
            assertTrue(found.carrierW() <= one.operation().orElseThrow().outputW() + 1e-9);
            double heat = found.boundW().orElseThrow() * (1 / found.boundEfficiency() - 1) / tubes.count();
            assertEquals(heat, tubes.plateDissipationPerTubeW(), 1e-6);
        }
    }
}
