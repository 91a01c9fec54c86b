package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;

/** What is advised where nothing but the chart and the meters tell where the dials belong. */
public class ChartAloneTest {
    private static final double CHART_LOAD = Sample.setup().preset().load();

    private static Climber climber() {
        return new Climber(Sample.setup()).isReady();
    }

    private static Climber keyedAt(double driveW, String range) {
        return climber()
                .moves(Control.PLATE, 5.2)
                .moves(Control.LOAD, 3)
                .moves(Control.DRIVE, driveW)
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, range))
                .keysFor(4);
    }

    private static Climber follows(Climber climber) {
        Following.events(climber.advice(), climber.now).forEach(climber::does);
        return climber;
    }

    /** At 8.8 W LOAD peaks far lighter than at 70 W, where the chart has it: it is there when the drive is, and never beyond. */
    @Test
    public void loadComesToItsChartByTheTimeTheDriveIsFull() {
        double lightest = CHART_LOAD - 4;
        Climber climber = climber()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .steps(17.5, 5.14, lightest, 384, 0.2917, 0.0362, 2643);
        Move.Turn half = (Move.Turn) climber.advice().move();
        assertEquals(half.marks(), 2, 0.01, "two rungs are left for four marks");
        climber.steps(35, 5.11, CHART_LOAD, 605.5, 0.4029, 0.0791, 2582);
        assertFalse(
                climber.advice().move() instanceof Move.Turn turn && turn.control() == Control.LOAD,
                "no heavier than the chart: " + climber.advice());
    }

    @Test
    public void aGridThatDrawsMuchIsHelpedBeyondTheChart() {
        Climber climber = climber()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .steps(35, 5.11, CHART_LOAD, 605.5, 0.4029, 0.13, 2582);
        Move.Turn turn = (Move.Turn) climber.advice().move();
        assertEquals(turn.control(), Control.LOAD);
        assertEquals(turn.marks(), 0.5, 0.01);
    }

    private static Climber byTheChart() {
        return new Climber(Sample.setup(School.MAKERS_CHART))
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .steps(4.4, 5.14, CHART_LOAD, 100, 0.17, 0.004, 2700);
    }

    /** 0.18 A of 0.2 A at 50 W: there is no room for the 70 W that the exciter has, where LOAD stays. */
    private static Climber heldByTheGrid() {
        return byTheChart()
                .moves(Control.LOAD, CHART_LOAD)
                .moves(Control.DRIVE, 50)
                .keysFor(4)
                .reads(760, 0.46, 0.18, 2520);
    }

    @Test
    public void aGridThatWouldEndTheClimbIsTakenDownSoThatTheDriveCanRise() {
        Climber climber = heldByTheGrid();
        assertEquals(climber.advice().reason(), Reason.GRID_HOLDS_DRIVE);
        Move.Turn turn = (Move.Turn) climber.advice().move();
        assertEquals(turn.control(), Control.LOAD);
        // (70 / 50)^1.6 of 0.18 A, a quarter less for each mark, is to be 0.97 of the 0.2 A.
        assertEquals(turn.marks(), Math.log(Math.pow(1.4, 1.6) * 0.18 / 0.194) / 0.25, 0.01);
        follows(climber).waits(30).keysFor(4).reads(765, 0.48, 0.12, 2510);
        assertTrue(climber.advice().move() instanceof Move.RecordStep, "room enough: " + climber.advice());
    }

    @Test
    public void heavierThatCostMuchOutputIsNoWayUp() {
        Climber climber = follows(heldByTheGrid()).waits(30).keysFor(4).reads(690, 0.46, 0.175, 2520);
        assertTrue(climber.advice().move() instanceof Move.RecordStep, "690 W of 760 W: " + climber.advice());
    }

    @Test
    public void aGridNearItsLimitAtFullDriveStaysThere() {
        Climber climber = byTheChart()
                .moves(Control.LOAD, CHART_LOAD)
                .moves(Control.DRIVE, 68)
                .keysFor(4)
                .reads(900, 0.54, 0.18, 2500);
        assertTrue(
                climber.advice().move() instanceof Move.RecordStep,
                climber.advice().toString());
    }

    /** 40 % more drive bring 8 % more output at least; a hand that came out lighter with none has lost its way. */
    @Test
    public void lighterThatBringsNothingForMoreDriveGoesBackToTheStepBefore() {
        Climber climber = byTheChart().steps(50, 5.1, CHART_LOAD, 760, 0.46, 0.1, 2520);
        climber.moves(Control.LOAD, CHART_LOAD - 1)
                .moves(Control.DRIVE, 70)
                .keysFor(4)
                .reads(765, 0.52, 0.12, 2500);
        assertEquals(climber.advice().reason(), Reason.LIGHTER_COSTS_OUTPUT);
        assertEquals(((Move.Turn) climber.advice().move()).to(), CHART_LOAD, 1e-9);
        climber.reads(ReadingRole.OUTPUT, 860);
        assertTrue(climber.advice().move() instanceof Move.RecordStep, "13 % more: " + climber.advice());
    }

    /** A needle at its end says only "more than that": it is never taken for a reading. */
    @Test
    public void aNeedleAtTheEndAsksForTheWiderRange() {
        Climber climber = keyedAt(8.8, "150 W").reads(153, 0.2130, 0.0169, 2685);
        Advice wider = climber.advice();
        assertEquals(wider.reason(), Reason.NEEDLE_AT_END);
        assertEquals(((Move.SwitchRange) wider.move()).to(), "1.5 kW");
        follows(climber);
        assertTrue(climber.state().draft().readings().isEmpty(), "what it showed is no reading");
        assertFalse(climber.waits(20).advice().move() instanceof Move.SwitchRange, "not back again");
    }

    @Test
    public void aNeedleThatHardlyLiftsAsksForTheFinerRangeBeforeAFaultIsLookedFor() {
        Climber climber = keyedAt(4.4, "1.5 kW").reads(0, 0.13, 0.0, 2720);
        assertEquals(climber.advice().reason(), Reason.NEEDLE_AT_REST);
        follows(climber).keysFor(4).reads(0, 0.119, 0.0, 2736);
        assertEquals(climber.advice().reason(), Reason.NOTHING_MOVES, "now it is one");
    }

    /** A finish costs some 2 %; 20 % is LOAD gone too far, and most of the way is taken back. */
    @Test
    public void aFinishThatCostsTooMuchIsTakenBack() {
        Climber climber = climber()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .steps(70, 5.09, 4.5, 889.8, 0.5498, 0.1699, 2503);
        follows(climber).waits(20).keysFor(3).reads(874, 0.5757, 0.1492, 2489);
        assertTrue(climber.advice().move() instanceof Move.RecordStep, "what it should cost: " + climber.advice());
        climber.reads(ReadingRole.OUTPUT, 710);
        Advice back = climber.advice();
        assertEquals(back.reason(), Reason.FINISH_TOO_HEAVY);
        assertEquals(((Move.Turn) back.move()).marks(), -0.35, 0.01);
    }

    @Test
    public void littleOutputWithLittleGridCurrentIsCoupledTooHeavily() {
        Climber climber = climber()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .moves(Control.LOAD, 4.5)
                .moves(Control.DRIVE, 70)
                .reads(440, 0.44, 0.10, 2570);
        assertEquals(climber.advice().reason(), Reason.POOR_LIGHTER);
        assertTrue(((Move.Turn) climber.advice().move()).marks() < 0);
        // A grid that draws much is another matter.
        assertEquals(climber.reads(ReadingRole.GRID_CURRENT, 0.15).advice().reason(), Reason.OUTPUT_POOR);
    }
}
