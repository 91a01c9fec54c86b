package org.tubrin.bench.campaign.faults;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.function.ToDoubleFunction;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A small campaign of another seed than the report's, held to what the report claims. */
public class FaultCampaignTest {
    private static final int CASES = 300;

    private List<FaultScore> scores;

    @BeforeClass
    public void plays() {
        scores = FaultCampaign.run(CASES, 4711);
    }

    @Test
    public void faultsAreFoundWithFewerChecksAndLessInVainThanDownAList() {
        List<FaultScore> ours = FaultCampaign.of(scores, "tubrin");
        List<FaultScore> list = FaultCampaign.of(scores, "fixed list");
        assertEquals(ours.size(), CASES);
        assertEquals(list.size(), CASES);
        assertTrue(FaultCampaign.percent(ours, FaultScore::found) >= 98);
        double share = FaultCampaign.mean(ours, FaultScore::checks) / FaultCampaign.mean(list, FaultScore::checks);
        assertTrue(share < 0.65, "checks of the list's: " + share);
        ToDoubleFunction<FaultScore> vain = FaultScore::vain;
        assertTrue(FaultCampaign.mean(ours, vain) < FaultCampaign.mean(list, vain));
        double named = FaultCampaign.percent(ours, FaultScore::namedByTwo);
        assertTrue(named > 74 && named > FaultCampaign.percent(list, FaultScore::namedByTwo), "named by two: " + named);
    }

    /** What is said to be probable is so as often, though the stations are not as the table has them. */
    @Test
    public void whatIsStatedIsSo() {
        List<FaultScore> ours = FaultCampaign.of(scores, "tubrin");
        double said = 100 * FaultCampaign.mean(ours, score -> score.stated().orElse(0.0));
        double was = FaultCampaign.percent(ours, FaultScore::firstRight);
        assertEquals(said, was, 6, said + " % said, " + was + " % was");
    }

    @Test
    public void theSameSeedPlaysTheSame() {
        assertEquals(FaultCampaign.csv(FaultCampaign.run(CASES, 4711)), FaultCampaign.csv(scores));
        FaultCampaign.csv(scores)
                .lines()
                .skip(1)
                .forEach(line -> assertTrue(line.matches("[^,]+,[a-z_]+(,-?\\d+\\.\\d\\d){3}"), line));
    }
}
