package org.tubrin.bench.campaign.bias;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.tubrin.bench.BiasBoard;
import org.tubrin.core.bias.BiasLaw;

/** A small campaign of another seed than the report's, held to what the report claims; and the board that it is played on. */
public class BiasCampaignTest {
    private static final int CASES = 60;
    private static final BiasBoard.Model TWO =
            new BiasBoard.Model(2, new BiasLaw(1.9, 3.2, 50, 0.9), 0.11, 180, 25, 0.004, 2.37, 5, 10, 0.32);

    private List<BiasScore> scores;

    @BeforeClass
    public void plays() {
        scores = BiasCampaign.run(CASES, 4711);
    }

    @Test
    public void everyDeviceComesOutAsWantedAndNoneIsLost() {
        List<BiasScore> ours = BiasCampaign.of(scores, "tubrin");
        assertEquals(ours.size(), CASES);
        assertEquals(BiasCampaign.lost(ours), 0);
        double within = BiasCampaign.withinPercent(ours);
        assertTrue(within >= 95, "within 2 %: " + within);
        assertTrue(
                ours.stream().anyMatch(score -> score.story().contains("RUNS_AWAY")), "some run away, and are mended");
        assertTrue(
                BiasCampaign.withinPercent(BiasCampaign.of(scores, "by the plan")) < within,
                "who was set first has risen most");
    }

    @Test
    public void theStatedIntervalHolds() {
        double held = BiasCampaign.heldPercent(BiasCampaign.of(scores, "tubrin"));
        assertTrue(held > 88, "current " + held);
    }

    @Test
    public void theTableOfFiguresHasItsForm() {
        String csv = BiasCampaign.csv(scores);
        assertTrue(csv.startsWith("procedure,metric,median,p95,max\ntubrin,off_percent,"), csv);
        csv.lines().skip(1).forEach(line -> assertTrue(line.matches("[^,]+,[a-z_]+(,-?\\d+\\.\\d\\d){3}"), line));
    }

    /** Left alone a device goes from its cold to its settled current; the drop over the resistor is all that flows. */
    @Test
    public void aDeviceSettlesWhereItsLawSays() {
        for (long seed = 0; seed < 20; seed++) {
            BiasBoard board = new BiasBoard(TWO, seed);
            double turns = 5;
            for (; board.currentA(1) < 0.08; turns += 0.01) {
                board.turn(1, turns);
                board.pass(true, 0.1);
            }
            double cold = board.currentA(1);
            board.pass(true, 100);
            // 19 % by its own heat at 0.9 K/W, less what it had already, and a little by the sink.
            assertEquals(board.currentA(1) / cold, 1.18, 0.07, "it warms: " + cold + " A");
            assertEquals(
                    board.senseV(true), 2.37 * (0.004 + board.currentA(1) + board.currentA(2)), 1e-12, "seed " + seed);
            assertEquals(board.senseV(false), 0);
        }
    }

    @Test
    public void aBadlyMountedOneIsLostUnlessTheSupplyIsLimited() {
        BiasBoard limited = new BiasBoard(TWO, 7);
        limited.mount(1, BiasBoard.BADLY_MOUNTED_K_PER_W);
        BiasBoard unlimited =
                new BiasBoard(new BiasBoard.Model(2, TWO.law(), 0.11, 180, 25, 0.004, 2.37, 5, 10, 20), 7);
        unlimited.mount(1, BiasBoard.BADLY_MOUNTED_K_PER_W);
        for (BiasBoard board : List.of(limited, unlimited)) {
            board.turn(1, 7.6);
            board.pass(true, 200);
        }
        assertEquals(limited.lost(), 0, "the supply lets go");
        assertEquals(unlimited.lost(), 1);
        limited.pass(false, 300);
        limited.cool();
        assertEquals(limited.turns(1), 0);
        limited.turn(1, 99);
        assertEquals(limited.turns(1), 10, "a pot has ends");
    }
}
