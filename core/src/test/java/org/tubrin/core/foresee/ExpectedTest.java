package org.tubrin.core.foresee;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.Twins;

/** What the twin adds to a run: what meters should show, and how heavy LOAD should go. */
public class ExpectedTest {
    private static final Amplifier BRIGANTINE = Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE);
    private static final TuneSetup SETUP = Sample.setup(BRIGANTINE, Sample.STATION, Sample.BALLAST);

    private static double[] row(double driveW) {
        Peak peak = RecordTwin.peak(SETUP, driveW).orElseThrow();
        return new double[] {
            peak.plate(),
            peak.load(),
            peak.point().outputW(),
            peak.point().meters().plateCurrentA(),
            peak.point().meters().gridCurrentA(),
            peak.point().meters().plateVoltageDcV()
        };
    }

    private static Climber climbed(Climber climber, double... drivesW) {
        Climber next = climber;
        for (double driveW : drivesW) {
            double[] at = row(driveW);
            next = next.steps(driveW, at[0], at[1], at[2], at[3], at[4], at[5]);
        }
        return next;
    }

    @Test
    public void meetsTheReferenceWithABandThatTheDriveGovernsAtFirst() {
        Map<ReadingRole, Quantity> expected = Expected.at(SETUP, 70, 5.103, 4.439);
        Quantity output = expected.get(ReadingRole.OUTPUT);
        assertEquals(output.value(), 888, 6);
        assertEquals(output.standing(), Standing.PREDICTED);
        assertTrue(output.standardUncertainty() > 0.03 * output.value());
        assertTrue(output.standardUncertainty() < 0.1 * output.value());
        Quantity small = Expected.at(SETUP, 4.375, 5.2, 0.5).get(ReadingRole.OUTPUT);
        assertTrue(
                small.standardUncertainty() / small.value() > 0.04,
                "far from saturation the drive's error passes to the output whole: " + small);
        assertEquals(Expected.at(Sample.setup(), 70, 5.1, 4.4), Map.of(), "without a twin nothing is expected");
    }

    @Test
    public void forTheLastStepLoadGoesAtOnceToWhereItIsToEnd() {
        Climber climber = climbed(new Climber(SETUP).isReady(), 17.5, 35);
        Advice advice = NextMove.of(climber.state(), climber.state().lastAt());
        Move.Turn turn = (Move.Turn) advice.move();
        assertEquals(turn.control(), Control.LOAD);
        assertEquals(turn.to(), RecordTwin.finish(SETUP, 70).orElseThrow().load(), 0.15);
        climber.moves(Control.LOAD, turn.to());
        Advice up = NextMove.of(climber.state(), climber.state().lastAt());
        assertTrue(up.beginsFinish(), "the step at full drive is the last one: " + up);
        Following.events(up, climber.now).forEach(climber::does);
        assertEquals(climber.state().draft().kind(), Step.Kind.FINISH);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).order(), List.of(Control.PLATE));
    }

    @Test
    public void whoStandsTooHeavyIsNotSentFurther() {
        double[] at = row(17.5);
        Climber climber = new Climber(SETUP).isReady().steps(17.5, 5.17, 6.5, 250, 0.34, 0.03, at[5]);
        Advice advice = NextMove.of(climber.state(), climber.state().lastAt());
        assertTrue(
                !(advice.move() instanceof Move.Turn turn && turn.control() == Control.LOAD),
                "already heavier than any peak: " + advice.move());
    }

    @Test
    public void theFinishLiesWhereTheTwinHasIt() {
        Climber climber = climbed(new Climber(SETUP).isReady(), 17.5, 35, 70);
        Advice advice = NextMove.of(climber.state(), climber.state().lastAt());
        Move.Turn turn = (Move.Turn) advice.move();
        assertEquals(turn.control(), Control.LOAD);
        assertEquals(turn.to(), RecordTwin.finish(SETUP, 70).orElseThrow().load(), 0.15);
    }
}
