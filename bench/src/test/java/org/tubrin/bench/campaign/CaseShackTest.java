package org.tubrin.bench.campaign;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.School;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Setting;

/** The room, the hand and the report of the campaign: the proof is only as good as they are. */
public class CaseShackTest {
    @DataProvider
    public Object[][] cases() {
        Object[][] rows = new Object[12][];
        for (int number = 0; number < rows.length; number++) {
            rows[number] = new Object[] {Case.of(number, 40 + number)};
        }
        return rows;
    }

    /** What counts is where the knob has left what it turns, not what it shows. */
    @Test
    public void playInAKnobIsNoLossOfOutput() {
        Case given = Case.of(2, 42).foreign();
        assertTrue(given.isForeign() && given.plateSlackMarks() > 0.02, "it has play");
        CaseShack shack = new CaseShack(given, new Random(1));
        shack.turn(Control.DRIVE, given.setup().topDriveW());
        shack.turn(Control.PLATE, shack.shown(Control.PLATE) + 1);
        Score there = Score.of(shack, "any", List.of(), List.of(), "");
        double play = given.plateSlackMarks() * shack.dial(Control.PLATE).markStep();
        shack.turn(Control.PLATE, shack.shown(Control.PLATE) - 0.9 * play);
        assertEquals(
                Score.of(shack, "any", List.of(), List.of(), "").shortfallPercent(), there.shortfallPercent(), 1e-9);
        shack.turn(Control.PLATE, shack.shown(Control.PLATE) - 1);
        assertTrue(Score.of(shack, "any", List.of(), List.of(), "").shortfallPercent() != there.shortfallPercent());
    }

    private static Peak best(Case given) {
        Setting setting = new Setting(
                given.setup().band(),
                given.setup().frequencyHz(),
                given.setup().topDriveW(),
                0,
                0,
                given.loadOhm(),
                given.loadReactanceOhm());
        return ((Outcome.Settled<Peak>) PeakSearch.most(given.truth(), setting)).point();
    }

    @Test(dataProvider = "cases")
    public void aCaseIsBelievable(Case given) {
        Stage.Tubes tubes = given.setup().tubes();
        double share = Mismatch.reflectedShare(given.loadOhm(), given.loadReactanceOhm());
        double swr = (1 + Math.sqrt(share)) / (1 - Math.sqrt(share));
        assertTrue(swr < 2.01, "SWR " + swr);
        boolean antenna = given.setup().termination() instanceof Antenna;
        assertTrue(antenna || Math.abs(given.loadReactanceOhm()) < 1e-9, "a dummy load is a resistance");
        Peak peak = best(given);
        double plateOff =
                peak.plate() - given.plateOffsetMarks() - given.setup().preset().plate();
        assertTrue(Math.abs(plateOff) < 1.6 * tubes.plate().markStep(), "the chart is of use: " + plateOff);
        double claimW = given.setup().amplifier().ratedOutputW();
        assertTrue(peak.point().outputW() > 0.45 * claimW, peak.point().outputW() + " W of " + claimW);
        assertEquals(given, Case.of(given.number(), 40 + given.number()), "the same seed makes the same case");
    }

    @Test(dataProvider = "cases")
    public void metersKeepTheirClass(Case given) {
        CaseShack shack = new CaseShack(given, new Random(3));
        shack.turn(Control.DRIVE, given.setup().topDriveW() / 2);
        shack.key(true);
        for (ReadingRole role : given.setup().rolesAsked()) {
            Channel channel = given.setup().channelFor(role).orElseThrow();
            MeterRange widest = channel.ranges().get(channel.ranges().size() - 1);
            double classShare = ((Accuracy.OfFullScale) channel.accuracy()).fraction();
            double allowed = (classShare + 0.003) * widest.fullScale();
            assertTrue(
                    Math.abs(shack.shows(role, widest) - shack.truth(role)) <= allowed, role + " of " + given.number());
        }
    }

    @Test(dataProvider = "cases")
    public void aHandFindsThePeakOfPlateAndTakesSecondsForIt(Case given) {
        CaseShack shack = new CaseShack(given, new Random(5));
        Hand hand = new Hand(shack, new Random(6));
        shack.turn(Control.DRIVE, given.setup().topDriveW() / 4);
        hand.range(given.setup()
                .channelFor(ReadingRole.OUTPUT)
                .orElseThrow()
                .ranges()
                .get(1));
        shack.key(true);
        hand.plateFor(School.Aim.OUTPUT, 60);
        double found = shack.truth(ReadingRole.OUTPUT);
        double most = 0;
        double mark = given.setup().tubes().plate().markStep();
        double at = shack.shown(Control.PLATE);
        for (double beside = -0.8; beside < 0.8; beside += 0.01) {
            shack.turn(Control.PLATE, at + beside * mark);
            most = Math.max(most, shack.truth(ReadingRole.OUTPUT));
        }
        assertTrue(found > 0.95 * most, found + " W of " + most);
        assertTrue(shack.nowS() > 0.3 && shack.nowS() < 8, "it takes " + shack.nowS() + " s");
    }

