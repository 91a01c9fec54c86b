package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.foresee.SchoolEnd;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
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
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Rungs;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Meter;
import org.tubrin.core.twin.Twins;

/** What is particular to each school, its ladder and its targets. */
public class SchoolsTest {
    private static TuneSetup with(School school, Optional<Customs> practice, Indication indication) {
        TuneSetup from = Sample.setup();
        Meter fathom = new Meter(
                "Fathom",
                Sample.FATHOM.channels().stream()
                        .map(one -> new Channel(
                                one.role(),
                                one.scaleUnit(),
                                one.ranges(),
                                one.accuracy(),
                                indication,
                                1,
                                Optional.empty()))
                        .toList());
        return new TuneSetup(
                from.station(),
                from.amplifier(),
                from.exciter(),
                from.carrier(),
                List.of(fathom, Sample.PANEL),
                from.termination(),
                from.band(),
                from.frequencyHz(),
                school,
                from.preset(),
                from.settings(),
                from.source(),
                from.pad(),
                practice);
    }

    private static TuneSetup by(School school) {
        return with(school, Optional.empty(), Indication.AVERAGE);
    }

    private static Customs practice(Rungs rungs, Double... ownW) {
        return Customs.chosen(Optional.of(rungs), List.of(ownW), Optional.empty(), Optional.empty());
    }

    @DataProvider
    public Object[][] ladders() {
        return new Object[][] {
            {Rungs.DOUBLING, List.of(4.4, 8.8, 17.5, 35.0, 70.0)},
            {Rungs.TRIPLING, List.of(7.8, 23.5, 70.0)},
            {Rungs.QUARTERS, List.of(17.5, 35.0, 70.0)},
            {Rungs.PROOF, List.of(4.4, 70.0)},
        };
    }

    @Test(dataProvider = "ladders")
    public void aLadderMayBeChosen(Rungs rungs, List<Double> drives) {
        TuneSetup setup = with(School.PEAK_THEN_HEAVIER, Optional.of(practice(rungs)), Indication.AVERAGE);
        assertEquals(Ladder.drivesW(setup, School.PEAK_THEN_HEAVIER), drives);
        assertEquals(
                Ladder.drivesW(setup, School.MAKERS_CHART), drives, "what is chosen goes before a school's custom");
    }

    @Test
    public void aListOfOnesOwnIsPutInOrderAndEndsAtTheTop() {
        TuneSetup setup = with(
                School.PEAK_THEN_HEAVIER,
                Optional.of(practice(Rungs.OWN, 40.0, 9.0, 4.0, 9.1, 200.0)),
                Indication.AVERAGE);
        assertEquals(Ladder.drivesW(setup, School.PEAK_THEN_HEAVIER), List.of(4.0, 9.0, 40.0, 70.0));
        assertEquals(
                expectThrows(Refused.class, () -> practice(Rungs.OWN))
                        .problems()
                        .get(0)
                        .path(),
                "ownDrivesW");
        assertEquals(
                expectThrows(Refused.class, () -> practice(Rungs.OWN, 0.0))
                        .problems()
                        .get(0)
                        .path(),
                "ownDrivesW.0");
    }

    @Test
    public void dipAndLoadAsksForItsTargetAndGoesNearerToIt() {
        Climber climber = new Climber(by(School.DIP_AND_LOAD)).isReady().moves(Control.PLATE, 5.1);
        climber.moves(Control.LOAD, 3.0).moves(Control.DRIVE, 17.5);
        Move.KeyAndPeak key = (Move.KeyAndPeak) climber.advice().move();
        assertEquals(key.aim(), School.Aim.DIP);
        double targetA = key.targetA().orElseThrow();
        assertEquals(targetA, 0.119 + (0.85 * 0.66 - 0.119) / 2, 1e-9, "a quarter of the drive, half of the swing");
        // 0.271 A of 2.6 kV: 425 W are 60 %; 200 W are 28 %, and heavier would only heat the plates.
        Advice poor = climber.does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"))
                .keysFor(4)
                .reads(200, 0.8 * targetA, 0.03, 2600)
                .advice();
        assertTrue(poor.reason() != Reason.DIP_BELOW_TARGET, poor.toString());
        Advice below = climber.reads(ReadingRole.OUTPUT, 425).advice();
        assertEquals(below.reason(), Reason.DIP_BELOW_TARGET);
        assertTrue(((Move.Turn) below.move()).marks() > 0, "heavier raises the dip");
        assertTrue(below.strikesReadings());
        Following.events(below, climber.now).forEach(climber::does);
        climber.waits(6).keysFor(4).reads(390, 0.85 * targetA, 0.03, 2600);
        Advice costs = climber.advice();
        assertEquals(costs.reason(), Reason.DIP_COSTS_OUTPUT, "more plate current and less output is heat");
        assertEquals(((Move.Turn) costs.move()).to(), ((Move.Turn) below.move()).from(), 1e-9);
        climber.reads(415, 1.12 * targetA, 0.03, 2600);
        Advice above = climber.advice();
        assertEquals(above.reason(), Reason.DIP_ABOVE_TARGET);
        assertTrue(((Move.Turn) above.move()).marks() < 0, "lighter brings it down");
        Following.events(above, climber.now).forEach(climber::does);
        climber.waits(6).keysFor(4).reads(425, 0.8 * targetA, 0.03, 2600);
        assertTrue(climber.advice().move() instanceof Move.RecordStep, "three tries are enough: " + climber.advice());
    }

