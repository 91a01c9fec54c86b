package org.tubrin.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Caution;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.Reason;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.PowerStep;
import org.tubrin.core.station.Stage;
import org.tubrin.core.twin.Twins;

public class LadderTest {
    private static TuneSetup setup(double driveLimitW, double powerMinW, double powerMaxW) {
        TuneSetup good = Sample.setup();
        Amplifier amplifier = new Amplifier(
                "A",
                Sample.BRIGANTINE_STAGE,
                driveLimitW,
                870,
                Optional.empty(),
                Sample.BRIGANTINE.bands(),
                Sample.BRIGANTINE.chart(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        Exciter exciter = new Exciter(
                "E", powerMinW, powerMaxW, 0.05, 0.03, List.of(), Optional.empty(), Optional.empty(), Optional.empty());
        return new TuneSetup(
                good.station(),
                amplifier,
                exciter,
                Mode.CW,
                good.meters(),
                good.termination(),
                good.band(),
                good.frequencyHz(),
                good.school(),
                good.preset(),
                good.settings(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    @Test
    public void everyLadderRisesToTheTopWithoutALeap() {
        Random random = new Random(3);
        for (int i = 0; i < 2000; i++) {
            double driveLimitW = Math.exp(random.nextDouble() * 6 - 1);
            double powerMinW = driveLimitW * random.nextDouble() * 0.9 + 0.01;
            double powerMaxW = powerMinW * (1 + 10 * random.nextDouble());
            TuneSetup setup = setup(driveLimitW, Math.min(powerMinW, driveLimitW), powerMaxW);
            List<Double> rungs = Ladder.drivesW(setup, School.PEAK_THEN_HEAVIER);
            double last = rungs.get(rungs.size() - 1);
            assertEquals(last, setup.topDriveW(), 0.06 * setup.topDriveW() + 0.005);
            for (int k = 1; k < rungs.size(); k++) {
                assertTrue(rungs.get(k) > rungs.get(k - 1), rungs.toString());
                assertTrue(rungs.get(k) <= 2.2 * rungs.get(k - 1) + 0.02, rungs.toString());
            }
        }
    }

    @Test
    public void anExciterThatGivesLessThanTheAmplifierTakesSetsTheTop() {
        assertEquals(Ladder.drivesW(setup(70, 1, 20), School.PEAK_THEN_HEAVIER), List.of(1.2, 2.5, 5.0, 10.0, 20.0));
    }

    @Test
    public void anExciterThatStartsHighStartsThere() {
        assertEquals(Ladder.drivesW(setup(70, 15, 100), School.PEAK_THEN_HEAVIER), List.of(17.5, 35.0, 70.0));
    }

    @Test
    public void theChartIsNeverWithoutALowStepUnlessTheExciterHasNone() {
        assertEquals(Ladder.drivesW(setup(2, 1, 100), School.MAKERS_CHART), List.of(1.0, 2.0));
        assertEquals(Ladder.drivesW(setup(70, 1, 100), School.MAKERS_CHART), List.of(4.4, 70.0));
        assertEquals(Ladder.drivesW(setup(2, 2, 100), School.MAKERS_CHART), List.of(2.0));
    }

    @Test
    public void whoCannotBeginLowIsToldOfItBeforePower() {
        assertTrue(beforePower(setup(2, 1, 100)).contains(Caution.BEGINS_HIGH), "half of full drive is no beginning");
        assertFalse(beforePower(setup(70, 4.4, 100)).contains(Caution.BEGINS_HIGH), "a sixteenth is");
    }

    @Test
    public void aLimitPassedAtTheLeastDriveTakesAPad() {
        Climber climber = new Climber(setup(2, 1, 100)).isReady().moves(Control.PLATE, 5.1);
        climber.moves(Control.LOAD, 4.5).moves(Control.DRIVE, 1).does(new RunEvent.Keyed());
        climber.does(new RunEvent.Unkeyed());
        climber.reads(ReadingRole.OUTPUT, 1300)
                .reads(ReadingRole.PLATE_CURRENT, 0.6)
                .reads(ReadingRole.GRID_CURRENT, 0.1)
                .reads(ReadingRole.PLATE_VOLTAGE, 2600);
        assertEquals(climber.advice().move(), new Move.WorkThrough(Move.Drill.NEEDS_PAD));
        assertEquals(climber.advice().reason(), Reason.NEEDS_PAD);
    }

    private static List<Caution> beforePower(TuneSetup setup) {
        return new Climber(setup).advice().cautions();
    }

    @Test
    public void anExciterThatCannotGoLowEnoughIsRefused() {
        Refused refused = expectThrows(Refused.class, () -> setup(2, 5, 100));
        assertEquals(refused.problems().get(0).code(), ProblemCode.BEYOND_EXCITER);
    }

    @Test
    public void theSettableDriveIsNeverFarFromTheWanted() {
        for (double driveW = 0.05; driveW < 400; driveW *= 1.013) {
            assertEquals(PowerStep.customaryW(driveW), driveW, 0.1 * driveW);
        }
    }

    private static TuneSetup inSteps(PowerStep step, double powerMinW, double powerMaxW, double driveLimitW) {
        TuneSetup any = setup(driveLimitW, powerMinW, powerMaxW);
        Exciter exciter = new Exciter(
                "E",
                powerMinW,
                powerMaxW,
                0.05,
                0.03,
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(step));
        return new TuneSetup(
                any.station(),
                any.amplifier(),
                exciter,
                any.carrier(),
                any.meters(),
                any.termination(),
                any.band(),
                any.frequencyHz(),
                any.school(),
                any.preset(),
                any.settings(),
                any.source(),
                any.pad(),
                any.practice());
    }

    @Test
    public void rungsAreStepsOfTheExcitersOwn() {
        // Doublings of 4.4 W up to 70: whole fives, none twice.
        assertEquals(
                Ladder.drivesW(inSteps(new PowerStep(PowerStep.Scale.WATT, 5), 4, 100, 70), School.PEAK_THEN_HEAVIER),
                List.of(5.0, 10.0, 20.0, 35.0, 70.0));
        // Of 200 W one per cent is 2 W; the top is never above what the amplifier takes.
        assertEquals(
                Ladder.drivesW(
                        inSteps(new PowerStep(PowerStep.Scale.PERCENT, 1), 1, 200, 65), School.PEAK_THEN_HEAVIER),
                List.of(4.0, 8.0, 16.0, 32.0, 64.0));
        TuneSetup percent = inSteps(new PowerStep(PowerStep.Scale.PERCENT, 5), 2, 50, 45);
        assertEquals(percent.exciter().percent(12.5), Optional.of(25.0));
        assertEquals(percent.settableBelowW(12.4), 10, 1e-9);
        assertEquals(percent.settableW(12.4), 12.5, 1e-9);
        assertEquals(percent.settableBelowW(1), 2, 1e-9, "its least");
    }

    @Test
    public void aPadLetsAStrongExciterBeginLow() {
        TuneSetup good = Sample.setup();
        Amplifier amplifier = Twins.BARQUES_RECORD;
        Pad pad = new Pad("Fender 16", 16, 100);
        TuneSetup padded = new TuneSetup(
                good.station(),
                amplifier,
                new Exciter("E", 1, 100, 0.05, 0.03, List.of(), Optional.empty(), Optional.empty(), Optional.empty()),
                Mode.CW,
                good.meters(),
                good.termination(),
                Band.MHZ_7,
                good.frequencyHz(),
                good.school(),
                good.preset(),
                TuneSettings.customaryFor((Stage.Tubes) amplifier.stage()),
                Optional.empty(),
                Optional.of(pad),
                Optional.empty());
        List<Double> drives = Ladder.drivesW(padded, School.PEAK_THEN_HEAVIER);
        assertEquals(drives.get(drives.size() - 1), 2.5, 0.01);
        assertTrue(drives.get(0) < 0.06, "a tetrode begins at a fraction of a watt: " + drives);
        for (double driveW : drives) {
            double exciterW = padded.exciterOfW(driveW);
            assertEquals(padded.driveOfW(exciterW), driveW, 1e-12);
            assertTrue(exciterW >= 0.99 && exciterW <= 101, "the exciter can be set to " + exciterW + " W");
        }
        assertTrue(Preflight.of(padded).contains(Check.PAD_IN_LINE));
        assertTrue(!Preflight.of(good).contains(Check.PAD_IN_LINE));
    }

    private static TuneSetup withCarrier(Mode carrier) {
        TuneSetup base = Sample.setup();
        Exciter halyard = base.exciter();
        Exciter weakInAm = new Exciter(
                halyard.name(),
                halyard.powerMinW(),
                halyard.powerMaxW(),
                halyard.powerAccuracyFraction(),
                halyard.trDelayS(),
                halyard.powerByMode(),
                Optional.of(List.of(new Exciter.ModePower(Mode.AM, 25))),
                Optional.empty(),
                Optional.empty());
        return new TuneSetup(
                base.station(),
                base.amplifier(),
                weakInAm,
                carrier,
                base.meters(),
                base.termination(),
                base.band(),
                base.frequencyHz(),
                base.school(),
                base.preset(),
                base.settings(),
                base.source(),
                base.pad(),
                base.practice());
    }

    private static TuneSetup withPad(TuneSetup base, double powerLimitW) {
        return new TuneSetup(
                base.station(),
                base.amplifier(),
                base.exciter(),
                base.carrier(),
                base.meters(),
                base.termination(),
                base.band(),
                base.frequencyHz(),
                base.school(),
                base.preset(),
                base.settings(),
                base.source(),
                Optional.of(new Pad("Fender 1", 1, powerLimitW)),
                base.practice());
    }

    @Test
    public void aCarrierThatEndsBelowFullDriveIsNotTakenForIt() {
        Climber am = new Climber(withCarrier(Mode.AM));
        assertTrue(am.advice().cautions().contains(Caution.CARRIER_SHORT));
        am.isReady().steps(25, 5.1, 4.5, 400, 0.35, 0.04, 2600);
        assertEquals(am.state().reached(), Optional.of(ClimbEnd.CARRIER_FULL));
        assertTrue(withCarrier(Mode.AM).fullerCarrier().isPresent());
        assertTrue(withPad(withCarrier(Mode.AM), 20).fullerCarrier().isEmpty(), "the pad bears no more in any mode");
        Climber cw = new Climber(withCarrier(Mode.CW));
        assertTrue(!cw.advice().cautions().contains(Caution.CARRIER_SHORT));
        cw.isReady().steps(70, 5.1, 4.5, 870, 0.5, 0.06, 2600);
        assertEquals(cw.state().reached(), Optional.of(ClimbEnd.FULL_DRIVE));
    }

    @Test
    public void withLoadAtItsEndAndLightStillLessDriveIsLeft() {
        Climber climber = new Climber(Sample.setup()).isReady().steps(4.4, 5.2, 10, 100, 0.15, 0.02, 2700);
        climber.moves(Control.DRIVE, 8.8).moves(Control.PLATE, 5.2).moves(Control.LOAD, 10);
        climber.does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .keysFor(4)
                .reads(180, 0.2, 0.15, 2650)
                .waits(20);
        Advice advice = climber.advice();
        assertEquals(advice.about(), Optional.of(Sign.Code.COUPLED_TOO_LIGHTLY));
        assertEquals(advice.reason(), Reason.LOAD_AT_STOP);
        Move.Turn turn = (Move.Turn) advice.move();
        assertEquals(turn.control(), Control.DRIVE);
        assertTrue(turn.to() < turn.from(), turn.toString());
    }
}
