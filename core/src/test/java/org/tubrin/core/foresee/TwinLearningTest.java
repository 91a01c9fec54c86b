package org.tubrin.core.foresee;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.core.twin.Twins;

public class TwinLearningTest {
    private static final Amplifier RECORD = Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE);
    private static final double[][] CLIMB = {{4.4, 0.5}, {8.8, 1.5}, {17.5, 2.5}, {35, 3.5}, {70, 5}};

    /** A climb of an amplifier with factors on its constants, read by meters that show so many times too much. */
    private static RunState climb(
            double emission, double supply, double drive, double tankQ, double outputShown, double plateShown) {
        TwinConstants.Tuned truth = Twins.BRIGANTINE.scaled(Band.MHZ_7, emission, supply, drive, tankQ);
        Probe probe = new TubeTwin(Sample.BRIGANTINE_STAGE, truth)
                .probe(new Setting(Band.MHZ_7, 7.1e6, 1, 5, 5, 51.6, 0))
                .orElseThrow();
        Climber climber = new Climber(Sample.setup(RECORD, Sample.STATION, Sample.BALLAST)).isReady();
        for (double[] step : CLIMB) {
            double plate = probe.resonantPlate(step[1]);
            assertTrue(probe.settle(step[0], plate, step[1]), "settled");
            climber.steps(
                    step[0],
                    plate,
                    step[1],
                    probe.outputW() * outputShown,
                    probe.plateCurrentA() * plateShown,
                    probe.gridCurrentA(),
                    probe.plateVoltageDcV());
        }
        return climber.state();
    }

    @Test
    public void anAmplifierAsItsRecordTeachesNothing() {
        TwinLearning learning = TwinLearning.of(climb(1, 1, 1, 1, 1, 1)).orElseThrow();
        for (TwinLearning.Change change : learning.changes()) {
            assertEquals(change.by().value(), 1, 0.02, change.toString());
        }
        assertTrue(learning.isBelievable(), learning.toString());
    }

    @DataProvider
    public Object[][] drifts() {
        return new Object[][] {
            {TwinFactor.EMISSION, 0.9, 0.9, 1.0, 1.0},
            {TwinFactor.SUPPLY, 0.96, 1.0, 0.96, 1.0},
            {TwinFactor.DRIVE, 1.15, 1.0, 1.0, 1.15},
        };
    }

    @Test(dataProvider = "drifts")
    public void oneThatDriftedIsFoundWithinWhatIsStated(
            TwinFactor factor, double truth, double emission, double supply, double drive) {
        TwinLearning learning =
                TwinLearning.of(climb(emission, supply, drive, 1, 1, 1)).orElseThrow();
        TwinLearning.Change found = learning.change(factor);
        assertTrue(
                Math.abs(found.by().value() - truth) < 2 * found.by().standardUncertainty() + 0.005,
                factor + " " + found);
        assertTrue(Math.signum(found.by().value() - 1) == Math.signum(truth - 1), factor + " " + found);
        assertTrue(learning.leftOver().isEmpty(), learning.toString());
    }

    @Test
    public void whatWasLearnedBringsTheTwinNearerToTheAmplifier() {
        RunState state = climb(0.9, 0.97, 1.1, 1, 1, 1);
        TwinLearning learning = TwinLearning.of(state).orElseThrow();
        Amplifier learned = learning.applied(RECORD);
        double before = off(RECORD, state);
        double after = off(learned, state);
        assertTrue(after < 0.5 * before, before + " then " + after);
    }

    private static double off(Amplifier amplifier, RunState state) {
        Step last = state.lastStep().orElseThrow();
        Probe probe = new TubeTwin(Sample.BRIGANTINE_STAGE, (TwinConstants.Tuned)
                        amplifier.twin().orElseThrow())
                .probe(new Setting(Band.MHZ_7, 7.1e6, 1, 5, 5, 51.6, 0))
                .orElseThrow();
        double load = last.position(Control.LOAD).orElseThrow();
        assertTrue(probe.settle(last.driveW().value(), probe.resonantPlate(load), load));
        return Math.abs(probe.outputW()
                        / last.measured(ReadingRole.OUTPUT).orElseThrow().value()
                - 1);
    }

    @Test
    public void aMeterThatReadsLowIsLaidUponTheMeterNotTheTubes() {
        TwinLearning learning = TwinLearning.of(climb(1, 1, 1, 1, 0.94, 1)).orElseThrow();
        assertTrue(learning.meters().get(ReadingRole.OUTPUT).value() > 1.03, learning.toString());
        assertEquals(learning.change(TwinFactor.EMISSION).by().value(), 1, 0.05);
    }

    @Test
    public void aFaultIsNotFittedAway() {
        // Emission at three fifths is no drift, whatever makes the numbers fit.
        TwinLearning soft = TwinLearning.of(climb(0.6, 1, 1, 1, 1, 1)).orElseThrow();
        assertFalse(soft.isBelievable(), soft.toString());
        // A plate current that shows half leaves readings that no believable twin explains.
        TwinLearning lie = TwinLearning.of(climb(1, 1, 1, 1, 1, 0.5)).orElseThrow();
        assertFalse(lie.isBelievable(), lie.toString());
    }

    @Test
    public void withoutATwinOrStepsThereIsNothingToLearn() {
        assertEquals(TwinLearning.of(new Climber(Sample.setup()).isReady().state()), Optional.empty());
        Climber one = new Climber(Sample.setup(RECORD, Sample.STATION, Sample.BALLAST))
                .isReady()
                .steps(4.4, 5.21, 0.5, 138, 0.1614, 0.0079, 2713);
        assertEquals(TwinLearning.of(one.state()), Optional.empty());
    }

    /** A fit that is spent before it settles leaves the twin of the record, as unsure as before any reading. */
    @Test
    public void aFitThatFailsLeavesTheTwinAsRecorded() {
        RunState state = climb(0.9, 1, 1, 1, 1, 1);
        TubeTwin twin = RecordTwin.of(state.setup()).orElseThrow();
        RunFit failed = new RunFit(state.setup(), state.steps(), twin, RunFit.MeterError.ALIKE, 1);
        assertFalse(failed.isSettled());
        assertEquals(failed.loadOffset(), 0.0);
        for (TwinFactor factor : RunFit.FACTORS) {
            assertEquals(failed.logOf(factor), 0.0);
            assertEquals(failed.logUncertainty(factor), factor.width(), 1e-12);
        }
        RunFit.Prospect prospect = failed.prospect(70, 4.5);
        RunFit.Prospect unread = RunFit.of(state.setup(), List.of(), RunFit.MeterError.ALIKE)
                .orElseThrow()
                .prospect(70, 4.5);
        assertEquals(prospect.outputW().value(), unread.outputW().value(), 1e-6);
        RunFit settled =
                RunFit.of(state.setup(), state.steps(), RunFit.MeterError.ALIKE).orElseThrow();
        assertTrue(settled.isSettled());
        assertTrue(settled.logUncertainty(TwinFactor.EMISSION) < TwinFactor.EMISSION.width());
        assertFalse(TwinLearning.isAstray(state));
    }
}
