package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Stop;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Station;
import org.tubrin.core.twin.Twins;

/** A climb with less than a full panel: one meter with a switch, or none but for output. */
public class MeterSwitchTest {
    private static final Meter ONE_METER =
            new Meter("Panel", Sample.PANEL.channels(), Optional.of(MeterFace.ONE_AT_A_TIME));

    /** Its licence holds the drive of the last step. */
    private static final Station LICENSED = new Station("S", "", 500, 20, Optional.empty());

    private static TuneSetup setup(School school, Meter... meters) {
        return setup(Sample.BRIGANTINE, school, meters);
    }

    private static TuneSetup setup(Amplifier amplifier, School school, Meter... meters) {
        return setup(amplifier, Sample.STATION, school, meters);
    }

    private static TuneSetup setup(Amplifier amplifier, Station station, School school, Meter... meters) {
        TuneSetup known = Sample.setup(amplifier, station, Sample.BALLAST);
        return new TuneSetup(
                known.station(),
                known.amplifier(),
                known.exciter(),
                known.carrier(),
                List.of(meters),
                known.termination(),
                known.band(),
                known.frequencyHz(),
                school,
                known.preset(),
                known.settings(),
                known.source(),
                known.pad(),
                known.practice());
    }

    private static Climber climber() {
        return new Climber(setup(School.PEAK_THEN_HEAVIER, Sample.FATHOM, ONE_METER))
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"));
    }

    /** A step low down: output and plate current. */
    private static Climber low(Climber climber, double driveW, double load, double outputW, double plateA) {
        return climber.moves(Control.DRIVE, driveW)
                .moves(Control.PLATE, 5.1)
                .moves(Control.LOAD, load)
                .keysFor(3)
                .reads(ReadingRole.OUTPUT, outputW)
                .reads(ReadingRole.PLATE_CURRENT, plateA)
                .does(new RunEvent.StepRecorded())
                .waits(6);
    }

    private static Climber keyedByTheChart(TuneSetup setup, double driveW) {
        return new Climber(setup)
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .moves(Control.DRIVE, driveW)
                .moves(Control.PLATE, 5.1)
                .moves(Control.LOAD, 4.5)
                .keysFor(3);
    }

    /** Where no finish follows, what the heat is calculated from is read before the output is all that is gone for. */
    @Test
    public void plateVoltageIsReadWhereNoStepMayFollow() {
        Climber climber = keyedByTheChart(setup(School.MAKERS_CHART, Sample.FATHOM, ONE_METER), 50)
                .reads(ReadingRole.OUTPUT, 700)
                .reads(ReadingRole.GRID_CURRENT, 0.1)
                .reads(ReadingRole.PLATE_CURRENT, 0.45);
        assertTrue(
                climber.state().draft().isComplete(),
                "700 W of " + climber.state().setup().climbsToW());
        climber.reads(ReadingRole.OUTPUT, 900);
        assertEquals(climber.state().draft().missing(), List.of(ReadingRole.PLATE_VOLTAGE));
    }

    private static Climber lastByTheChart(double load, double outputW, double gridA) {
        Climber climber = keyedByTheChart(setup(School.MAKERS_CHART, Sample.FATHOM, ONE_METER), 50)
                .reads(ReadingRole.OUTPUT, 700)
                .reads(ReadingRole.GRID_CURRENT, 0.1)
                .reads(ReadingRole.PLATE_CURRENT, 0.45)
                .does(new RunEvent.StepRecorded());
        return climber.moves(Control.DRIVE, 70)
                .waits(20)
                .keysFor(4)
                .moves(Control.LOAD, load)
                .reads(ReadingRole.OUTPUT, outputW)
                .reads(ReadingRole.GRID_CURRENT, gridA)
                .waits(20);
    }

    /** What one key-down says of a try that is struck is enough: the plate's current and voltage are read of the try that stays. */
    @Test
    public void whatStrikesATryDoesSoBeforeAnotherKeyDownReadsTheRestOfIt() {
        Advice back = lastByTheChart(3.5, 690, 0.12).advice();
        assertEquals(back.reason(), Reason.LIGHTER_COSTS_OUTPUT);
        assertEquals(((Move.Turn) back.move()).to(), 4.5, 1e-9, "where it stood at the step before");
        assertEquals(lastByTheChart(4.5, 800, 0.21).advice().reason(), Reason.STOPPED_LESS_DRIVE);
        Advice rest = lastByTheChart(4.5, 800, 0.15).advice();
        assertTrue(rest.move() instanceof Move.SwitchAndRead, rest.toString());
    }