    private static Case triodes() {
        for (int number = 0; ; number++) {
            Case one = Case.of(number, 900 + number);
            if (one.setup().tubes().tubeCount() == 2 && one.setup().band().lowestHz() < 15e6) {
                return one;
            }
        }
    }

    @Test
    public void lightLoadingCountsAsBeyondALimitAndTripsWhenFarBeyond() {
        Case given = triodes();
        CaseShack shack = new CaseShack(given, new Random(1));
        shack.turn(Control.DRIVE, 70);
        Peak peak = best(given);
        shack.turn(Control.PLATE, peak.plate() - given.plateOffsetMarks());
        shack.turn(Control.LOAD, peak.load() - given.loadOffsetMarks() - 1.6);
        shack.key(true);
        new Hand(shack, new Random(2)).plateFor(School.Aim.OUTPUT, 30);
        double before = shack.beyondS;
        shack.pass(2);
        assertTrue(
                shack.tripped() || shack.truth(ReadingRole.GRID_CURRENT) < 0.2 || shack.beyondS - before > 1.9,
                "2 s beyond are counted");
        shack.turn(Control.DRIVE, 160);
        shack.turn(Control.LOAD, 0);
        new Hand(shack, new Random(2)).plateFor(School.Aim.OUTPUT, 30);
        assertTrue(shack.tripped(), "far beyond, the protection trips");
        assertFalse(shack.keyed());
        double carrier = shack.carrierS;
        shack.pass(5);
        assertEquals(shack.carrierS, carrier, 1e-9, "and no carrier stands");
    }

    @Test
    public void pulsesCountByTheirDutyFactor() {
        Case given = triodes();
        CaseShack shack = new CaseShack(given, new Random(1));
        shack.turn(Control.DRIVE, 35);
        shack.pulse(0.3);
        shack.key(true);
        shack.pass(10);
        assertEquals(shack.carrierS, 3, 1e-6);
        double rest = given.setup().tubes().restingPlateCurrentA();
        double shown = shack.truth(ReadingRole.PLATE_CURRENT);
        shack.pulse(1);
        double peak = shack.truth(ReadingRole.PLATE_CURRENT);
        assertEquals(shown, 0.3 * peak + 0.7 * rest, 1e-9, "a panel meter shows the average");
    }

    private static Score score(String procedure, int number, double shortfall) {
        return new Score(
                number,
                procedure,
                shortfall,
                number,
                2.0 * number,
                0,
                50,
                OptionalDouble.of(-30),
                procedure.equals("tubrin") ? List.of(true, true, number % 4 != 0) : List.of(),
                List.of(),
                "story of " + number);
    }

    @Test
    public void theReportGivesMedianAndTailsOfWhatItIsGiven() {
        List<Score> scores = new java.util.ArrayList<>();
        for (int number = 1; number <= 20; number++) {
            scores.add(score("tubrin", number, number));
            scores.add(score("pulsed", number, 3.0 * number));
            scores.add(score("tubrin, pulsed", number, 2.0 * number));
        }
        Report report = new Report(scores);
        String csv = report.csv();
        assertTrue(csv.startsWith("procedure,metric,median,p95,max\n"), csv);
        assertTrue(csv.contains("tubrin,output_shortfall_percent,10.50,19.05,20.00\n"), csv);
        assertTrue(csv.contains("pulsed,output_shortfall_percent,31.50,57.15,60.00\n"), csv);
        assertTrue(csv.contains("tubrin,carrier_s,21.00,38.10,40.00\n"), csv);
        assertTrue(csv.contains("tubrin,coverage_percent,91.67,91.67,91.67\n"), csv);
        assertFalse(csv.contains("pulsed,coverage_percent"), "plain schools state no interval");
        assertFalse(csv.contains("tubrin, pulsed"), "the table has the next move as it is given, and plain schools");
        String words = report.markdown(20, 7, "2026-11-25");
        assertTrue(words.contains("20 simulated tune-ups, seed 7"), words);
        assertTrue(words.indexOf("story of 20") < words.indexOf("story of 11"), "the worst come first");
        assertFalse(words.contains("story of 9;"), "ten of them");
        assertTrue(words.contains("| tubrin, pulsed | 21.0 / 38.1 |"), words);
        assertTrue(words.contains("- pulsed: as good or better in every figure."), words);
    }
}
