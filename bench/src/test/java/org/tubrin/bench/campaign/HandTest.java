package org.tubrin.bench.campaign;

import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.practice.TrueStage;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.School;
import org.tubrin.core.tank.Dial;

/** What a hand finds with its eye on a meter, on amplifiers whose gears have play. */
public class HandTest {
    private static final double STEP_MARKS = 0.01;

    /** The play of these gears alone is up to 0.15 marks of PLATE, and would cost far more than 5 % of the output on the high bands. */
    @Test
    public void itStandsAtThePeakWhateverPlayTheGearHas() {
        List<Double> shares = new ArrayList<>();
        for (int number : IntStream.range(0, 40).filter(one -> one % 5 != 4).toArray()) {
            Case given = Case.of(number, 1 + 7919L * number).foreign();
            shares.add(shareOfThePeak(given, peaked(given)));
        }
        assertTrue(shares.stream().filter(share -> share > 0.95).count() >= 0.9 * shares.size(), shares.toString());
        assertTrue(shares.stream().allMatch(share -> share > 0.85), shares.toString());
    }

    /** Where nothing is to be seen yet, the dial stays about where it was: both ways look the same. */
    @Test
    public void aMeterThatShowsNothingLeavesTheDialWhereItWas() {
        Case given = Case.of(0, 1).foreign();
        CaseShack shack = new CaseShack(given, new Random(1));
        Hand hand = new Hand(shack, new Random(2));
        double before = shack.shown(Control.PLATE);
        shack.key(true);
        hand.plateFor(School.Aim.GRID, shack.nowS() + 60);
        double marks = Math.abs(shack.shown(Control.PLATE) - before)
                / shack.dial(Control.PLATE).markStep();
        assertTrue(marks < 0.3, "no drive, no grid current: " + marks + " marks");
    }

    private static CaseShack peaked(Case given) {
        CaseShack shack = new CaseShack(given, new Random(given.seed()));
        Hand hand = new Hand(shack, new Random(given.seed() + 1));
        hand.range(given.setup().channelFor(ReadingRole.OUTPUT).orElseThrow().rangeFor(100));
        shack.turn(Control.DRIVE, given.setup().topDriveW() / 16);
        shack.key(true);
        hand.plateFor(School.Aim.OUTPUT, shack.nowS() + 60);
        shack.key(false);
        return shack;
    }

    /** Returns the output where the hand left PLATE, over the most that PLATE allows with that LOAD. */
    private static double shareOfThePeak(Case given, CaseShack shack) {
        Dial dial = shack.dial(Control.PLATE);
        double left = shack.behind(Control.PLATE) + given.plateOffsetMarks();
        double most = 0;
        for (double plate = left - dial.markStep();
                plate < left + dial.markStep();
                plate += STEP_MARKS * dial.markStep()) {
            most = Math.max(most, outputW(given, shack, dial.clamp(plate)));
        }
        return outputW(given, shack, dial.clamp(left)) / most;
    }

    private static double outputW(Case given, CaseShack shack, double plate) {
        TrueStage stage = given.stage();
        double load = shack.dial(Control.LOAD).clamp(shack.behind(Control.LOAD) + given.loadOffsetMarks());
        return stage.settle(shack.shown(Control.DRIVE) * given.driveShare(), plate, load) ? stage.outputW() : 0;
    }
}
