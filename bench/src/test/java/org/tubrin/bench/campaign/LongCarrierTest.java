package org.tubrin.bench.campaign;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Use;
import org.tubrin.core.trend.RunFigures;

/** Dials for a carrier that stands long, found by following the next move, on amplifiers that differ from their records. */
public class LongCarrierTest {
    private static final int CASES = 24;

    private static Case given(int number) {
        return Case.of(number, 11 + 7919L * number).by(School.PEAK_THEN_HEAVIER);
    }

    /** With the twin, and by the maker's chart alone; the heat that is allowed in the middle case, as a share. */
    @DataProvider
    public Object[][] known() {
        return new Object[][] {{true, 0.75}, {false, 0.9}};
    }

    @Test(dataProvider = "known")
    public void itsOwnDialsBringWhatIsWantedWithCoolerPlates(boolean twin, double heatShare) {
        List<Double> heats = new ArrayList<>();
        for (int number = 0; number < CASES; number++) {
            Case given = given(number);
            LongCarrierCampaign.Result came =
                    LongCarrierCampaign.own(twin ? given : given.withoutTwin(), LongCarrierCampaign.OWN);
            CardRow row = came.row().orElseThrow();
            assertEquals(row.use(), Use.LONG_CARRIER);
            double least = row.outputW().likelyLow() / came.wantedW();
            double most = row.outputW().likelyHigh() / came.wantedW();
            assertTrue(least < 1.08 && most > 1 / 1.08, "case " + number + ": " + least + " to " + most);
            assertEquals(came.beyondS(), 0, 1, "case " + number + " is beyond a limit");
            heats.add(came.ofSpeech());
        }
        heats.sort(null);
        assertTrue(heats.get(CASES / 2) < heatShare, "plates against those of the dials for speech: " + heats);
    }

    @Test
    public void aRunForALongCarrierIsNoFallOfTheOutput() {
        Case given = given(1);
        CaseShack shack = new CaseShack(given.forLongCarrier(300), new Random(given.seed()));
        RunState state = new Novice(shack, new Random(given.seed() + 1)).run();
        assertTrue(CardRow.of(state).isPresent(), "it came to no end");
        assertEquals(RunFigures.of(state), Optional.empty());
    }

    @Test
    public void aSeedPlaysTheSameAgainAndEachProcedureIsInTheTable() {
        List<LongCarrierCampaign.Result> once = LongCarrierCampaign.run(2, 5);
        String csv = LongCarrierCampaign.csv(once);
        assertEquals(LongCarrierCampaign.csv(LongCarrierCampaign.run(2, 5)), csv);
        assertEquals(once.size(), 16);
        assertTrue(csv.contains("\n\"tubrin, foreign, chart\",held_percent,"), csv);
        assertTrue(LongCarrierCampaign.markdown(once, 2, 5, "today").contains("| turned down, twin | "), csv);
    }
}
