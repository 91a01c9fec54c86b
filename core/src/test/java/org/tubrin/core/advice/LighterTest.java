package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.Step;

/** LOAD that stands too heavy where no twin says where it belongs: lighter for heat, and back where that cost output. */
public class LighterTest {
    private static final double CHART_LOAD = Sample.setup().preset().load();

    private static Climber climber() {
        return new Climber(Sample.setup())
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .steps(35, 5.11, CHART_LOAD, 605.5, 0.4029, 0.0791, 2582);
    }

    /** At 70 W with 2.4 kV and 0.65 A, of which 760 W come out: 400 W of heat in each of the two tubes, which are rated for 350 W. */
    private static Climber tooHot(double gridA) {
        return climber()
                .moves(Control.LOAD, CHART_LOAD + 1)
                .moves(Control.DRIVE, 70)
                .keysFor(4)
                .reads(760, 0.65, gridA, 2400);
    }

    private static Climber follows(Climber climber) {
        Following.events(climber.advice(), climber.now).forEach(climber::does);
        return climber;
    }

    private static Move.Turn turn(Climber climber) {
        return (Move.Turn) climber.advice().move();
    }

    @Test
    public void lighterTakesTheHeatAwayWithPlateAlonePeaked() {
        Climber climber = tooHot(0.12);
        assertEquals(climber.advice().reason(), Reason.HEAT_GRID_HAS_ROOM);
        assertEquals(turn(climber).control(), Control.LOAD);
        assertEquals(turn(climber).marks(), -0.5, 1e-9);
        follows(climber).waits(30);
        Move.KeyAndPeak peak = (Move.KeyAndPeak) climber.advice().move();
        assertEquals(
                peak.order(), List.of(Control.PLATE), "a hand that peaks LOAD would go back to where it is too hot");
        climber.keysFor(4).reads(800, 0.56, 0.14, 2400);
        assertFalse(climber.advice().move() instanceof Move.Turn, "cool enough: " + climber.advice());
    }

    @Test
    public void withAGridNearItsLimitOnlyLessDriveHelps() {
        Climber climber = tooHot(0.18);
        assertEquals(climber.advice().reason(), Reason.HEAT_OVER);
        assertEquals(turn(climber).control(), Control.DRIVE);
    }

    @Test
    public void lighterThatCostOutputIsTakenBackAndNotTriedAgain() {
        Climber climber = follows(tooHot(0.12)).waits(30).keysFor(4).reads(720, 0.62, 0.14, 2400);
        assertEquals(climber.advice().reason(), Reason.LIGHTER_COSTS_OUTPUT);
        assertEquals(turn(climber).to(), CHART_LOAD + 1, 1e-9);
        follows(climber).waits(30).keysFor(4).reads(760, 0.65, 0.12, 2400);
        assertEquals(climber.advice().reason(), Reason.HEAT_OVER, "it was not the loading: " + climber.advice());
        assertEquals(turn(climber).control(), Control.DRIVE);
    }

    /** A drive that is read is never twice the same number. */
    @Test
    public void aTryAtAboutTheSameDriveIsTheSameTry() {
        Climber climber = follows(tooHot(0.12))
                .moves(Control.DRIVE, 69.5)
                .waits(30)
                .keysFor(4)
                .reads(720, 0.62, 0.14, 2400);
        assertEquals(climber.advice().reason(), Reason.LIGHTER_COSTS_OUTPUT);
        Climber lower = follows(tooHot(0.12))
                .moves(Control.DRIVE, 60)
                .waits(30)
                .keysFor(4)
                .reads(720, 0.62, 0.14, 2400);
        assertFalse(lower.advice().reason() == Reason.LIGHTER_COSTS_OUTPUT, "less drive explains less output");
    }

    /** With its heat near what the plates are rated for a finish is not made heavier, and no step begins heavier. */
    @Test
    public void nearTheRatedHeatLoadGoesNoHeavier() {
        Climber climber = climber().steps(70, 5.09, CHART_LOAD, 820, 0.62, 0.185, 2400);
        Step last = climber.state().lastStep().orElseThrow();
        assertTrue(TargetAdvice.isHot(last), "(2400 V × 0.62 A − 820 W) / 2 = 334 W of 350 W");
        assertEquals(climber.waits(30).advice().reason(), Reason.RE_PEAK_LOAD_STAYS);
    }
}