    /** Each step begins with LOAD where the one before wanted it: near the top, where a grid comes to its limit unseen, steps are small. */
    @Test
    public void withNothingThatTellsOfLoadTheStepsBecomeSmallerTowardsTheTop() {
        TuneSetup blind = setup(School.PEAK_THEN_HEAVIER, Sample.FATHOM);
        List<Double> drivesW = Ladder.drivesW(blind, School.PEAK_THEN_HEAVIER);
        assertEquals(drivesW, List.of(4.4, 21.0, 38.5, 55.0, 70.0));
        assertEquals(Ladder.drivesW(blind, School.PULSED), drivesW);
        assertEquals(Ladder.drivesW(blind, School.MAKERS_CHART), List.of(4.4, 70.0), "LOAD stays on the way up");
        List<Double> doubling = List.of(4.4, 8.8, 17.5, 35.0, 70.0);
        TuneSetup told = setup(School.PEAK_THEN_HEAVIER, Sample.FATHOM, ONE_METER);
        assertEquals(Ladder.drivesW(told, School.PEAK_THEN_HEAVIER), doubling);
        TuneSetup known = setup(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE), School.PEAK_THEN_HEAVIER, Sample.FATHOM);
        assertEquals(Ladder.drivesW(known, School.PEAK_THEN_HEAVIER), doubling, "a twin tells where LOAD belongs");
        TuneSetup chosen = blind.chosen(
                Customs.chosen(Optional.of(Rungs.DOUBLING), List.of(), Optional.empty(), Optional.empty()));
        assertEquals(Ladder.drivesW(chosen, School.PEAK_THEN_HEAVIER), doubling);
    }

    @Test
    public void lowDownPlateCurrentIsAllThatIsAsked() {
        Climber climber =
                climber().moves(Control.DRIVE, 4.4).moves(Control.PLATE, 5.1).moves(Control.LOAD, 2);
        assertEquals(climber.state().draft().inView(), List.of(ReadingRole.OUTPUT, ReadingRole.PLATE_CURRENT));
        climber.keysFor(3).reads(ReadingRole.OUTPUT, 110).reads(ReadingRole.PLATE_CURRENT, 0.17);
        isRecorded(climber);
        assertEquals(climber.advice().cautions(), List.of(), "no grid current shows there that could be missed");
    }

    @Test
    public void fromWhereGridCurrentShowsItIsKeyedOnceMoreForEachPosition() {
        Climber climber = low(low(climber(), 8.8, 2, 200, 0.21), 17.5, 2.5, 385, 0.29)
                .moves(Control.LOAD, 3)
                .moves(Control.DRIVE, 35);
        assertEquals(climber.state().draft().meterSwitch(), Optional.of(ReadingRole.GRID_CURRENT));
        List<Stop> stops = climber.state().stopsInView();
        assertTrue(stops.stream().anyMatch(stop -> stop.role() == ReadingRole.GRID_CURRENT));
        assertFalse(stops.stream().anyMatch(stop -> stop.role() == ReadingRole.PLATE_CURRENT), "it is not in view");
        climber.keysFor(4);
        assertEquals(
                climber.advice().move(), new Move.EnterReadings(List.of(ReadingRole.OUTPUT, ReadingRole.GRID_CURRENT)));
        climber.reads(ReadingRole.OUTPUT, 640).reads(ReadingRole.GRID_CURRENT, 0.09);
        assertTrue(climber.advice().move() instanceof Move.Rest, "one key-down after the other, with rest between");
        climber.waits(6);
        assertEquals(climber.advice().move(), new Move.SwitchAndRead("Panel", ReadingRole.PLATE_CURRENT, 35));
        climber.does(new RunEvent.Keyed());
        assertEquals(climber.advice().reason(), Reason.ONE_METER_READ);
        climber.waits(1).does(new RunEvent.Unkeyed()).reads(ReadingRole.PLATE_CURRENT, 0.42);
        isRecorded(climber);
        climber.does(new RunEvent.StepRecorded()).moves(Control.LOAD, 4).moves(Control.DRIVE, 70);
        assertTrue(climber.state().draft().missing().contains(ReadingRole.PLATE_VOLTAGE), "read at the last step");
    }

    @Test
    public void whatIsNotReadIsSaidAndNotDemanded() {
        Climber climber = low(low(climber(), 8.8, 2, 200, 0.21), 17.5, 2.5, 385, 0.29)
                .moves(Control.LOAD, 3)
                .moves(Control.DRIVE, 35)
                .keysFor(4)
                .reads(ReadingRole.OUTPUT, 640)
                .does(new RunEvent.LeftUnread(ReadingRole.GRID_CURRENT))
                .waits(6);
        assertEquals(
                ((Move.SwitchAndRead) climber.advice().move()).role(), ReadingRole.PLATE_CURRENT, "the next position");
        climber.does(new RunEvent.LeftUnread(ReadingRole.PLATE_CURRENT));
        Advice record = climber.advice();
        assertTrue(record.move() instanceof Move.RecordStep, record.toString());
        assertEquals(record.cautions(), List.of(Caution.GRID_UNREAD, Caution.PLATE_UNREAD));
        climber.reads(ReadingRole.GRID_CURRENT, 0.09);
        assertEquals(climber.advice().cautions(), List.of(Caution.PLATE_UNREAD), "read after all");
        List<Problem> refused = climber.refusals(new RunEvent.LeftUnread(ReadingRole.OUTPUT));
        assertEquals(refused.get(0).code(), ProblemCode.UNKNOWN_NAME, "without output there is nothing to go by");
    }

    @Test
    public void aWattmeterAloneIsEnoughToPeakBy() {
        Climber climber = new Climber(setup(School.PEAK_THEN_HEAVIER, Sample.FATHOM));
        assertTrue(climber.advice().cautions().containsAll(List.of(Caution.GRID_UNREAD, Caution.PLATE_UNREAD)));
        climber.isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .moves(Control.DRIVE, 4.4)
                .moves(Control.PLATE, 5.1)
                .moves(Control.LOAD, 2)
                .keysFor(3)
                .reads(ReadingRole.OUTPUT, 110);
        isRecorded(climber);
        climber.does(new RunEvent.StepRecorded()).waits(6);
        assertTrue(
                climber.advice().move() instanceof Move.Turn, climber.advice().toString());
        assertEquals(
                climber.refusals(new RunEvent.SchoolChosen(School.DIP_AND_LOAD))
                        .get(0)
                        .code(),
                ProblemCode.NO_CHANNEL);
        for (School school : List.of(School.DIP_AND_LOAD, School.GRID_TARGET)) {
            assertEquals(
                    expectThrows(Refused.class, () -> setup(school, Sample.FATHOM))
                            .problems()
                            .get(0)
                            .code(),
                    ProblemCode.NO_CHANNEL);
        }
    }

    /** With a twin, and no meter that tells of LOAD: the twin sets it on the heavy side for the last step. */
    private static Climber blind() {
        return blind(Sample.STATION);
    }

    private static Climber blind(Station station) {
        Amplifier known = Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE);
        Climber climber = new Climber(setup(known, station, School.MAKERS_CHART, Sample.FATHOM))
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "150 W"))
                .moves(Control.DRIVE, 4.4)
                .moves(Control.PLATE, 5.1)
                .moves(Control.LOAD, 4.5)
                .waits(10)
                .keysFor(3)
                .reads(ReadingRole.OUTPUT, 92);
        follows(climber);
        climber.waits(10);
        if (climber.advice().move() instanceof Move.SwitchRange) {
            follows(climber);
        }
        Advice turn = climber.advice();
        assertEquals(turn.reason(), Reason.FINISH_BLIND);
        double driveW = turn.forDriveW().orElseThrow();
        double record =
                RecordTwin.finish(climber.state().setup(), driveW).orElseThrow().load();
        assertEquals(((Move.Turn) turn.move()).to(), record, 1.01, "an output alone says little of LOAD");
        follows(climber);
        assertEquals(((Move.Turn) climber.advice().move()).control(), Control.DRIVE);
        follows(climber);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).order(), List.of(Control.PLATE));
        return climber.keysFor(3);
    }

    private static double foreseen(Climber climber) {
        return RecordTwin.peakedOutputW(
                        climber.state().setup(),
                        climber.state().draft().driveW().value(),
                        load(climber))
                .orElseThrow();
    }

    private static Climber knowsNothing() {
        TuneSetup known = Sample.setup();
        return new Climber(known.withPreset(Preset.unknown(known.tubes()))).isReady();
    }

    private static void isRecorded(Climber climber) {
        assertTrue(
                climber.advice().move() instanceof Move.RecordStep,
                climber.advice().toString());
    }

    private static void follows(Climber climber) {
        Following.events(climber.advice(), climber.now).forEach(climber::does);
    }

    private static double load(Climber climber) {
        return climber.state().draft().position(Control.LOAD).orElseThrow();
    }

    /** The last step read as foreseen, and the hand that peaks LOAD half a mark lighter. */
    private static Climber peakedByHand(double outputW) {
        Climber climber = blind();
        climber.reads(ReadingRole.OUTPUT, foreseen(climber)).waits(20);
        assertEquals(climber.advice().reason(), Reason.PEAK_UNSEEN, "an output as foreseen says little of LOAD");
        assertEquals(
                ((Move.KeyAndPeak) climber.advice().move()).order(),
                List.of(Control.PLATE, Control.LOAD, Control.PLATE));
        return climber.keysFor(4).moves(Control.LOAD, load(climber) - 0.5).reads(ReadingRole.OUTPUT, outputW);
    }

    private static Climber aLittleHeavier(double outputW) {
        Climber climber = peakedByHand(800);
        double peak = load(climber);
        assertEquals(climber.advice().reason(), Reason.FINISH_HEAVIER);
        follows(climber);
        double marks = load(climber) - peak;
        assertTrue(marks >= 0.1 && marks <= 0.5 + 1e-9, marks + " marks heavier");
        climber.waits(20);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).order(), List.of(Control.PLATE));
        return climber.keysFor(3).reads(ReadingRole.OUTPUT, outputW);
    }

    @Test
    public void whereNoMeterTellsOfLoadTheHandPeaksItAndItGoesALittleHeavier() {
        Advice end = aLittleHeavier(795).advice();
        assertTrue(end.move() instanceof Move.RecordStep, end.toString());
        assertTrue(end.cautions().contains(Caution.GRID_UNREAD), "and that is said");
    }

    @Test
    public void aLittleHeavierThatCostMuchOutputIsTakenBack() {
        Climber climber = aLittleHeavier(770);
        double peak =
                climber.state().struck().orElseThrow().position(Control.LOAD).orElseThrow();
        assertTrue(peak < load(climber));
        assertEquals(climber.advice().reason(), Reason.HEAVIER_COST_OUTPUT);
        follows(climber);
        staysAt(climber, peak, 800);
    }

    /** The maker claims 870 W: an amplifier that brings 600 W may be hot, and nobody sees it. */
    @Test
    public void wherePlatesMayBeHotUnseenItGoesNoHeavier() {
        Climber climber = peakedByHand(600);
        isRecorded(climber);
    }

    /** Without a twin too. */
    @Test
    public void atTheTopLoadStaysAtItsPeakWherePlatesMayBeHotUnseen() {
        for (double outputW : new double[] {600, 800}) {
            Climber climber = keyedByTheChart(setup(School.PEAK_THEN_HEAVIER, Sample.FATHOM), 70)
                    .reads(ReadingRole.OUTPUT, outputW);
            follows(climber);
            climber.waits(20);
            assertEquals(
                    climber.advice().reason(),
                    outputW < 700 ? Reason.RE_PEAK_UNSEEN_HEAT : Reason.FINISH_HEAVIER,
                    climber.advice().toString());
        }
    }

    /** Nothing is known of the dials: half of the claim on the way up is no reason to go heavier still. */
    @Test
    public void onTheWayUpLoadIsNotMovedAheadWherePlatesMayBeHotUnseen() {
        TuneSetup known = setup(School.PEAK_THEN_HEAVIER, Sample.FATHOM);
        for (double share : new double[] {0.5, 0.9}) {
            Climber climber = keyedByTheChart(known.withPreset(Preset.unknown(known.tubes())), 21)
                    .reads(ReadingRole.OUTPUT, share * known.claimedW(21))
                    .does(new RunEvent.StepRecorded())
                    .waits(20);
            assertEquals(
                    climber.advice().reason() == Reason.ANTICIPATE,
                    share > 0.65,
                    climber.advice().toString());
        }
    }

    /** There the hand is not asked. */
    @Test
    public void whereTheLicenceHoldsTheDriveLoadGoesHeavierAsLongAsThatHelpsAndBackWhereItCosts() {
        Climber climber = blind(LICENSED);
        double from = load(climber);
        double foreseen = foreseen(climber);
        climber.reads(ReadingRole.OUTPUT, 0.8 * foreseen);
        assertEquals(climber.advice().reason(), Reason.BLIND_HEAVIER);
        follows(climber);
        double heavier = load(climber);
        assertTrue(heavier > from, heavier + " is not heavier than " + from);
        climber.waits(20).keysFor(3).reads(ReadingRole.OUTPUT, 0.84 * foreseen);
        assertEquals(climber.advice().reason(), Reason.BLIND_HEAVIER, "it helped");
        follows(climber);
        climber.waits(20).keysFor(3).reads(ReadingRole.OUTPUT, 0.78 * foreseen);
        assertEquals(climber.advice().reason(), Reason.HEAVIER_COST_OUTPUT, "it cost output");
        follows(climber);
        staysAt(climber, heavier, 0.84 * foreseen);
    }

    private static void staysAt(Climber climber, double load, double outputW) {
        assertEquals(load(climber), load, 1e-9);
        climber.waits(20).keysFor(3).reads(ReadingRole.OUTPUT, outputW);
        isRecorded(climber);
    }

    /** Without chart, card or twin: PLATE is looked for over the dial before any more drive. */
    @Test
    public void whereNobodyKnowsTheDialsPlateIsLookedFor() {
        Climber climber = knowsNothing();
        List<Double> places = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            follows(climber);
            if (i == 0) {
                climber.moves(Control.DRIVE, 4.4);
            }
            places.add(climber.state().draft().position(Control.PLATE).orElseThrow());
            climber.waits(10).keysFor(3).reads(0, 0.2, 0, 2700);
        }
        assertEquals(places, List.of(5.0, 3.0, 7.0, 1.0, 9.0));
        List<Double> loads = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            assertEquals(
                    climber.advice().reason(), Reason.SEEK_LOAD, "LOAD at its heavy end may hide where PLATE belongs");
            follows(climber);
            loads.add(load(climber));
            climber.waits(10).keysFor(3).reads(0, 0.2, 0, 2700);
        }
        assertEquals(loads, List.of(8.0, 6.0, 4.0, 2.0, 0.0));
        places.clear();
        for (int i = 0; i < 5; i++) {
            assertEquals(
                    climber.advice().reason(), Reason.SEEK_PLATE, "once more, with LOAD where more of it comes out");
            follows(climber);
            assertEquals(load(climber), 5, 1e-9);
            places.add(climber.state().draft().position(Control.PLATE).orElseThrow());
            climber.waits(10).keysFor(3).reads(0, 0.2, 0, 2700);
        }
        assertEquals(places, List.of(1.0, 3.0, 5.0, 7.0, 9.0));
        assertEquals(
                climber.advice().move(), new Move.WorkThrough(Move.Drill.METERS_STILL), "then something else is wrong");
        follows(climber);
        climber.waits(10).keysFor(3).reads(0, 0.2, 0, 2700);
        assertEquals(((Move.SetDials) climber.advice().move()).plate(), 1, 1e-9, "whatever was found, PLATE is not");
        climber.does(new RunEvent.StepRecorded());
        assertEquals(climber.state().steps().size(), 1, "the operator may record it all the same");
    }

    @Test
    public void whereTheDialsStandIsAskedBeforePlateIsLookedFor() {
        Climber climber = knowsNothing().moves(Control.DRIVE, 4.4).waits(10).keysFor(3);
        climber.reads(ReadingRole.OUTPUT, 1)
                .reads(ReadingRole.PLATE_CURRENT, 0.2)
                .reads(ReadingRole.GRID_CURRENT, 0)
                .reads(ReadingRole.PLATE_VOLTAGE, 2700);
        assertEquals(climber.advice().move(), new Move.EnterPosition(Control.PLATE));
        climber.moves(Control.PLATE, 5);
        assertEquals(climber.advice().move(), new Move.EnterPosition(Control.LOAD));
    }

    /** LOAD goes to its light end by the same small output, as a needle that sticks has it: that is no tuned stage's. */
    private static Climber inVain(double outputW) {
        Climber climber = knowsNothing();
        follows(climber);
        climber.moves(Control.DRIVE, 4.4).waits(10).keysFor(3).reads(outputW, 0.2, 0, 2700);
        for (int turns = 0; turns < 5; turns++) {
            assertEquals(climber.advice().reason(), Reason.SEEK_LOAD);
            follows(climber);
            climber.waits(10).keysFor(3).reads(outputW, 0.2, 0, 2700);
        }
        assertEquals(load(climber), 0, 1e-9);
        return climber;
    }

    @Test
    public void whereLoadCameToItsLightEndInVainPlateIsLookedForOnceMore() {
        for (double outputW : List.of(6.0, 20.0)) {
            Climber climber = inVain(outputW);
            assertEquals(climber.advice().move(), new Move.SetDials(1, 5, Preset.Source.NONE), outputW + " W");
        }
        Climber climber = inVain(6);
        follows(climber);
        climber.waits(10).keysFor(3).reads(6, 0.2, 0, 2700);
        assertEquals(climber.advice().move(), new Move.SetDials(3, 5, Preset.Source.NONE), "6 W of 4.4 W is no peak");
        assertTrue(inVain(34).advice().move() instanceof Move.RecordStep, "34 W of the 55 W in proportion may be one");
    }

    /** A first step at 4.4 W that amplified, and the next try of a run that knows nothing of the dials. */
    private static Climber afterAFirstStep(String range, double driveW, double plate, double load) {
        return knowsNothing()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, range))
                .steps(4.4, 8.9, 1.9, 28, 0.17, 0.018, 2800)
                .moves(Control.PLATE, plate)
                .moves(Control.LOAD, load)
                .moves(Control.DRIVE, driveW)
                .waits(20)
                .keysFor(3);
    }

    @Test
    public void aStepWithoutOutputGoesBackToTheDialsThatAmplifiedAndIsNeverRecorded() {
        Climber climber = afterAFirstStep("150 W", 3.9, 2.3, 4.6).reads(0, 0.195, 0.016, 2800);
        Advice back = climber.advice();
        assertEquals(back.reason(), Reason.BACK_TO_STEP);
        assertEquals(back.move(), new Move.SetDials(8.9, 1.9, Preset.Source.NONE));
        follows(climber);
        for (int tries = 0; tries < 5; tries++) {
            climber.waits(20).keysFor(3).reads(0, 0.195, 0.016, 2800);
            assertEquals(climber.advice().move(), new Move.WorkThrough(Move.Drill.METERS_STILL), "the dials are right");
            follows(climber);
        }
        climber.waits(20).keysFor(3).reads(24, 0.17, 0.016, 2800);
        isRecorded(climber);
    }

    /** Poor as it is, 90 W of 19.5 W are no PLATE that has to be looked for over the dial. */
    @Test
    public void whereItAmplifiesPoorlyTheDialsGoBackAndPlateIsNotLookedFor() {
        Climber climber = afterAFirstStep("1.5 kW", 19.5, 8.65, 5.1).reads(90, 0.325, 0.042, 2840);
        assertEquals(climber.advice().about(), Optional.of(Sign.Code.PLATE_CURRENT_WITHOUT_OUTPUT));
        assertEquals(climber.advice().reason(), Reason.BACK_TO_STEP);
    }

    /** 420 W of 50 W are 101 W of 12 W in proportion, which the fine range holds with room. */
    @Test
    public void afterLessDriveTheOutputIsReadOnAFinerRange() {
        Climber climber = new Climber(Sample.setup(School.MAKERS_CHART))
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .steps(4.4, 5.1, 4.5, 90, 0.17, 0.004, 2700)
                .moves(Control.DRIVE, 50)
                .waits(20)
                .keysFor(4)
                .reads(420, 0.5, 0.1, 2520)
                .does(new RunEvent.TriedAgain())
                .moves(Control.DRIVE, 30)
                .waits(30);
        assertTrue(
                climber.advice().move() instanceof Move.KeyAndPeak,
                climber.advice().toString());
        climber.moves(Control.DRIVE, 12);
        assertEquals(climber.advice().reason(), Reason.RANGE_TOO_WIDE);
        assertEquals(((Move.SwitchRange) climber.advice().move()).to(), "150 W");
        follows(climber);
        assertTrue(
                climber.advice().move() instanceof Move.KeyAndPeak,
                climber.advice().toString());
    }

    @Test
    public void whereNobodyKnowsTheDialsLoadComesFromItsHeavyEnd() {
        Climber climber = knowsNothing();
        follows(climber);
        climber.moves(Control.DRIVE, 4.4).waits(10).keysFor(3).reads(18, 0.2, 0, 2700);
        Advice lighter = climber.advice();
        assertEquals(lighter.reason(), Reason.SEEK_LOAD);
        assertEquals(((Move.Turn) lighter.move()).to(), 8, 1e-9);
        follows(climber);
        climber.waits(10).keysFor(3).reads(80, 0.19, 0.004, 2700);
        isRecorded(climber);
    }

    /** What is claimed in proportion at 4.4 W is 55 W; low down a stage that is loaded well gives more. */
    @Test
    public void itComesOnUntilATurnCostsOutput() {
        Climber climber = knowsNothing();
        follows(climber);
        climber.moves(Control.DRIVE, 4.4).waits(10).keysFor(3).reads(42, 0.2, 0, 2700);
        assertEquals(climber.advice().reason(), Reason.SEEK_LOAD, "42 W may be half of what there is");
        lighter(climber, 37);
        assertEquals(climber.advice().reason(), Reason.SEEK_LOAD, "a dip near the heavy end says nothing");
        lighter(climber, 52);
        assertEquals(climber.advice().reason(), Reason.SEEK_LOAD, "it helped");
        lighter(climber, 49);
        assertEquals(climber.advice().reason(), Reason.SEEK_LOAD, "as good as no change");
        lighter(climber, 40);
        isRecorded(climber);
    }

    /** Follows a turn that asks for lighter coupling, and reads this output: with PLATE alone turned, or LOAD would be peaked back. */
    private static void lighter(Climber climber, double outputW) {
        double from = load(climber);
        follows(climber);
        assertEquals(load(climber), from - 2, 1e-9);
        climber.waits(10);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).order(), List.of(Control.PLATE));
        climber.keysFor(3).reads(outputW, 0.2, 0, 2700);
    }

    /** A twentieth of what the amplifier is rated for lies at the foot of a scale for all of it. */
    @Test
    public void whereNobodyKnowsTheDialsTheFirstStepIsReadOnTheFinestRangeThatHoldsIt() {
        Climber climber = knowsNothing().does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"));
        follows(climber);
        climber.moves(Control.DRIVE, 4.4);
        assertEquals(climber.advice().reason(), Reason.RANGE_TOO_WIDE);
        assertEquals(((Move.SwitchRange) climber.advice().move()).to(), "150 W");
        follows(climber);
        assertTrue(
                climber.advice().move() instanceof Move.KeyAndPeak,
                climber.advice().toString());
        Climber byChart = new Climber(Sample.setup())
                .isReady()
                .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .moves(Control.PLATE, 5.1)
                .moves(Control.LOAD, 4.5)
                .moves(Control.DRIVE, 4.4);
        assertTrue(byChart.advice().move() instanceof Move.KeyAndPeak, "the chart says where they belong");
    }

    @Test
    public void whereNobodyKnowsTheDialsTheFirstStepShowsThemAndTheOthersAreFew() {
        TuneSetup known = Sample.setup();
        TuneSetup unknown = known.withPreset(Preset.unknown(known.tubes()));
        assertEquals(Ladder.drivesW(unknown, School.PEAK_THEN_HEAVIER), List.of(4.4, 21.0, 49.0, 70.0));
        assertEquals(Ladder.drivesW(known, School.PEAK_THEN_HEAVIER), List.of(4.4, 8.8, 17.5, 35.0, 70.0));
        TuneSetup chosen = unknown.chosen(
                Customs.chosen(Optional.of(Rungs.TRIPLING), List.of(), Optional.empty(), Optional.empty()));
        assertEquals(
                Ladder.drivesW(chosen, School.PEAK_THEN_HEAVIER),
                Ladder.drivesW(
                        known.chosen(Customs.chosen(
                                Optional.of(Rungs.TRIPLING), List.of(), Optional.empty(), Optional.empty())),
                        School.PEAK_THEN_HEAVIER));
        TuneSetup tetrode = Sample.setup(Twins.BARQUES_RECORD, Sample.STATION, Sample.BALLAST);
        assertEquals(
                Ladder.drivesW(tetrode.withPreset(Preset.unknown(tetrode.tubes())), School.PEAK_THEN_HEAVIER),
                Ladder.drivesW(tetrode, School.PEAK_THEN_HEAVIER),
                "a tetrode begins lower");
    }

    /** Heavier than need be costs heat, and with a wattmeter alone nobody sees that. */
    @Test
    public void withNothingThatTellsOfLoadItGoesLessHeavyAheadOfAStep() {
        TuneSetup seen = setup(School.PEAK_THEN_HEAVIER, Sample.FATHOM, ONE_METER);
        TuneSetup blind = setup(School.PEAK_THEN_HEAVIER, Sample.FATHOM);
        assertEquals(ahead(seen), 1, 0.01, "the chart's LOAD is 1.5 marks heavier");
        assertEquals(ahead(blind), 0.7, 0.01);
        Preset unknown = Preset.unknown(seen.tubes());
        assertEquals(ahead(seen.withPreset(unknown)), 1, 0.01);
        assertEquals(ahead(blind.withPreset(unknown)), 0.7, 0.01);
    }

    /** Returns by how many marks LOAD goes heavier after a first step. */
    private static double ahead(TuneSetup setup) {
        Climber climber = new Climber(setup).isReady().does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"));
        climber.moves(Control.DRIVE, 4.4)
                .moves(Control.PLATE, 5.1)
                .moves(Control.LOAD, 3)
                .keysFor(3)
                .reads(ReadingRole.OUTPUT, 80);
        if (setup.meters().size() > 1) {
            climber.reads(ReadingRole.PLATE_CURRENT, 0.17);
        }
        climber.does(new RunEvent.StepRecorded()).waits(6);
        return ((Move.Turn) climber.advice().move()).marks();
    }

    @Test
    public void anOutputThatDoesNotGrowWithTheSecondStepWasNoPeak() {
        Climber climber = knowsNothing();
        climber.steps(4.4, 5.4, 8, 68, 0.2, 0.003, 2700);
        climber.moves(Control.LOAD, 9)
                .moves(Control.DRIVE, 8.8)
                .waits(10)
                .keysFor(3)
                .reads(69, 0.25, 0.006, 2700);
        Advice seek = climber.advice();
        assertEquals(seek.reason(), Reason.SEEK_PLATE);
        assertEquals(((Move.SetDials) seek.move()).plate(), 3, 1e-9);
        follows(climber);
        climber.waits(10).keysFor(3).reads(135, 0.24, 0.01, 2700);
        isRecorded(climber);
    }

    @Test
    public void aMeterWithASwitchShowsWhatItStandsOnUntilTheKeyGoesDownAgain() {
        Climber climber =
                climber().moves(Control.DRIVE, 35).moves(Control.PLATE, 5.1).moves(Control.LOAD, 4.5);
        assertEquals(shown(climber), List.of(ReadingRole.OUTPUT, ReadingRole.GRID_CURRENT));
        climber.does(new RunEvent.Keyed()).reads(ReadingRole.OUTPUT, 590).reads(ReadingRole.GRID_CURRENT, 0.08);
        assertEquals(
                shown(climber), List.of(ReadingRole.OUTPUT, ReadingRole.GRID_CURRENT), "still, however often read");
        climber.waits(3).does(new RunEvent.Unkeyed());
        assertEquals(shown(climber), List.of(ReadingRole.OUTPUT, ReadingRole.PLATE_CURRENT));
        climber.waits(20).does(new RunEvent.Keyed());
        assertEquals(shown(climber), List.of(ReadingRole.OUTPUT, ReadingRole.PLATE_CURRENT));
    }

    private static List<ReadingRole> shown(Climber climber) {
        return List.of(ReadingRole.OUTPUT, ReadingRole.PLATE_CURRENT, ReadingRole.GRID_CURRENT).stream()
                .filter(climber.state()::shows)
                .toList();
    }
}
