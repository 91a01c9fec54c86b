package org.tubrin.core.tuneup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.Station;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Twins;

/** The twin's word on steps to come, set right by what was read; a second twin plays the amplifier that differs. */
public class ForesightTest {
    private static final TuneSetup SETUP = setup(1000);

    private static TuneSetup setup(double licenceW) {
        return Sample.setup(
                Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE), new Station("S", "", licenceW, 20), Sample.BALLAST);
    }

    /** Returns a climb of one step whose meters read the twin itself, with LOAD shown so many marks beside where it is. */
    private static List<Step> read(
            TuneSetup setup, double driveW, double load, double besideMarks, double outputShare) {
        Probe probe = Expected.twin(setup)
                .flatMap(twin -> twin.probe(Expected.setting(setup, driveW, 5, load)))
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
        return Foresight.of(SETUP, steps).flatMap(one -> one.loadFinish(70)).orElseThrow();
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
        // 3 % of 0.35 A leave a third of a mark open at 35 W, less than half of that at 70.
        double half = followed(35, besideMarks) / besideMarks;
        double full = followed(70, besideMarks) / besideMarks;
        assertTrue(half > 0.4 && half < 0.8, "at 35 W it follows by " + half);
        assertTrue(full > 0.75 && full <= 1.02, "at 70 W by " + full);
        assertTrue(followed(4.4, besideMarks) / besideMarks < 0.1, "a current that hardly shows is hardly followed");
    }

    @Test
    public void aFlatPeakDoesNotMatterToIt() {
        double atThePeak = finish(read(SETUP, 35, 3.0, 0, 1));
        double farHeavier = finish(read(SETUP, 35, 5.5, 0, 1));
        assertEquals(farHeavier, atThePeak, 0.15, "wherever LOAD stood on the way, it ends at one place");
    }

    @Test
    public void lighterIsBelievedLessThanHeavier() {
        double plain = finish(read(SETUP, 35, 4.5, 0, 1));
        assertTrue(plain - finish(read(SETUP, 35, 4.5, -3, 1)) <= 1.01, "never more than a mark lighter");
        assertTrue(finish(read(SETUP, 35, 4.5, 3, 1)) - plain <= 2.01, "nor more than two heavier");
    }

    @Test
    public void theFinishLiesWhereMostOfTheOutputIsLeft() {
        Foresight foresight = Foresight.of(SETUP, read(SETUP, 35, 4.5, 0, 1)).orElseThrow();
        double end = foresight.loadFinish(70).orElseThrow();
        double most = Expected.peak(SETUP, 70).orElseThrow().load();
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
        Foresight foresight = Foresight.of(setup, read(setup, 17.5, 4.5, 0, 1)).orElseThrow();
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
        double plain = Foresight.of(SETUP, read(SETUP, 35, 4.5, 0, 1))
                .flatMap(one -> one.outputW(70, 5))
                .orElseThrow();
        double high = Foresight.of(SETUP, read(SETUP, 35, 4.5, 0, 1.1))
                .flatMap(one -> one.outputW(70, 5))
                .orElseThrow();
        assertTrue(
                high > 1.01 * plain && high < 1.08 * plain, "between the twin's word and the meter's: " + high / plain);
    }

    @Test
    public void withoutATwinOrAMeterThatTellsThereIsNone() {
        assertTrue(Foresight.of(Sample.setup(), List.of()).isEmpty());
        assertTrue(SETUP.channelFor(ReadingRole.GRID_CURRENT).isPresent());
    }

    @Test
    public void theTicksOfTheDialsStandWhereTheSchoolEnds() {
        Climber climber = new Climber(SETUP).isReady().moves(Control.DRIVE, 35).moves(Control.LOAD, 4.5);
        Expected.Aim output = Expected.aim(climber.state()).orElseThrow();
        assertEquals(output.load(), Expected.finish(SETUP, 70).orElseThrow().load(), 0.02);
        climber.does(new RunEvent.SchoolChosen(School.DIP_AND_LOAD));
        Expected.Aim dip = Expected.aim(climber.state()).orElseThrow();
        climber.does(new RunEvent.SchoolChosen(School.GRID_TARGET));
        Expected.Aim grid = Expected.aim(climber.state()).orElseThrow();
        assertEquals(dip.plate(), output.plate(), 1e-9, "PLATE is at resonance for LOAD as it stands");
        assertTrue(Math.abs(grid.load() - dip.load()) > 0.05, "each school has an end of its own");
        assertEquals(Expected.aim(new Climber(Sample.setup()).isReady().state()), Optional.empty());
    }
}
