package org.tubrin.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.Reason;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.PowerStep;

/** Where the hand goes back, and how far the drive goes where no twin foresees the currents. */
public class StopTest {
    private static Map<ReadingRole, String> ranges(String output) {
        return Map.of(ReadingRole.OUTPUT, output);
    }

    private static double shows(List<Stop> stops, ReadingRole role) {
        return stops.stream()
                .filter(stop -> stop.role() == role)
                .findFirst()
                .orElseThrow()
                .shows();
    }

    /** 3 % of 0.35 A and of 1 A, 5 % of 1.5 kW; a class alone holds 95 % within 0.95 of its bound. */
    @Test
    public void aStopLiesWhereTheIntervalTouchesTheLimit() {
        TuneSetup setup = Sample.setup();
        List<Stop> stops = Stop.of(setup, School.PEAK_THEN_HEAVIER, ranges("1.5 kW"));
        assertEquals(stops.get(0).role(), ReadingRole.GRID_CURRENT, "the soonest lost first");
        assertEquals(shows(stops, ReadingRole.GRID_CURRENT), 0.2 - 0.95 * 0.03 * 0.35, 1e-9);
        assertEquals(shows(stops, ReadingRole.PLATE_CURRENT), 0.66 - 0.95 * 0.03, 1e-9);
        assertEquals(shows(stops, ReadingRole.OUTPUT), 1000 - 0.95 * 75, 1e-9);
        assertTrue(
                Stop.of(setup, School.PEAK_THEN_HEAVIER, ranges("150 W")).stream()
                        .noneMatch(stop -> stop.role() == ReadingRole.OUTPUT),
                "a scale that ends below it tells nothing of it");
    }

    /** A meter shows the mean of pulses, above what flows at rest; one for output holds their peak. */
    @Test
    public void ofPulsesAMeterShowsTheMean() {
        TuneSetup setup = Sample.setup();
        double duty = setup.customs().dutyFactor();
        List<Stop> steady = Stop.of(setup, School.PEAK_THEN_HEAVIER, ranges("1.5 kW"));
        List<Stop> pulsed = Stop.of(setup, School.PULSED, ranges("1.5 kW"));
        double rest = setup.tubes().restingPlateCurrentA();
        assertEquals(shows(pulsed, ReadingRole.GRID_CURRENT), duty * shows(steady, ReadingRole.GRID_CURRENT), 1e-9);
        assertEquals(
                shows(pulsed, ReadingRole.PLATE_CURRENT),
                duty * shows(steady, ReadingRole.PLATE_CURRENT) + (1 - duty) * rest,
                1e-9);
        assertEquals(shows(pulsed, ReadingRole.OUTPUT), shows(steady, ReadingRole.OUTPUT), 1e-9);
    }

    private static Climber atTheSecondStep(double gridA) {
        return new Climber(Sample.setup())
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .steps(17.5, 5.14, 2.5, 385, 0.292, gridA, 2640);
    }

    @Test
    public void aKeyDownThatWasStoppedSaysEnough() {
        Climber climber = atTheSecondStep(0.036).moves(Control.LOAD, 3.5).moves(Control.DRIVE, 35);
        climber.waits(10).keysFor(1);
        assertTrue(climber.advice().move() instanceof Move.EnterReadings);
        assertEquals(climber.reads(ReadingRole.GRID_CURRENT, 0.195).advice().reason(), Reason.STOPPED_HEAVIER);
        Advice less = climber.reads(ReadingRole.GRID_CURRENT, 0.21).advice();
        assertEquals(less.reason(), Reason.STOPPED_LESS_DRIVE);
        Move.Turn drive = (Move.Turn) less.move();
        assertEquals(drive.control(), Control.DRIVE);
        assertTrue(drive.to() < 0.95 * 35 && drive.to() > 25, drive.toString());
        assertFalse(
                climber.reads(ReadingRole.GRID_CURRENT, 0.15).advice().reason() == Reason.STOPPED_LESS_DRIVE,
                "below its stop it says nothing");
    }

    /** Less drive and heavier coupling go together, and what is peaked next leaves LOAD where it was put. */
    @Test
    public void afterAStopLoadGoesHeavierAndStays() {
        Climber climber = atTheSecondStep(0.036).moves(Control.LOAD, 3.5).moves(Control.DRIVE, 35);
        climber.waits(10).keysFor(1).reads(ReadingRole.GRID_CURRENT, 0.21);
        Following.events(climber.advice(), climber.now).forEach(climber::does);
        Advice heavier = climber.advice();
        assertEquals(heavier.reason(), Reason.STOPPED_HEAVIER);
        assertEquals(((Move.Turn) heavier.move()).marks(), 0.5, 0.01);
        Following.events(heavier, climber.now).forEach(climber::does);
        Move.KeyAndPeak key = (Move.KeyAndPeak) climber.waits(20).advice().move();
        assertEquals(key.order(), List.of(Control.PLATE));
        climber.keysFor(3).reads(600, 0.4, 0.15, 2620);
        assertFalse(climber.advice().move() instanceof Move.Turn, "once is enough");
    }