    @Test
    public void theGridSchoolLoadsAtTheTopOnly() {
        Climber climber = new Climber(by(School.GRID_TARGET)).isReady().moves(Control.PLATE, 5.1);
        climber.moves(Control.LOAD, 4.5).moves(Control.DRIVE, 35);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).order(), List.of(Control.PLATE));
        climber.moves(Control.DRIVE, 70);
        Move.KeyAndPeak top = (Move.KeyAndPeak) climber.advice().move();
        assertEquals(top.order(), List.of(Control.PLATE, Control.LOAD, Control.PLATE));
        assertEquals(top.targetA().orElseThrow(), 0.145, 1e-9, "the middle of its window");
        climber.does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"));
        Advice above = climber.keysFor(4).reads(880, 0.55, 0.185, 2500).advice();
        assertEquals(above.reason(), Reason.GRID_ABOVE_WINDOW);
        assertTrue(((Move.Turn) above.move()).marks() > 0);
        climber.does(new RunEvent.TriedAgain()).waits(8).keysFor(4).reads(840, 0.57, 0.1, 2500);
        assertEquals(climber.advice().reason(), Reason.GRID_BELOW_WINDOW);
    }

    @Test
    public void lowDownThereIsNoGridCurrentToSee() {
        Climber climber = new Climber(by(School.GRID_TARGET)).isReady().moves(Control.PLATE, 5.1);
        climber.moves(Control.LOAD, 4.5).moves(Control.DRIVE, 4.4);
        assertEquals(((Move.KeyAndPeak) climber.advice().move()).aim(), School.Aim.OUTPUT);
    }

    @Test
    public void schoolsWithoutAFinishGoFromTheTopToTheLastLook() {
        Climber climber = new Climber(by(School.MAKERS_CHART)).isReady().steps(70, 5.1, 4.5, 880, 0.55, 0.17, 2500);
        assertEquals(climber.state().phase(climber.now), RunState.Phase.CLOSING);
        climber.does(new RunEvent.SchoolChosen(School.PEAK_THEN_HEAVIER));
        assertEquals(climber.state().phase(climber.now), RunState.Phase.FINISHING, "another school asks for one more");
    }

    @Test
    public void pulsesNeedAMeterThatHoldsPeaks() {
        for (Indication poor : new Indication[] {Indication.AVERAGE, Indication.PEAK_PASSIVE}) {
            Refused refused = expectThrows(Refused.class, () -> with(School.PULSED, Optional.empty(), poor));
            assertEquals(refused.problems().get(0).code(), ProblemCode.NEEDS_PEAK_METER);
        }
        List<Problem> later = new Climber(by(School.DIP_AND_LOAD)).refusals(new RunEvent.SchoolChosen(School.PULSED));
        assertEquals(later.get(0).code(), ProblemCode.NEEDS_PEAK_METER);
        assertEquals(with(School.PULSED, Optional.empty(), Indication.PEAK_HOLD).school(), School.PULSED);
    }

    @Test
    public void averagesOfPulsesAreReckonedBackToTheirPeak() {
        TuneSetup setup = with(School.PULSED, Optional.empty(), Indication.PEAK_HOLD);
        double duty = setup.customs().dutyFactor();
        Step pulsed = new Climber(setup)
                .isReady()
                .steps(70, 5.1, 5, 875, duty * 0.576 + (1 - duty) * 0.119, duty * 0.149, 2650)
                .state()
                .lastStep()
                .orElseThrow();
        assertEquals(pulsed.measured(ReadingRole.PLATE_CURRENT).orElseThrow().value(), 0.576, 1e-9);
        assertEquals(pulsed.measured(ReadingRole.GRID_CURRENT).orElseThrow().value(), 0.149, 1e-9);
        double heat = pulsed.budget().heatPerDeviceW().orElseThrow().value();
        double counted = pulsed.room().stream()
                .filter(room -> room.kind() == LimitKind.HEAT_PER_TUBE)
                .findFirst()
                .orElseThrow()
                .value()
                .value();
        assertEquals(counted, duty * heat, 1e-9, "the plates warm by the average");
    }

    @Test
    public void changingTheSchoolLosesNoReading() {
        Climber climber = new Climber(by(School.PEAK_THEN_HEAVIER))
                .isReady()
                .steps(17.5, 5.19, 1.1, 408, 0.29, 0.03, 2640)
                .moves(Control.DRIVE, 35)
                .keysFor(4)
                .reads(ReadingRole.OUTPUT, 610);
        Map<ReadingRole, ?> before = climber.state().draft().readings();
        climber.does(new RunEvent.SchoolChosen(School.DIP_AND_LOAD));
        RunState after = climber.state();
        assertEquals(after.draft().readings(), before);
        assertEquals(
                after.steps().get(0).school(), School.PEAK_THEN_HEAVIER, "a step keeps the school it was taken by");
        assertEquals(after.draft().school(), School.DIP_AND_LOAD);
    }

    @Test
    public void afterATripDriveAndLoadComeBeforeTheReset() {
        Climber climber = new Climber(by(School.GRID_TARGET)).isReady().steps(17.5, 5.1, 4.5, 290, 0.32, 0.03, 2640);
        climber.moves(Control.DRIVE, 70).does(new RunEvent.SignSeen(SeenSign.TRIP_GRID));
        Advice down = climber.advice();
        assertEquals(down.reason(), Reason.AFTER_GRID_TRIP);
        assertEquals(((Move.Turn) down.move()).to(), 17.5, "two steps down");
        Following.events(down, climber.now).forEach(climber::does);
        Advice heavier = climber.advice();
        assertEquals(((Move.Turn) heavier.move()).control(), Control.LOAD);
        assertTrue(((Move.Turn) heavier.move()).marks() > 0);
        Following.events(heavier, climber.now).forEach(climber::does);
        Advice reset = climber.advice();
        assertEquals(reset.reason(), Reason.RESET_AFTER_TRIP);
        assertEquals(reset.move(), new Move.WorkThrough(Move.Drill.TRIPPED));
        Following.events(reset, climber.now).forEach(climber::does);
        assertTrue(climber.state().openSign().isEmpty(), "the climb goes on");
        assertEquals(climber.state().draft().driveW().value(), 17.5);
    }

    @Test
    public void theMakersFirstCeilingIsKeptAtTheFirstStepOnly() {
        Customs ceiling = Customs.chosen(Optional.empty(), List.of(), Optional.of(0.15), Optional.empty());
        TuneSetup setup = with(School.PEAK_THEN_HEAVIER, Optional.of(ceiling), Indication.AVERAGE);
        Climber first = new Climber(setup).isReady().moves(Control.PLATE, 5.2).moves(Control.LOAD, 1);
        Advice lower = first.moves(Control.DRIVE, 8.8)
                .keysFor(4)
                .reads(140, 0.2, 0.012, 2680)
                .advice();
        assertEquals(lower.reason(), Reason.PLATE_CURRENT_OVER);
        assertTrue(((Move.Turn) lower.move()).to() < 6, lower.toString());
        Climber second = new Climber(setup).isReady().steps(4.4, 5.2, 1, 140, 0.14, 0.008, 2710);
        second.moves(Control.DRIVE, 8.8).keysFor(4).reads(250, 0.21, 0.015, 2680);
        assertFalse(Signs.of(second.state().draft(), second.state().lastStep()).stream()
                .anyMatch(sign -> sign.code() == Sign.Code.FIRST_CEILING));
    }

    @Test
    public void theEndsOfTheOtherSchoolsComeFromTheTwin() {
        TuneSetup setup = Sample.setup(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE), Sample.STATION, Sample.BALLAST);
        List<SchoolEnd> ends = SchoolEnd.of(setup, 70);
        List<School> named =
                ends.stream().flatMap(end -> end.schools().stream()).sorted().toList();
        assertEquals(named, School.withDials(), "each school once");
        SchoolEnd finish = ends.get(0);
        for (SchoolEnd end : ends) {
            assertTrue(
                    end.thirdDb().orElseThrow() > finish.thirdDb().orElseThrow() - 3,
                    end.schools() + " is hardly cleaner than the heavier finish");
            assertTrue(end.place().point().outputW() > 700, end.toString());
        }
        assertEquals(SchoolEnd.of(Sample.setup(), 70), List.of(), "without a twin nobody knows");
    }

    @Test
    public void thePresetOfAnUnknownBandComesFromTheTwin() {
        TuneSetup setup = Sample.setup(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE), Sample.STATION, Sample.BALLAST);
        Preset preset = RecordTwin.preset(setup).orElseThrow();
        assertEquals(preset.source(), Preset.Source.TWIN);
        assertEquals(preset.load(), RecordTwin.finish(setup, 70).orElseThrow().load(), 0.01);
        Climber climber = new Climber(setup.withPreset(preset)).isReady();
        assertEquals(climber.advice().reason(), Reason.PRESET_FROM_TWIN);
    }

    @Test
    public void farFromTheTwinPlateIsSaidToBeOffItsPeak() {
        TuneSetup setup = Sample.setup(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE), Sample.STATION, Sample.BALLAST);
        Climber climber = new Climber(setup).isReady().moves(Control.PLATE, 4.9).moves(Control.LOAD, 4.5);
        climber.does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW")).moves(Control.DRIVE, 35);
        climber.keysFor(4).reads(180, 0.4, 0.05, 2590);
        assertTrue(
                Signs.of(climber.state().draft(), Optional.empty()).stream()
                        .anyMatch(sign -> sign.code() == Sign.Code.PLATE_OFF_PEAK),
                "a third of what the twin has");
        climber.does(new RunEvent.TriedAgain()).waits(6).keysFor(4).reads(480, 0.42, 0.06, 2580);
        assertFalse(Signs.of(climber.state().draft(), Optional.empty()).stream()
                .anyMatch(sign -> sign.code() == Sign.Code.PLATE_OFF_PEAK));
    }

    @Test
    public void aTargetOfGridCurrentIsForGridsThatDrawOne() {
        TuneSetup good = Sample.setup();
        Refused refused = expectThrows(
                Refused.class,
                () -> new TuneSetup(
                        good.station(),
                        Twins.BARQUES_RECORD,
                        good.exciter(),
                        good.carrier(),
                        good.meters(),
                        good.termination(),
                        good.band(),
                        good.frequencyHz(),
                        School.GRID_TARGET,
                        good.preset(),
                        good.settings(),
                        good.source(),
                        good.pad(),
                        good.practice()));
        assertEquals(refused.problems().get(0).path(), "school");
        TuneSetup tetrode = Sample.setup(Twins.BARQUES_RECORD, Sample.STATION, Sample.BALLAST);
        assertEquals(
                new Climber(tetrode)
                        .refusals(new RunEvent.SchoolChosen(School.GRID_TARGET))
                        .get(0)
                        .code(),
                ProblemCode.UNKNOWN_NAME);
        TuneSetup twinned = Sample.setup(Twins.BARQUES_RECORD.withTwin(Twins.BARQUE), Sample.STATION, Sample.BALLAST);
        assertFalse(
                SchoolEnd.of(twinned, 2).stream().anyMatch(end -> end.schools().contains(School.GRID_TARGET)));
    }

    @Test
    public void modesAreHeldAgainstTheExcitersOwnPowerBeforeAPad() {
        TuneSetup from = Sample.setup(Twins.BARQUES_RECORD, Sample.STATION, Sample.BALLAST);
        TuneSetup padded = new TuneSetup(
                from.station(),
                from.amplifier(),
                from.exciter(),
                from.carrier(),
                from.meters(),
                from.termination(),
                from.band(),
                from.frequencyHz(),
                from.school(),
                from.preset(),
                from.settings(),
                from.source(),
                Optional.of(new org.tubrin.core.station.Pad("Fender", 16, 100)),
                from.practice());
        List<OnAir> points = OnAir.of(new Climber(padded)
                .isReady()
                .steps(2, 50, 45, 900, 0.58, 0, 2650)
                .state());
        List<OnAir> above = points.stream()
                .filter(point -> point.code() == OnAir.Code.MODE_ABOVE_TUNED_DRIVE)
                .toList();
        assertEquals(above.size(), 1, "SSB at 100 W drives more than 2 W through 16 dB, CW at 70 W does not");
        assertEquals(above.get(0).numbers().get("drive"), 2 * Math.pow(10, 1.6), 1e-6);
    }

    @Test
    public void dialsAreSetAheadWhereATwinKnowsTheBandAndTheOutputIsRead() {
        Amplifier known = Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE);
        Set<ReadingRole> output = Set.of(ReadingRole.OUTPUT);
        assertEquals(SuggestedSchool.of(known, Band.MHZ_7, output), School.MAKERS_CHART);
        assertEquals(SuggestedSchool.of(Sample.BRIGANTINE, Band.MHZ_7, output), School.PEAK_THEN_HEAVIER, "no twin");
        assertEquals(
                SuggestedSchool.of(known, Band.MHZ_7, Set.of(ReadingRole.PLATE_CURRENT)),
                School.PEAK_THEN_HEAVIER,
                "nothing tells of output or LOAD");
        Amplifier barque = Twins.BARQUES_RECORD.withTwin(Twins.BARQUE);
        assertEquals(SuggestedSchool.of(barque, Band.MHZ_7, output), School.MAKERS_CHART);
        assertEquals(SuggestedSchool.of(barque, Band.MHZ_28, output), School.PEAK_THEN_HEAVIER, "no tank");
    }

    /** Without a twin the chart's dials are as good as a meter of a grid's current makes them: it tells where LOAD is off. */
    @Test
    public void theChartsDialsAreSuggestedWhereAMeterTellsOfLoad() {
        Set<ReadingRole> told = Set.of(ReadingRole.OUTPUT, ReadingRole.GRID_CURRENT);
        assertEquals(SuggestedSchool.of(Sample.BRIGANTINE, Band.MHZ_7, told), School.MAKERS_CHART);
        assertEquals(
                SuggestedSchool.of(Sample.BRIGANTINE, Band.MHZ_7, Set.of(ReadingRole.GRID_CURRENT)),
                School.PEAK_THEN_HEAVIER,
                "no output");
        assertEquals(
                SuggestedSchool.of(Twins.BARQUES_RECORD, Band.MHZ_7, told),
                School.PEAK_THEN_HEAVIER,
                "of a tetrode the screen tells");
        Set<ReadingRole> screen = Set.of(ReadingRole.OUTPUT, ReadingRole.SCREEN_CURRENT);
        assertEquals(SuggestedSchool.of(Twins.BARQUES_RECORD, Band.MHZ_7, screen), School.MAKERS_CHART);
        assertEquals(
                SuggestedSchool.of(Twins.BARQUES_RECORD, Band.MHZ_14, screen),
                School.PEAK_THEN_HEAVIER,
                "no chart row");
    }

    @Test
    public void whileKeyedItSaysWhatWasAskedBefore() {
        Climber plain = new Climber(by(School.PEAK_THEN_HEAVIER)).isReady().moves(Control.PLATE, 5.1);
        plain.moves(Control.LOAD, 4.5).moves(Control.DRIVE, 4.4).does(new RunEvent.Keyed());
        assertEquals(plain.advice().reason(), Reason.KEY_IS_DOWN, "PLATE, LOAD, PLATE");
        TuneSetup setup = Sample.setup(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE), Sample.STATION, Sample.BALLAST);
        Climber twinned = new Climber(setup).isReady().moves(Control.PLATE, 5.1).moves(Control.LOAD, 4.5);
        twinned.moves(Control.DRIVE, 4.4).does(new RunEvent.Keyed());
        assertEquals(twinned.advice().reason(), Reason.KEY_DOWN_PLATE_ONLY);
        twinned.reads(ReadingRole.OUTPUT, 80);
        assertEquals(twinned.advice().reason(), Reason.KEY_DOWN_PLATE_ONLY, "with a meter read, too");
        Climber dip = new Climber(by(School.DIP_AND_LOAD)).isReady().moves(Control.PLATE, 5.1);
        dip.moves(Control.LOAD, 4.5).moves(Control.DRIVE, 17.5);
        Move.KeyAndPeak asked = (Move.KeyAndPeak) dip.advice().move();
        dip.does(new RunEvent.Keyed());
        Move.PeakAndRead told = (Move.PeakAndRead) dip.advice().move();
        assertEquals(told.targetA(), asked.targetA());
        assertEquals(told.aim(), School.Aim.DIP);
    }
}
