package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Station;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Twins;

/** An amplifier that turns out to be other than its twin at the last step, and a key-down in which everything is read afresh. */
public class PeakByHandTest {
    private static final TuneSetup SETUP =
            Sample.setup(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE), Sample.STATION, Sample.BALLAST);
    private static final List<Control> BOTH = List.of(Control.PLATE, Control.LOAD, Control.PLATE);

    /** What the twin itself shows at a place, its PLATE peaked. */
    private static Probe twin(double driveW, double load) {
        Probe probe = RecordTwin.of(SETUP)
                .flatMap(twin -> twin.probe(RecordTwin.setting(SETUP, driveW, 5, load)))
                .orElseThrow();
        assertTrue(probe.settle(driveW, probe.resonantPlate(load), load));
        return probe;
    }

    /** Reads an amplifier whose output and currents are this share of what the twin has there. */
    private static Climber reads(Climber climber, Probe probe, double share) {
        return climber.moves(Control.PLATE, 5.05)
                .reads(
                        share * probe.outputW(),
                        share * probe.plateCurrentA(),
                        share * probe.gridCurrentA(),
                        probe.plateVoltageDcV());
    }

    private static void isRecorded(Climber climber) {
        assertTrue(
                climber.advice().move() instanceof Move.RecordStep,
                climber.advice().toString());
    }

    private static double load(Climber climber) {
        return climber.state().draft().position(Control.LOAD).orElseThrow();
    }

    private static Climber follows(Climber climber) {
        Following.events(climber.advice(), climber.now).forEach(climber::does);
        return climber;
    }

    /** A first step as the twin has it, and all that comes before the last key-down. */
    private static Climber atTheLastStep() {
        return atTheLastStep(SETUP);
    }

    private static Climber atTheLastStep(TuneSetup setup) {
        Probe low = twin(4.4, 4.5);
        Climber climber = new Climber(setup)
                .isReady()
                .does(new RunEvent.SchoolChosen(School.MAKERS_CHART))
                .steps(
                        4.4,
                        low.resonantPlate(4.5),
                        4.5,
                        low.outputW(),
                        low.plateCurrentA(),
                        low.gridCurrentA(),
                        low.plateVoltageDcV())
                .waits(10);
        while (!(climber.advice().move() instanceof Move.KeyAndPeak)) {
            follows(climber);
        }
        assertEquals(
                ((Move.KeyAndPeak) climber.advice().move()).order(), List.of(Control.PLATE), "the twin chose LOAD");
        assertEquals(
                climber.state().draft().kind(),
                Step.Kind.FINISH,
                climber.state().draft().driveW().toString());
        return climber.keysFor(4);
    }

    @Test
    public void whatIsAsForeseenIsNotTouchedAgain() {
        Climber climber = atTheLastStep();
        reads(climber, twin(climber.state().draft().driveW().value(), load(climber)), 1);
        isRecorded(climber);
    }

    @Test
    public void whereTheLastStepBringsLessTheHandPeaksLoadOnceRestedAndReadsAfresh() {
        Climber climber = atTheLastStep();
        double driveW = climber.state().draft().driveW().value();
        reads(climber, twin(driveW, load(climber)), 0.85);
        assertTrue(climber.advice().move() instanceof Move.Rest, "who peaks afresh rests first: " + climber.advice());
        climber.waits(20);
        assertEquals(climber.advice().reason(), Reason.PEAK_BY_HAND);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).order(), BOTH);
        Following.keyed(climber.state(), climber.now).forEach(climber::does);
        assertTrue(climber.state().isKeyed());
        assertTrue(
                climber.state().draft().readings().isEmpty(),
                "what was read before says nothing of what is peaked now");
        assertTrue(climber.state().struck().orElseThrow().isComplete(), "and is not lost");
        assertEquals(climber.advice().reason(), Reason.KEY_IS_DOWN, "LOAD too, while the key is down");
        climber.waits(4).does(new RunEvent.Unkeyed()).moves(Control.LOAD, load(climber) + 0.6);
        reads(climber, twin(driveW, load(climber)), 0.95);
        isRecorded(climber);
        assertEquals(climber.state().triesInStep(), 2);
    }

    /** LOAD brings no output that the licence does not allow: the hand would only leave it lighter, and the signal less clean. */
    @Test
    public void whereTheLicenceHoldsTheDriveTheHandIsNotAsked() {
        Station licensed = new Station("S", "", 500, 20, Optional.empty());
        Climber climber =
                atTheLastStep(Sample.setup(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE), licensed, Sample.BALLAST));
        double driveW = climber.state().draft().driveW().value();
        assertTrue(driveW < 50, driveW + " W");
        reads(climber, twin(driveW, load(climber)), 0.9);
        climber.waits(20);
        assertFalse(
                climber.advice().move() instanceof Move.KeyAndPeak,
                climber.advice().toString());
    }

    @Test
    public void aRestThatIsCutShortStrikesTheReadingsToo() {
        Climber climber = atTheLastStep();
        reads(climber, twin(climber.state().draft().driveW().value(), load(climber)), 0.85);
        assertTrue(climber.advice().move() instanceof Move.Rest);
        climber.keysFor(3);
        assertTrue(climber.state().draft().readings().isEmpty());
    }

    @Test
    public void afterTheHandHeavierIsTriedWhileItBringsOutputAndTakenBackWhereItCosts() {
        Climber climber = atTheLastStep();
        double driveW = climber.state().draft().driveW().value();
        reads(climber, twin(driveW, load(climber)), 0.8);
        climber.waits(20).keysFor(4);
        double at = load(climber);
        reads(climber, twin(driveW, at), 0.85);
        assertEquals(climber.advice().reason(), Reason.SHORT_HEAVIER);
        assertEquals(((Move.Turn) climber.advice().move()).marks(), 0.5, 1e-9);
        follows(climber).waits(20);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).order(), List.of(Control.PLATE));
        climber.keysFor(4);
        reads(climber, twin(driveW, at), 0.78);
        assertEquals(climber.advice().reason(), Reason.HEAVIER_COST_OUTPUT);
        follows(climber).waits(20).keysFor(4);
        assertEquals(load(climber), at, 1e-9);
        reads(climber, twin(driveW, at), 0.85);
        isRecorded(climber);
    }

    /** Poor efficiency at the last step is first of all a LOAD that stands wrong; what else it may be is worked through after that. */
    @Test
    public void theHandLooksBeforeTheDrillDoes() {
        Climber climber = atTheLastStep();
        climber.reads(440, 0.48, 0.15, 2300).waits(20);
        assertEquals(climber.advice().reason(), Reason.PEAK_BY_HAND);
        assertEquals(climber.advice().about(), Optional.of(Sign.Code.EFFICIENCY_LOW));
        climber.keysFor(4).reads(440, 0.48, 0.15, 2300);
        assertTrue(
                climber.advice().move() instanceof Move.WorkThrough,
                climber.advice().toString());
    }

    private static TuneSetup withOneMeter() {
        return SETUP.withMeter(
                new Meter(Sample.PANEL.name(), Sample.PANEL.channels(), Optional.of(MeterFace.ONE_AT_A_TIME)));
    }

    /** What the first of a try's key-downs shows with one meter, of an amplifier whose output is this share of what the twin has there. */
    private static Climber readsFirst(Climber climber, double share) {
        Probe probe = twin(climber.state().draft().driveW().value(), load(climber));
        return climber.moves(Control.PLATE, 5.05)
                .reads(ReadingRole.GRID_CURRENT, probe.gridCurrentA())
                .reads(ReadingRole.OUTPUT, share * probe.outputW())
                .waits(20);
    }

    /** What the hand strikes anyway is not worth two more key-downs. */
    @Test
    public void withOneMeterTheHandPeaksBeforeTheRestOfAShortTryIsRead() {
        Climber climber = readsFirst(atTheLastStep(withOneMeter()), 0.85);
        assertEquals(climber.advice().reason(), Reason.PEAK_BY_HAND);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).order(), BOTH);
        Following.keyed(climber.state(), climber.now).forEach(climber::does);
        assertTrue(climber.state().draft().readings().isEmpty(), "all is read afresh");
        assertEquals(climber.advice().reason(), Reason.KEY_IS_DOWN, "LOAD too, while the key is down");
        climber.waits(4).does(new RunEvent.Unkeyed());
        assertEquals(climber.state().keyDownsInStep(), 2);
        readsFirst(climber, 0.85);
        assertEquals(
                climber.advice().move(),
                new Move.SwitchAndRead(
                        Sample.PANEL.name(),
                        ReadingRole.PLATE_CURRENT,
                        climber.state().draft().driveW().value()),
                "the hand was asked once");
    }

    @Test
    public void withOneMeterTheRestOfATryAsForeseenIsRead() {
        Climber climber = readsFirst(atTheLastStep(withOneMeter()), 1);
        assertTrue(
                climber.advice().move() instanceof Move.SwitchAndRead,
                climber.advice().toString());
    }

    /** With one meter a try takes several key-downs; a twin's step is settled by tries. */
    @Test
    public void aMeterThatIsSwitchedTakesSeveralKeyDownsForATry() {
        Climber climber = new Climber(withOneMeter())
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .moves(Control.DRIVE, 4.4)
                .keysFor(3)
                .reads(ReadingRole.OUTPUT, 90)
                .waits(10)
                .keysFor(3);
        assertEquals(climber.state().keyDownsInStep(), 2);
        assertEquals(climber.state().triesInStep(), 1);
        climber.does(new RunEvent.TriedAgain());
        assertEquals(climber.state().triesInStep(), 1, "one that was struck counts");
        climber.does(new RunEvent.TriedAgain());
        assertEquals(climber.state().triesInStep(), 1, "one without a key-down does not");
        assertEquals(climber.waits(10).keysFor(3).state().triesInStep(), 2);
    }
}
