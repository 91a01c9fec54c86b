package org.tubrin.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;

public class AdmissionTest {
    private static ProblemCode code(List<Problem> problems) {
        assertEquals(problems.size(), 1, problems.toString());
        return problems.get(0).code();
    }

    @Test
    public void nothingIsKeyedBeforeThePointsAreAnswered() {
        assertEquals(code(new Climber(Sample.setup()).refusals(new RunEvent.Keyed())), ProblemCode.PREFLIGHT_OPEN);
    }

    @Test
    public void aDialStopsAtItsScale() {
        Problem problem = new Climber(Sample.setup())
                .refusals(new RunEvent.DialMoved(Control.LOAD, "11", 11))
                .get(0);
        assertEquals(problem.path(), "LOAD");
        assertTrue(problem.allowed() instanceof Allowed.Range range && range.most() == 10);
    }

    @Test
    public void aStepIsRecordedWhole() {
        Climber climber =
                new Climber(Sample.setup()).isReady().moves(Control.DRIVE, 4.4).reads(ReadingRole.OUTPUT, 138);
        Problem problem = climber.refusals(new RunEvent.StepRecorded()).get(0);
        assertEquals(problem.code(), ProblemCode.STEP_INCOMPLETE);
        assertEquals(
                ((Allowed.OneOf) problem.allowed()).names(),
                List.of("PLATE_CURRENT", "GRID_CURRENT", "PLATE_VOLTAGE", "PLATE", "LOAD"));
    }

    @Test
    public void anEndedRunTakesNotesOnly() {
        Climber climber = new Climber(Sample.setup()).isReady().does(new RunEvent.Abandoned("supper"));
        assertEquals(code(climber.refusals(new RunEvent.Keyed())), ProblemCode.RUN_ENDED);
        assertTrue(climber.refusals(new RunEvent.Note("went on next day")).isEmpty());
    }

    @Test
    public void aReadingNeedsItsMeter() {
        Reading screen = new Reading(ReadingRole.SCREEN_CURRENT, "12", 0.012, "Brigantine panel", "1 A");
        assertEquals(
                code(new Climber(Sample.setup()).refusals(new RunEvent.ReadingTaken(screen, false))),
                ProblemCode.NO_CHANNEL);
    }

    @Test
    public void keysGoDownAndUpInTurn() {
        Climber climber = new Climber(Sample.setup()).isReady();
        assertEquals(code(climber.refusals(new RunEvent.Unkeyed())), ProblemCode.NOT_KEYED);
        climber.does(new RunEvent.Keyed());
        assertEquals(code(climber.refusals(new RunEvent.Keyed())), ProblemCode.ALREADY_KEYED);
    }

    @Test
    public void aTenfoldEntryIsDoubtedAndKept() {
        Climber climber = new Climber(Sample.setup())
                .isReady()
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .moves(Control.DRIVE, 70)
                .reads(ReadingRole.OUTPUT, 89)
                .reads(ReadingRole.PLATE_VOLTAGE, 2.5);
        assertEquals(climber.state().doubt(ReadingRole.OUTPUT), Optional.of(Doubt.TENFOLD_LOW));
        assertEquals(climber.state().doubt(ReadingRole.PLATE_VOLTAGE), Optional.of(Doubt.TENFOLD_LOW));
        climber.reads(ReadingRole.OUTPUT, 1600);
        assertEquals(climber.state().doubt(ReadingRole.OUTPUT), Optional.of(Doubt.BEYOND_RANGE));
        climber.reads(ReadingRole.OUTPUT, 890);
        assertEquals(climber.state().doubt(ReadingRole.OUTPUT), Optional.empty());
        climber.does(new RunEvent.ReadingTaken(new Reading(ReadingRole.OUTPUT, "89", 89, "Fathom", "1.5 kW"), true));
        assertEquals(climber.state().doubt(ReadingRole.OUTPUT), Optional.empty(), "confirmed readings stand");
    }

    @Test
    public void aSetupNamesEveryThingThatDoesNotFit() {
        TuneSetup good = Sample.setup();
        Refused refused = expectThrows(
                Refused.class,
                () -> new TuneSetup(
                        good.station(),
                        good.amplifier(),
                        good.exciter(),
                        Mode.SSB,
                        List.of(Sample.PANEL),
                        good.termination(),
                        Band.MHZ_21,
                        7.1e6,
                        good.school(),
                        good.preset(),
                        good.settings(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()));
        assertEquals(
                refused.problems().stream().map(Problem::path).toList(),
                List.of("band", "frequencyHz", "carrier", "meters"));
    }

    @Test
    public void theDelayIsAskedForOnlyWhereTheRecordsDoNotShowIt() {
        assertTrue(!Preflight.of(Sample.setup()).contains(Check.TR_DELAY), "30 ms exceeds the relay's 15 + 10 ms");
        var slow = new org.tubrin.core.station.Amplifier(
                "Brigantine",
                Sample.BRIGANTINE_STAGE,
                70,
                870,
                Optional.of(0.025),
                Sample.BRIGANTINE.bands(),
                Sample.BRIGANTINE.chart(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        assertTrue(
                Preflight.of(Sample.setup(slow, Sample.STATION, Sample.BALLAST)).contains(Check.TR_DELAY));
        assertTrue(Preflight.of(Sample.setup(Sample.BRIGANTINE, Sample.STATION, Sample.YARDARM))
                .contains(Check.MATCHED_IN_BYPASS));
    }

    @Test
    public void theLadderDoublesToFullDriveWithinTheExcitersReach() {
        assertEquals(Ladder.drivesW(Sample.setup(), School.PEAK_THEN_HEAVIER), List.of(4.4, 8.8, 17.5, 35.0, 70.0));
        assertEquals(Ladder.belowW(Sample.setup(), 70, 2), 17.5);
        assertEquals(Ladder.belowW(Sample.setup(), 4.4, 2), 1.1);
        assertEquals(Ladder.belowW(Sample.setup(), 1.5, 2), 1.0, "as low as the exciter can be set");
        var tetrode = new org.tubrin.core.device.Tube(
                "Beacon 800",
                org.tubrin.core.device.Construction.TETRODE,
                800,
                3500,
                1,
                0.05,
                OptionalDouble.of(0.08),
                180);
        assertEquals(
                TuneSettings.customaryFor(Sample.stage(tetrode, org.tubrin.core.tank.LoadSense.MORE_IS_LIGHTER))
                        .firstDriveFraction(),
                1.0 / 64);
    }
}
