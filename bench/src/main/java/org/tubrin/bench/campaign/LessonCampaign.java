package org.tubrin.bench.campaign;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.tubrin.core.practice.Act;
import org.tubrin.core.practice.Cost;
import org.tubrin.core.practice.Debrief;
import org.tubrin.core.practice.Exercise;
import org.tubrin.core.practice.Lesson;
import org.tubrin.core.practice.Panel;
import org.tubrin.core.practice.TrainingAmplifier;
import org.tubrin.core.run.Check;
import org.tubrin.core.station.PowerStep;

/** Plays every lesson by a person who follows the next move, and by one who is told nothing; arguments: a folder, cases a lesson, the seed. */
public final class LessonCampaign {
    /** How often a person who is told nothing looks at each thing before the first key-down. */
    private static final double LOOKS = 0.7;

    private static final List<Check> LOOKED_AT =
            List.of(Check.BAND_SWITCH, Check.METER_RANGE, Check.METER_ON_CURRENT, Check.PATH_WIRED, Check.OPERATE);
    private static final Exercise.Names NAMES = new Exercise.Names(
            "Skerry Point", "Halyard", "Fathom", "Second", "Panel", "Volts", "Supply", "Ballast", "Yardarm");

    private LessonCampaign() {}

    /** What one exercise came to. */
    record Result(Lesson lesson, boolean helped, Debrief debrief) {
        String procedure() {
            return lesson.name().toLowerCase(Locale.ROOT) + (helped ? ", helped" : ", alone");
        }

        double value(Debrief.Subject subject) {
            return debrief.marks().stream()
                    .filter(mark -> mark.subject() == subject)
                    .mapToDouble(Debrief.Mark::value)
                    .findFirst()
                    .orElseThrow();
        }

        long count(Cost... costs) {
            return debrief.course().moments().stream()
                    .filter(moment -> List.of(costs).contains(moment.cost()))
                    .count();
        }
    }

    public static void main(String[] arguments) throws IOException {
        int cases = Integer.parseInt(arguments[1]);
        int seed = Integer.parseInt(arguments[2]);
        List<Result> results = run(cases, seed);
        Tables.write(
                Path.of(arguments[0]),
                "practice.md",
                markdown(results, cases, seed, Tables.today()),
                "practice.csv",
                csv(results));
    }

    /** Returns what so many exercises of each lesson came to, each with help and without. */
    static List<Result> run(int cases, int seed) {
        return Stream.of(Lesson.values())
                .flatMap(lesson -> IntStream.range(0, cases)
                        .parallel()
                        .mapToObj(number -> both(lesson, (seed + 7919 * number) % 1_000_000))
                        .flatMap(List::stream))
                .toList();
    }

    private static List<Result> both(Lesson lesson, int seed) {
        return List.of(played(lesson, seed, true), played(lesson, seed, false));
    }

    private static Result played(Lesson lesson, int seed, boolean helped) {
        Exercise exercise = new Exercise(
                lesson,
                seed,
                Panel.Kind.SEVERAL,
                new PowerStep(PowerStep.Scale.WATT, 1),
                true,
                helped,
                TrainingAmplifier.record("Brigantine"),
                NAMES,
                Optional.of(Lesson.faults()));
        LessonShack shack = new LessonShack(exercise);
        Random random = new Random(seed);
        if (helped) {
            new Novice(shack, random).run();
        } else {
            for (Check check : lesson.hasAntenna() ? ANTENNA_FIRST : LOOKED_AT) {
                if (random.nextDouble() < LOOKS) {
                    shack.look(check);
                }
            }
            new Plain(shack, lesson.school(), random).run();
        }
        shack.play().does(new Act.Ended());
        return new Result(lesson, helped, Debrief.of(shack.play()));
    }

    private static final List<Check> ANTENNA_FIRST =
            List.of(Check.BAND_SWITCH, Check.BYPASS_LOW_POWER, Check.MATCHED_IN_BYPASS, Check.DRIVE_DOWN_FIRST);

    static double mean(List<Result> results, ToDoubleFunction<Result> figure) {
        return results.stream().mapToDouble(figure).average().orElse(0);
    }

    static String csv(List<Result> results) {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        Tables.byProcedure(results, Result::procedure).forEach((procedure, of) -> {
            Map<String, double[]> metrics = new LinkedHashMap<>();
            metrics.put("points", Tables.sorted(of, result -> result.debrief().points()));
            metrics.put(
                    "mean_points",
                    new double[] {mean(of, result -> result.debrief().points())});
            metrics.put("output_percent", Tables.sorted(of, result -> 100 * result.value(Debrief.Subject.OUTPUT)));
            metrics.put("beyond_s", Tables.sorted(of, result -> result.value(Debrief.Subject.LIMITS)));
            metrics.put("carrier_s", Tables.sorted(of, result -> result.value(Debrief.Subject.CARRIER)));
            metrics.put("hottest_percent", Tables.sorted(of, result -> 100 * result.value(Debrief.Subject.HEAT)));
            figures.put(procedure, metrics);
        });
        return Tables.csv(figures);
    }

    private static final String MEANING = """

            ## What is counted

            - **helped**: a person who does what the next move says, and nothing else, and gives up where nothing comes out after looking
              three times. **alone**: a competent person who climbs as it is usually told (see the campaign of tune-ups), who before the
              first key-down looks at each switch with a chance of 70 %, and at all of them where the meters stand still. Both are the
              same in hand and eye.
            - **points**: of 100, as the debrief gives them. Neither person names what is broken behind the panel, so of lessons with
              faults the points of the diagnosis are lost to both. A plate current that runs away no knob stops: the person alone goes on
              heavier and with less drive as told, where a wiser one would have stopped.
            - **output**: what dials and drive that were left bring within all limits, as a share of the best; **beyond**: seconds with a
              current or the output beyond its limit; **trips, arcs**: of all exercises together.
            """;

    static String markdown(List<Result> results, int cases, int seed, String day) {
        StringBuilder words = new StringBuilder(String.format(
                Locale.ROOT,
                "# Lessons, with help and without\n\n%d exercises a lesson, seed %d, %s. `scripts/campaign practice %d %d` makes it anew.%n%n"
                        + "| lesson | | points, mean | output %% of best (median / p95 worst) | beyond s (median / p95 / most) |"
                        + " carrier s (median) | trips | arcs |%n|---|---|---|---|---|---|---|---|%n",
                cases,
                seed,
                day,
                cases,
                seed));
        Tables.byProcedure(results, Result::procedure).forEach((procedure, of) -> {
            double[] output = Tables.sorted(of, result -> 100 * result.value(Debrief.Subject.OUTPUT));
            String[] named = procedure.split(", ", 2);
            words.append(String.format(
                    Locale.ROOT,
                    "| %s | %s | %.0f | %.0f / %.0f | %s | %.0f | %d | %d |%n",
                    named[0],
                    named[1],
                    mean(of, result -> result.debrief().points()),
                    Tables.at(output, 0.5),
                    Tables.at(output, 0.05),
                    Tables.three(Tables.sorted(of, result -> result.value(Debrief.Subject.LIMITS)), 1),
                    Tables.at(Tables.sorted(of, result -> result.value(Debrief.Subject.CARRIER)), 0.5),
                    of.stream().mapToLong(result -> result.count(Cost.TRIPPED)).sum(),
                    of.stream().mapToLong(result -> result.count(Cost.ARC)).sum()));
        });
        return words + MEANING;
    }
}
