package org.tubrin.bench.campaign;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.PowerStep;
import org.tubrin.core.station.Stage;

/** Whole tune-ups on amplifiers that differ from their records, by following the next move and nothing else. */
public class CampaignTest {
    /** Two triodes on a band in the middle, into a dummy load. */
    private static final Case CASE = firstInto("Ballast", 2);

    private static final List<Score> SCORES = Campaign.run(15, 5);

    private static Case firstInto(String termination, int tubes) {
        for (int number = 0; ; number++) {
            Case one = Case.of(number, 100 + number);
            boolean fits = one.setup().termination().name().equals(termination)
                    && one.setup().tubes().tubeCount() == tubes
                    && one.setup().band().lowestHz() < 8e6
                    && one.setup().band().lowestHz() > 3e6;
            if (fits) {
                return one;
            }
        }
    }

    @DataProvider
    public Object[][] schools() {
        Object[][] rows = new Object[School.withDials().size()][];
        for (School school : School.withDials()) {
            rows[school.ordinal()] = new Object[] {school};
        }
        return rows;
    }

    @Test(dataProvider = "schools")
    public void everySchoolComesToItsEndWithItsOwnKindOfDials(School school) {
        Case given = CASE.by(school);
        CaseShack shack = new CaseShack(given, new Random(1));
        if (school == School.PULSED) {
            shack.pulse(Customs.CUSTOMARY.dutyFactor());
        }
        RunState state = new Novice(shack, new Random(2)).run();
        assertEquals(state.ending(), Optional.of(RunState.Ending.FINISHED), school.toString());
        Stage.Tubes tubes = given.setup().tubes();
        Step last = state.lastStep().orElseThrow();
        Quantity output = last.measured(ReadingRole.OUTPUT).orElseThrow();
        assertTrue(output.value() > 0.75 * given.setup().amplifier().ratedOutputW(), school + " gives " + output);
        double plateA = last.measured(ReadingRole.PLATE_CURRENT).orElseThrow().value();
        double gridA = last.measured(ReadingRole.GRID_CURRENT).orElseThrow().value();
        switch (school.aim()) {
            case DIP -> assertEquals(plateA / tubes.plateCurrentLimitA(), 0.85, 0.12, "loaded to its target");
            case GRID -> assertTrue(gridA < tubes.gridCurrentLimitA(), "grid current stays in its window: " + gridA);
            case OUTPUT -> assertTrue(gridA < tubes.gridCurrentLimitA(), school + ": grid " + gridA);
        }
        assertTrue(
                school == School.DIP_AND_LOAD
                        || school == School.MAKERS_CHART
                        || state.steps().size() >= 3,
                school + " climbs in " + state.steps().size());
    }

    @DataProvider
    public Object[][] steps() {
        return new Object[][] {{PowerStep.Scale.WATT, 5.0}, {PowerStep.Scale.PERCENT, 5.0}, {PowerStep.Scale.WATT, 0.1}
        };
    }

