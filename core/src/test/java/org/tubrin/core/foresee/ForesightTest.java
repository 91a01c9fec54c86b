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
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Station;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.Twins;

/** The twin's word on steps to come, set right by what was read; a second twin plays the amplifier that differs. */
public class ForesightTest {
    private static final TuneSetup SETUP = setup(1000);

    private static TuneSetup setup(double licenceW) {
        return Sample.setup(
                Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE),
                new Station("S", "", licenceW, 20, Optional.empty()),
                Sample.BALLAST);
    }

    /** Returns a climb of one step whose meters read the twin itself, with LOAD shown so many marks beside where it is. */
    private static List<Step> read(
            TuneSetup setup, double driveW, double load, double besideMarks, double outputShare) {
        Probe probe = RecordTwin.of(setup)
                .flatMap(twin -> twin.probe(RecordTwin.setting(setup, driveW, 5, load)))
                .orElseThrow();
        assertTrue(probe.settle(driveW, probe.resonantPlate(load), load));
        return new Climber(setup)
                .isReady()
                .steps(
                        driveW,
                        probe.resonantPlate(load),
                        load + besideMarks,
                        outputShare * probe.outputW(),
                        probe.plateCurrentA(),
                        probe.gridCurrentA(),
                        probe.plateVoltageDcV())
                .state()
                .steps();
    }

    private static double finish(List<Step> steps) {
        return Foresight.of(SETUP, School.PEAK_THEN_HEAVIER, steps)
                .flatMap(one -> one.loadFinish(70))
                .orElseThrow();
    }

    @DataProvider
    public Object[][] knobs() {
        return new Object[][] {{0.4}, {-0.4}, {0.8}};
    }

    private static double followed(double driveW, double besideMarks) {
        return finish(read(SETUP, driveW, 4.5, besideMarks, 1)) - finish(read(SETUP, driveW, 4.5, 0, 1));
    }

    @Test(dataProvider = "knobs")
    public void gridCurrentTellsHowAKnobIsSetAsFarAsTheMeterIsSure(double besideMarks) {
        // At 35 W 3 % of 0.35 A leave a third of a mark open, at 70 W less than half of that.
        double half = followed(35, besideMarks) / besideMarks;
        double full = followed(70, besideMarks) / besideMarks;
        assertTrue(half > 0.2 && half < 0.7, "at 35 W it follows by " + half);
        assertTrue(full > half + 0.1 && full <= 1.02, "at 70 W by " + full);
    }

    /** Returns a climb to 35 W with LOAD at 4.5 that reads an amplifier as it is, but for a slip of the eye at the last output. */
    private static List<Step> climbed(TuneSetup setup, Probe truth, double slipW) {
        Climber climber = new Climber(setup).isReady();
        for (double driveW : new double[] {4.4, 8.8, 17.5, 35}) {
            assertTrue(truth.settle(driveW, truth.resonantPlate(4.5), 4.5));
            climber.steps(
                    driveW,
                    truth.resonantPlate(4.5),
                    4.5,
                    truth.outputW() + (driveW == 35 ? slipW : 0),
                    truth.plateCurrentA(),
                    truth.gridCurrentA(),
                    truth.plateVoltageDcV());
        }
        return climber.state().steps();
    }

    /** An antenna of which only the SWR is known; the twin knows what it really is. */
    @Test
    public void whatAnAntennaReallyIsShowsInPlateAndInTheCurrents() {
        Antenna antenna = new Antenna("Yardarm", List.of(new Antenna.AntennaBand(Band.MHZ_7, 2, 0)), Optional.empty());
        TuneSetup setup = Sample.setup(
                Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE),
                new Station("S", "", 1000, 20, Optional.empty()),
                antenna);
        for (double[] ohm : new double[][] {{90, -15}, {33, 15}, {50, 0}}) {
            Probe truth = RecordTwin.of(setup)
                    .flatMap(twin -> twin.probe(new Setting(Band.MHZ_7, setup.frequencyHz(), 1, 5, 4, ohm[0], ohm[1])))
                    .orElseThrow();
            List<Step> steps = climbed(setup, truth, 0);
            truth.forget();
            Peak best = ((Outcome.Settled<Peak>) PeakSearch.finish(truth, 70)).point();
            double blind = RecordTwin.finish(setup, 70).orElseThrow().load();
            double seen = Foresight.of(setup, School.PEAK_THEN_HEAVIER, steps)
                    .flatMap(one -> one.loadFinish(70))
                    .orElseThrow();
            assertTrue(
                    Math.abs(seen - best.load()) < 0.25 + 0.35 * Math.abs(blind - best.load()),
                    ohm[0] + " ohm: " + seen + " where " + best.load() + " is best, blind " + blind);
        }
    }

    @Test
    public void oneSlipOfTheEyeDoesNotLead() {
        TuneSetup setup = setup(1000);
        Probe probe = RecordTwin.of(setup)
                .flatMap(twin -> twin.probe(RecordTwin.setting(setup, 1, 5, 4.5)))
                .orElseThrow();
        List<Step> steps = climbed(setup, probe, 60);
        Foresight slipped = Foresight.of(setup, School.PEAK_THEN_HEAVIER, steps).orElseThrow();
        Foresight clean = Foresight.of(setup, School.PEAK_THEN_HEAVIER, read(setup, 35, 4.5, 0, 1))
                .orElseThrow();
        double ratio =
                slipped.outputW(70, 5).orElseThrow() / clean.outputW(70, 5).orElseThrow();
        assertEquals(ratio, 1, 0.055, "an eighth too much at one step; taken at its face it would be 7.5 %");
    }

    @Test
    public void currentsOfALightLoadAreForeseenBeyondTheirLimit() {
        Foresight foresight = Foresight.of(SETUP, School.PEAK_THEN_HEAVIER, read(SETUP, 35, 1, 0, 1))
                .orElseThrow();
        assertFalse(foresight.currentsHold(70, 0.2), "grid current");
        assertTrue(foresight.currentsHold(70, 5), "heavier is safe");
        assertTrue(foresight.currentsHold(17.5, 1), "so is less drive");
    }

    @Test
    public void aFlatPeakDoesNotMatterToIt() {
        double atThePeak = finish(read(SETUP, 35, 3.0, 0, 1));
        double farHeavier = finish(read(SETUP, 35, 5.5, 0, 1));
        assertEquals(farHeavier, atThePeak, 0.15, "wherever LOAD stood on the way, it ends at one place");
    }

    @Test
    public void aKnobIsNotBelievedToStandFarOffWhateverACurrentSays() {
        double plain = finish(read(SETUP, 35, 4.5, 0, 1));
        for (double besideMarks : new double[] {-3, 3}) {
            double moved = finish(read(SETUP, 35, 4.5, besideMarks, 1)) - plain;
            assertTrue(moved * besideMarks > 0, "it goes the same way: " + moved);
            assertTrue(Math.abs(moved) < 1.25, "but no more than five widths of a knob: " + moved);
        }
    }

    @Test
    public void theFinishLiesWhereMostOfTheOutputIsLeft() {
        Foresight foresight = Foresight.of(SETUP, School.PEAK_THEN_HEAVIER, read(SETUP, 35, 4.5, 0, 1))
                .orElseThrow();
        double end = foresight.loadFinish(70).orElseThrow();
        double most = RecordTwin.peak(SETUP, 70).orElseThrow().load();
        assertTrue(end > most + 0.3 && end < most + 1, "a little heavier than the peak: " + end + ", " + most);
        double atEnd = foresight.outputW(70, end).orElseThrow();
        double atPeak = foresight.outputW(70, most).orElseThrow();
        assertEquals(atEnd / atPeak, 0.98, 0.006);
    }

    @DataProvider
    public Object[][] licences() {
        return new Object[][] {{400.0}, {600.0}, {800.0}, {1500.0}};
    }

    @Test(dataProvider = "licences")
    public void theDriveItBearsKeepsTheLicenceWithRoomForWhatIsUnsure(double licenceW) {
        TuneSetup setup = setup(licenceW);
        Foresight foresight = Foresight.of(setup, School.PEAK_THEN_HEAVIER, read(setup, 17.5, 4.5, 0, 1))
                .orElseThrow();
        double driveW = foresight.driveWithinW(70);
        double outputW = foresight
                .outputW(driveW, foresight.loadFinish(driveW).orElseThrow())
                .orElseThrow();
        if (licenceW > 1000) {
            assertEquals(driveW, 70.0, "nothing is near");
        } else {
            assertTrue(outputW < 0.97 * licenceW, outputW + " W of " + licenceW);
            assertTrue(outputW > 0.82 * licenceW, outputW + " W gives away too much of " + licenceW);
        }
    }

    @Test
    public void aMeterThatReadsHighMovesTheOutputForeseenOnlyInPart() {
        double plain = Foresight.of(SETUP, School.PEAK_THEN_HEAVIER, read(SETUP, 35, 4.5, 0, 1))
                .flatMap(one -> one.outputW(70, 5))
                .orElseThrow();
        double high = Foresight.of(SETUP, School.PEAK_THEN_HEAVIER, read(SETUP, 35, 4.5, 0, 1.1))
                .flatMap(one -> one.outputW(70, 5))
                .orElseThrow();
        assertTrue(
                high > 1.01 * plain && high < 1.08 * plain, "between the twin's word and the meter's: " + high / plain);
    }

    @Test
    public void withoutATwinOrAMeterThatTellsThereIsNone() {
        assertTrue(Foresight.of(Sample.setup(), School.PEAK_THEN_HEAVIER, List.of())
                .isEmpty());
        assertTrue(SETUP.channelFor(ReadingRole.GRID_CURRENT).isPresent());
    }

    @Test
    public void forALongCarrierTheTickOfLoadStandsWhereItsOutputIsMade() {
        TuneSetup carrier =
                SETUP.chosen(Customs.chosen(Optional.empty(), List.of(), Optional.empty(), Optional.of(350.0)));
        Climber climber =
                new Climber(carrier).isReady().moves(Control.DRIVE, 4.4).moves(Control.LOAD, 1.5);
        double load = Expected.aim(climber.state()).orElseThrow().load();
        double speech = Expected.aim(new Climber(SETUP)
                        .isReady()
                        .moves(Control.DRIVE, 4.4)
                        .moves(Control.LOAD, 1.5)
                        .state())
                .orElseThrow()
                .load();
        assertTrue(SETUP.tubes().marksHeavier(load, speech) > 1, load + " is lighter than " + speech);
        double driveW = Foresight.of(carrier, School.PEAK_THEN_HEAVIER, List.of())
                .orElseThrow()
                .driveWithinW(carrier.topDriveW());
        assertEquals(load, RecordTwin.finish(carrier, driveW).orElseThrow().load(), 0.02);
        assertEquals(
                RecordTwin.finish(carrier, driveW).orElseThrow().point().outputW(),
                350,
                15,
                "by half a watt, at " + driveW);
    }

    @Test
    public void theTicksOfTheDialsStandWhereTheSchoolEnds() {
        Climber climber = new Climber(SETUP).isReady().moves(Control.DRIVE, 35).moves(Control.LOAD, 4.5);
        Expected.Aim output = Expected.aim(climber.state()).orElseThrow();
        double mostW = Foresight.of(SETUP, School.PEAK_THEN_HEAVIER, List.of())
                .orElseThrow()
                .driveWithinW(70);
        assertTrue(mostW > 65, "nearly full drive: " + mostW);
        assertEquals(
                output.load(), RecordTwin.finish(SETUP, mostW).orElseThrow().load(), 0.02);
        climber.does(new RunEvent.SchoolChosen(School.DIP_AND_LOAD));
        Expected.Aim dip = Expected.aim(climber.state()).orElseThrow();
        climber.does(new RunEvent.SchoolChosen(School.GRID_TARGET));
        Expected.Aim grid = Expected.aim(climber.state()).orElseThrow();
        assertEquals(dip.plate(), output.plate(), 1e-9, "PLATE is at resonance for LOAD as it stands");
        assertTrue(Math.abs(grid.load() - dip.load()) > 0.05, "each school has an end of its own");
        assertEquals(Expected.aim(new Climber(Sample.setup()).isReady().state()), Optional.empty());
    }
}
