package org.tubrin.bench.campaign;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.tubrin.core.practice.Debrief;
import org.tubrin.core.practice.Lesson;

/** A small campaign of another seed than the report's, held to what the report claims. */
public class LessonCampaignTest {
    /** With fewer, which fault is hidden decides more than help does. */
    private static final int CASES = 16;

    private static final int FEW = 2;

    private List<LessonCampaign.Result> results;

    @BeforeClass
    public void plays() {
        results = LessonCampaign.run(CASES, 4711);
    }

    private List<LessonCampaign.Result> of(Lesson lesson, boolean helped) {
        return results.stream()
                .filter(one -> one.lesson() == lesson && one.helped() == helped)
                .toList();
    }

    private static double points(List<LessonCampaign.Result> of) {
        return LessonCampaign.mean(of, one -> one.debrief().points());
    }

    @Test
    public void helpIsWorthPointsInEveryLesson() {
        for (Lesson lesson : Lesson.values()) {
            assertEquals(of(lesson, true).size(), CASES);
            double gain = points(of(lesson, true)) - points(of(lesson, false));
            assertTrue(gain > 0, lesson + " " + gain);
        }
    }

    @Test
    public void whoFollowsIsHardlyEverBeyondALimitWhereNothingIsBroken() {
        for (Lesson lesson : List.of(
                Lesson.FIRST_CLIMB,
                Lesson.ONE_METER,
                Lesson.BEFORE_POWER,
                Lesson.BAND_CHANGE,
                Lesson.LOST_PEAK,
                Lesson.ANTENNA)) {
            double beyondS = LessonCampaign.mean(of(lesson, true), one -> one.value(Debrief.Subject.LIMITS));
            assertTrue(beyondS < 0.1, lesson + " " + beyondS);
            assertTrue(points(of(lesson, true)) > 90, lesson + " " + points(of(lesson, true)));
        }
    }

    @Test
    public void whatIsBrokenMakesALessonHarder() {
        double first = points(of(Lesson.FIRST_CLIMB, false));
        double broken = points(of(Lesson.ONE_FAULT, false)) + points(of(Lesson.TWO_FAULTS, false));
        assertTrue(broken / 2 < first - 5, broken / 2 + " of " + first);
    }

    /** What is shown with each lesson is what the report measured. */
    @Test
    public void whatALessonSaysOfItselfWasMeasured() throws IOException {
        List<String> report = Files.readAllLines(Path.of("..", "docs", "campaign", "practice.csv"));
        for (Lesson lesson : Lesson.values()) {
            for (boolean helped : new boolean[] {true, false}) {
                String procedure = of(lesson, helped).get(0).procedure();
                double measured = report.stream()
                        .filter(line -> line.startsWith('"' + procedure + "\",mean_points,"))
                        .mapToDouble(line -> Double.parseDouble(line.substring(line.lastIndexOf(',') + 1)))
                        .findFirst()
                        .orElseThrow();
                int said = helped ? lesson.pointsHelped() : lesson.pointsAlone();
                assertEquals(said, measured, 0.5, procedure);
                assertEquals(points(of(lesson, helped)), measured, 25, procedure);
            }
        }
    }

    @Test
    public void theSameSeedPlaysTheSame() {
        assertEquals(
                LessonCampaign.csv(LessonCampaign.run(FEW, 4711)), LessonCampaign.csv(LessonCampaign.run(FEW, 4711)));
    }
}