    /** A plate current that came to its stop is not helped by heavier coupling. */
    @Test
    public void aStopOfThePlatesAsksForLessDriveAlone() {
        Climber climber = atTheSecondStep(0.036).moves(Control.LOAD, 3.5).moves(Control.DRIVE, 35);
        climber.waits(10).keysFor(1).reads(ReadingRole.PLATE_CURRENT, 0.68);
        assertEquals(climber.advice().reason(), Reason.STOPPED_LESS_DRIVE);
        Following.events(climber.advice(), climber.now).forEach(climber::does);
        Move.KeyAndPeak key = (Move.KeyAndPeak) climber.waits(20).advice().move();
        assertEquals(key.order(), List.of(Control.PLATE, Control.LOAD, Control.PLATE));
    }

    @Test
    public void theNextRungStaysBelowWhatTheCurrentsGrowTo() {
        // Twice the drive is 2.3 times the grid current: at 35 W it would be 0.24 A and more.
        Climber fast = atTheSecondStep(0.045).moves(Control.LOAD, 3.0).steps(25, 5.12, 3.0, 490, 0.345, 0.105, 2610);
        List<Step> steps = fast.state().steps();
        double power = Math.log(0.105 / 0.045) / Math.log(25 / 17.5) + 0.1;
        double within = 25 * Math.pow((0.2 - 0.95 * 0.03 * 0.35) / 0.105, 1 / Math.min(2.5, power));
        assertEquals(DriveAhead.withinW(Sample.setup(), steps), Optional.of(within));
        assertEquals(
                ClimbEnd.nextDriveW(Sample.setup(), steps, Optional.empty()), PowerStep.customaryBelowW(within), 1e-9);
        assertTrue(ClimbEnd.isHeldByCurrent(Sample.setup(), steps, Optional.empty()));
        Climber slow = atTheSecondStep(0.036);
        assertEquals(ClimbEnd.nextDriveW(Sample.setup(), slow.state().steps(), Optional.empty()), 35, 1e-9);
        assertFalse(ClimbEnd.isHeldByCurrent(Sample.setup(), slow.state().steps(), Optional.empty()));
    }

    /** From 17.5 W, where all was well, 35 W was stopped: with heavier coupling half the way back up is tried, without it none. */
    @Test
    public void aDriveThatWasStoppedIsComeNearToOnlyByHeavierCoupling() {
        Climber climber = atTheSecondStep(0.036).moves(Control.LOAD, 3.5).moves(Control.DRIVE, 35);
        climber.waits(10).keysFor(1).reads(ReadingRole.GRID_CURRENT, 0.21);
        Following.events(climber.advice(), climber.now).forEach(climber::does);
        Stopped stopped = climber.state().stopped().orElseThrow();
        assertEquals(stopped, new Stopped(35, ReadingRole.GRID_CURRENT, 3.5));
        double lowerW = climber.state().draft().driveW().value();
        assertTrue(lowerW < 0.95 * 35, "less drive was the answer");
        climber.waits(20).keysFor(3).reads(560, 0.38, 0.12, 2620).does(new RunEvent.StepRecorded());
        assertEquals(ClimbEnd.nextDriveW(Sample.setup(), climber.state().steps(), Optional.of(stopped)), lowerW, 1e-9);
        Stopped lighter = new Stopped(35, ReadingRole.GRID_CURRENT, 3.0);
        assertEquals(
                ClimbEnd.nextDriveW(Sample.setup(), climber.state().steps(), Optional.of(lighter)),
                PowerStep.customaryBelowW(Math.sqrt(lowerW * 35)),
                1e-9);
        // From far below it goes up again, but not as far.
        Climber low = atTheSecondStep(0.036);
        assertEquals(
                ClimbEnd.nextDriveW(
                        Sample.setup(),
                        low.state().steps(),
                        Optional.of(new Stopped(60, ReadingRole.PLATE_CURRENT, 3.0))),
                PowerStep.customaryBelowW(Math.sqrt(17.5 * 60)),
                1e-9);
    }

    @Test
    public void whereHeavierHelpedTheDriveIsFreeAgain() {
        Climber climber = atTheSecondStep(0.036).moves(Control.LOAD, 3.5).moves(Control.DRIVE, 35);
        climber.waits(10).keysFor(1).reads(ReadingRole.GRID_CURRENT, 0.195);
        Following.events(climber.advice(), climber.now).forEach(climber::does);
        assertEquals(climber.state().stopped().map(Stopped::driveW), Optional.of(35.0));
        climber.moves(Control.DRIVE, 35).moves(Control.LOAD, 4.5);
        climber.waits(20).keysFor(3).reads(640, 0.41, 0.12, 2600).does(new RunEvent.StepRecorded());
        assertEquals(climber.state().stopped(), Optional.empty());
    }

    /** 60 W brought 905 W: some 65 W would bring what the licence lets pass, a twelfth more drive, which is not worth a key-down. */
    @Test
    public void aLittleDriveBelowTheLicenceIsLeftAndTheLicenceIsNamed() {
        Climber climber = atTheSecondStep(0.036)
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .steps(60, 5.10, 4.2, 905, 0.5, 0.12, 2520);
        double nextW = ClimbEnd.nextDriveW(Sample.setup(), climber.state().steps(), Optional.empty());
        assertTrue(nextW > 1.05 * 60 && nextW < 1.12 * 60, nextW + " W");
        assertEquals(climber.state().climbEnd(), Optional.of(ClimbEnd.LICENCE));
    }
}