    @Test(dataProvider = "steps")
    public void anExciterIsAskedForItsOwnStepsAlone(PowerStep.Scale scale, double size) {
        for (Case one : List.of(CASE, firstInto("Yardarm", 2))) {
            Case given = one.with(new Exciter(
                    "Halyard",
                    5,
                    100,
                    0.05,
                    0.03,
                    List.of(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.of(new PowerStep(scale, size))));
            RunState state = new Novice(new CaseShack(given, new Random(1)), new Random(2)).run();
            assertEquals(
                    state.ending(),
                    Optional.of(RunState.Ending.FINISHED),
                    state.draft().toString());
            double before = 0;
            for (Step step : state.steps()) {
                double driveW = step.position(Control.DRIVE).orElseThrow();
                assertEquals(driveW / size, Math.rint(driveW / size), 1e-6, driveW + " W is no step");
                assertTrue(driveW >= before || step.kind() == Step.Kind.FINISH, "up: " + before + " to " + driveW);
                before = driveW;
            }
            assertTrue(state.steps().size() <= 12, "it ends: " + state.steps().size() + " steps");
        }
    }

    @Test
    public void pulsesHeatThePlatesByTheirDutyFactor() {
        Case given = CASE.by(School.PULSED);
        CaseShack pulsed = new CaseShack(given, new Random(1));
        pulsed.pulse(0.3);
        new Novice(pulsed, new Random(2)).run();
        CaseShack steady = new CaseShack(CASE.by(School.PEAK_THEN_HEAVIER), new Random(1));
        new Novice(steady, new Random(2)).run();
        assertTrue(
                pulsed.hottestShare < 0.55 * steady.hottestShare, pulsed.hottestShare + " and " + steady.hottestShare);
    }

    @Test
    public void aCampaignBelongsToItsSeedAndFollowingItComesCloserThanPlainSchools() {
        assertEquals(
                new Report(Campaign.run(2, 5)).csv(),
                new Report(Campaign.run(2, 5)).csv(),
                "the same seed gives the same figures");
        double[] followed = shortfalls(SCORES, "tubrin");
        assertTrue(followed[7] < 2, "half of them come within 2 %: " + followed[7]);
        for (School school :
                List.of(School.PEAK_THEN_HEAVIER, School.DIP_AND_LOAD, School.GRID_TARGET, School.PULSED)) {
            double[] plain = shortfalls(SCORES, school.name().toLowerCase(java.util.Locale.ROOT));
            assertTrue(
                    followed[followed.length - 2] < plain[plain.length - 2],
                    school + " falls short less at its worst but one: " + plain[plain.length - 2]);
        }
        double beyond = beyondS("tubrin");
        double beyondPlain = beyondS("peak_then_heavier");
        assertTrue(beyond < 0.5 * beyondPlain, beyond + " s beyond limits, plain " + beyondPlain);
    }

    @Test
    public void everySchoolComesCloserAndStaysWithinItsLimitsWhenItsNextMoveIsFollowed() {
        for (School school : School.withDials()) {
            String name = school.name().toLowerCase(java.util.Locale.ROOT);
            double[] plain = shortfalls(SCORES, name);
            double[] followed = shortfalls(SCORES, Campaign.FOLLOWED + name);
            double worst = followed[followed.length - 2];
            assertTrue(worst < 6, school + " followed falls short at its worst but one: " + worst);
            // The chart is right for a load that is 50 ohm; it is beaten where the load is not, and in its limits.
            assertTrue(
                    school == School.MAKERS_CHART || worst < plain[plain.length - 2],
                    school + " plain does better: " + plain[plain.length - 2]);
            assertTrue(
                    beyondS(Campaign.FOLLOWED + name) <= 1 || beyondS(Campaign.FOLLOWED + name) < 0.2 * beyondS(name),
                    school + " followed is beyond its limits for " + beyondS(Campaign.FOLLOWED + name) + " s");
        }
    }

    @Test
    public void whatIsSuggestedNeedsNoMoreKeyDownsNorCarrierThanAnySchoolToldPlainly() {
        for (School school : School.withDials()) {
            String plain = school.name().toLowerCase(java.util.Locale.ROOT);
            assertTrue(
                    median("tubrin", Score::keyDowns) <= median(plain, Score::keyDowns),
                    "key-downs of " + plain + ": " + median(plain, Score::keyDowns));
            assertTrue(
                    median("tubrin", Score::carrierS) < median(plain, Score::carrierS),
                    "carrier of " + plain + ": " + median(plain, Score::carrierS));
        }
    }

    /** Whom no twin foresees the currents for is kept within them by the stops and by how they grew. */
    @Test
    public void byTheChartAloneHardlyAnybodyStaysBeyondALimit() {
        List<Score> all = SCORES.stream()
                .filter(score -> score.procedure().startsWith(Campaign.BY_CHART))
                .toList();
        long beyond = all.stream().filter(score -> score.beyondS() > 1).count();
        assertTrue(beyond <= 0.06 * all.size(), beyond + " of " + all.size() + " are beyond a limit for over a second");
        for (School school : School.withDials()) {
            String name = school.name().toLowerCase(java.util.Locale.ROOT);
            double[] followed = shortfalls(SCORES, Campaign.BY_CHART + name);
            double middle = followed[followed.length / 2];
            assertTrue(school == School.DIP_AND_LOAD || middle < 5, school + " falls short: " + middle);
            assertTrue(beyondS(Campaign.BY_CHART + name) < 0.5 * beyondS(name), school + " plain is beyond less");
        }
    }

    /** A twin and a wattmeter: the hand peaks LOAD once, from where the twin put it, and sees no grid current. */
    @Test
    public void whoHasATwinAndAWattmeterAloneStaysWithinTheLimitsNobodyShows() {
        List<Score> scores = IntStream.range(0, 16)
                .filter(number -> number % 5 != 4) // a tetrode
                .mapToObj(
                        number -> Campaign.tubrin(Case.of(number, 300 + number).withWattmeterAlone()))
                .toList();
        for (Score score : scores) {
            assertEquals(score.beyondS(), 0, 0.5, score.story());
            assertTrue(score.keyDowns() <= 6, score.story());
        }
        double[] shortfalls =
                scores.stream().mapToDouble(Score::shortfallPercent).sorted().toArray();
        assertTrue(
                shortfalls[shortfalls.length / 2] < 1, "half of them come close: " + shortfalls[shortfalls.length / 2]);
    }

    private static double median(String procedure, ToDoubleFunction<Score> of) {
        double[] sorted = SCORES.stream()
                .filter(score -> score.procedure().equals(procedure))
                .mapToDouble(of)
                .sorted()
                .toArray();
        return sorted[sorted.length / 2];
    }

    private static double beyondS(String procedure) {
        return SCORES.stream()
                .filter(score -> score.procedure().equals(procedure))
                .mapToDouble(Score::beyondS)
                .sum();
    }

    private static double[] shortfalls(List<Score> scores, String procedure) {
        return scores.stream()
                .filter(score -> score.procedure().equals(procedure))
                .mapToDouble(Score::shortfallPercent)
                .sorted()
                .toArray();
    }
}
