package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Doubt;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Mode;
import org.tubrin.core.trend.Unlike;

/** Follows the advice, and nothing but the advice, through whole tune-ups. */
public class JourneyTest {
    private final List<CSVRecord> climb = Sample.table("/advice/climb-7mhz.csv");

    private static double number(CSVRecord row, String column) {
        return Double.parseDouble(row.get(column));
    }

    /** Does what the move says, with the readings of the row of the step in hand. */
    private void climbs(Climber climber, int steps) {
        for (CSVRecord row : climb.subList(0, steps)) {
            climber.steps(
                    number(row, "drive"),
                    number(row, "plate"),
                    number(row, "load"),
                    number(row, "output"),
                    number(row, "plateCurrent"),
                    number(row, "gridCurrent"),
                    number(row, "plateVoltage"));
        }
    }

    private void follow(Climber climber, Advice advice) {
        CSVRecord row = climb.get(Math.min(climber.state().steps().size(), climb.size() - 1));
        Move move = advice.move();
        List<RunEvent> done = Following.events(advice, climber.now);
        done.forEach(climber::does);
        if (move instanceof Move.WaitForWarmth wait) {
            climber.waits(wait.leftS());
        } else if (move instanceof Move.Rest rest) {
            climber.waits(rest.leftS());
        } else if (move instanceof Move.KeyAndPeak) {
            climber.does(new RunEvent.Keyed()).waits(4);
        } else if (move instanceof Move.PeakAndRead) {
            climber.moves(Control.PLATE, number(row, "plate"))
                    .moves(Control.LOAD, number(row, "load"))
                    .reads(
                            number(row, "output"),
                            number(row, "plateCurrent"),
                            number(row, "gridCurrent"),
                            number(row, "plateVoltage"))
                    .does(new RunEvent.Unkeyed());
        } else if (done.isEmpty()) {
            throw new AssertionError("not expected on this journey: " + move);
        }
    }

    @Test
    public void theAdviceAloneLeadsFromTheStartToACardRow() {
        Climber climber = new Climber(Sample.setup());
        List<String> moves = new ArrayList<>();
        for (int i = 0; i < 100 && climber.state().ending().isEmpty(); i++) {
            Advice advice = climber.advice();
            moves.add(advice.move().getClass().getSimpleName() + ":" + advice.reason());
            follow(climber, advice);
        }
        RunState state = climber.state();
        assertEquals(state.ending().orElseThrow(), RunState.Ending.FINISHED, String.join("\n", moves));
        assertEquals(
                state.steps().stream().map(step -> step.driveW().value()).toList(),
                List.of(4.4, 8.8, 17.5, 35.0, 70.0, 70.0));
        assertEquals(state.lastStep().orElseThrow().kind(), Step.Kind.FINISH);
        assertTrue(moves.contains("SwitchRange:RANGE_TOO_SMALL"), String.join("\n", moves));
        assertTrue(
                moves.indexOf("SwitchRange:RANGE_TOO_SMALL") < moves.lastIndexOf("RecordStep:STEP_IS_GOOD"),
                "the range is changed before the step that needs it");
        assertEquals(moves.stream().filter("Turn:FINISH_HEAVIER"::equals).count(), 1);

        CardRow row = CardRow.of(state).orElseThrow();
        assertEquals(row.plate(), 5.09, 1e-9);
        assertEquals(row.load(), 5.0, 1e-9);
        assertEquals(row.outputW().value(), 874.4, 1e-9);
        assertEquals(row.efficiency().orElseThrow().value(), 0.61, 0.002);
    }

    @Test
    public void everyPrefixOfARunReplaysToTheStateThatItHad() {
        Climber climber = new Climber(Sample.setup());
        List<RunState> seen = new ArrayList<>(List.of(climber.state()));
        while (climber.state().ending().isEmpty()) {
            int before = climber.events.size();
            follow(climber, climber.advice());
            if (climber.events.size() == before + 1) {
                seen.add(climber.state());
            }
        }
        for (RunState state : seen) {
            assertEquals(Replay.of(climber.events.subList(0, (int) state.sequence())), state);
        }
    }

    @Test
    public void theLicenceCapsTheDriveBeforeItIsPassed() {
        var strict = new org.tubrin.core.station.Station("Skerry Point", "Q1TUB", 750, 20, java.util.Optional.empty());
        Climber climber = new Climber(Sample.setup(Sample.BRIGANTINE, strict, Sample.BALLAST)).isReady();
        climbs(climber, 4);
        climber.moves(Control.LOAD, 4.5);
        Advice advice = climber.advice();
        assertEquals(advice.reason(), Reason.LICENCE_CAPS_DRIVE);
        assertTrue(advice.move() instanceof Move.Turn turn && turn.to() > 35 && turn.to() < 60, advice.toString());
    }

    @Test
    public void aLongCarrierEndsTheClimbAtItsOutputAndTakesAllModesThatStandLong() {
        TuneSetup setup = Sample.setup()
                .chosen(Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(450.0)));
        Climber climber = new Climber(setup).isReady();
        climbs(climber, 3);
        double lastW = number(climb.get(2), "drive");
        double outputW = number(climb.get(2), "output");
        climber.moves(Control.LOAD, number(climb.get(2), "load") + 0.5);
        Advice advice = climber.advice();
        assertEquals(advice.reason(), Reason.LONG_CARRIER_CAPS_DRIVE, outputW + " W are there");
        assertTrue(
                advice.move() instanceof Move.Turn turn
                        && turn.to() > lastW
                        && turn.to() < lastW * 1.15 * 450 / outputW,
                advice.toString());
        assertEquals(setup.suited(), List.of(School.PEAK_THEN_HEAVIER, School.PULSED), "LOAD must find its place");
        assertEquals(Unlike.between(setup, Sample.setup()), List.of(Unlike.USE), "no wear in that");
        List<OnAir.Code> codes =
                OnAir.of(climber.state()).stream().map(OnAir::code).toList();
        assertEquals(
                codes, List.of(OnAir.Code.LONG_CARRIER_ROW, OnAir.Code.AM_A_QUARTER, OnAir.Code.RETUNE_WHEN_MOVING));
    }

    @Test
    public void aLittleMoreDriveAtLighterLoadIsNoGrowthThatNoStageHas() {
        Climber climber = new Climber(Sample.setup())
                .isReady()
                .steps(17.5, 5.08, 5.04, 281.7, 0.3276, 0.0289, 2681)
                .moves(Control.DRIVE, 19)
                .moves(Control.LOAD, 2.1)
                .reads(441.9, 0.2983, 0.0444, 2695);
        List<Sign.Code> codes = Signs.of(
                        climber.state().draft(), climber.state().lastStep())
                .stream()
                .map(Sign::code)
                .toList();
        assertFalse(codes.contains(Sign.Code.GROWTH_TOO_HIGH), codes.toString());
    }

    @Test
    public void aLongCarrierBeyondTheRatingIsRefusedAndSoIsASchoolThatLeavesLoad() {
        TuneSetup setup = Sample.setup();
        Customs beyond = Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(1200.0));
        Refused refused = expectThrows(Refused.class, () -> setup.chosen(beyond).withinDrive());
        assertEquals(refused.problems().get(0).path(), "wantedOutput");
        Customs half = Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(450.0));
        Climber climber = new Climber(setup.chosen(half));
        assertEquals(
                Admission.refusals(climber.state(), new RunEvent.SchoolChosen(School.MAKERS_CHART), climber.now)
                        .stream()
                        .map(Problem::path)
                        .toList(),
                List.of("school"));
    }

    @Test
    public void lightLoadingIsMendedHeavierInTheAmplifiersOwnDirection() {
        for (var sense : org.tubrin.core.tank.LoadSense.values()) {
            Climber climber = new Climber(Sample.setup(Sample.brigantine(sense), Sample.STATION, Sample.BALLAST))
                    .isReady()
                    .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                    .moves(Control.DRIVE, 70)
                    .moves(Control.PLATE, 5.13)
                    .moves(Control.LOAD, 3.0)
                    .reads(787.1, 0.4532, 0.2574, 2555);
            Advice advice = climber.advice();
            assertEquals(advice.reason(), Reason.GRID_CURRENT_OVER);
            Move.Turn turn = (Move.Turn) advice.move();
            double marks = Math.log(0.2574 / (0.97 * 0.2)) / 0.25;
            assertEquals(turn.to() - turn.from(), marks * sense.heavierSign(), 0.01, "a quarter less for each mark");
            follow(climber, advice);
            assertTrue(climber.state().draft().readings().isEmpty(), "old readings do not hold at the new place");
            assertTrue(
                    climber.advice().move() instanceof Move.KeyAndPeak,
                    climber.advice().toString());
        }
    }

    @Test
    public void aTripGoesTwoRungsDownAndBack() {
        Climber climber = new Climber(Sample.setup())
                .isReady()
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .moves(Control.LOAD, 4.5)
                .moves(Control.DRIVE, 70)
                .does(new RunEvent.SignSeen(SeenSign.TRIP_GRID));
        Move.Turn turn = (Move.Turn) climber.advice().move();
        assertEquals(turn.control(), Control.DRIVE);
        assertEquals(turn.to(), 17.5);
    }

    @Test
    public void anUndoneStepIsInHandAgainWithItsReadings() {
        Climber climber = new Climber(Sample.setup()).isReady().steps(4.4, 5.21, 0.5, 138, 0.1614, 0.0079, 2713);
        climber.does(new RunEvent.StepUndone());
        Step draft = climber.state().draft();
        assertEquals(draft.measured(ReadingRole.OUTPUT).orElseThrow().value(), 138.0);
        assertTrue(climber.advice().move() instanceof Move.RecordStep);
        assertTrue(climber.state().steps().isEmpty());
    }

    @Test
    public void afterwardsAModeWithMoreDriveThanTunedIsFlagged() {
        Climber climber = new Climber(Sample.setup()).isReady().steps(70, 5.09, 5, 874.4, 0.5757, 0.1492, 2489);
        OnAir flagged = OnAir.of(climber.state()).get(0);
        assertEquals(flagged.code(), OnAir.Code.MODE_ABOVE_TUNED_DRIVE);
        assertEquals(flagged.modes(), List.of(Mode.SSB));
        assertEquals(flagged.numbers().get("set"), 100.0);
    }

    @Test
    public void aLeapOfDriveMakesNoReadingDoubtfulButATenfoldOneStays() {
        Climber climber = new Climber(Sample.setup())
                .isReady()
                .steps(4.4, 5.11, 4.5, 82, 0.185, 0.0083, 2758)
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .moves(Control.DRIVE, 70)
                .reads(ReadingRole.OUTPUT, 917);
        assertTrue(climber.state().doubt(ReadingRole.OUTPUT).isEmpty(), "eleven times at sixteen times the drive");
        Climber same = new Climber(Sample.setup())
                .isReady()
                .steps(4.4, 5.11, 4.5, 82, 0.185, 0.0083, 2758)
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .moves(Control.DRIVE, 8.8)
                .reads(ReadingRole.OUTPUT, 917);
        assertEquals(same.state().doubt(ReadingRole.OUTPUT), Optional.of(Doubt.TENFOLD_HIGH));
    }
}
