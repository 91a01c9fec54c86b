package org.tubrin.bench.campaign.alc;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.tubrin.bench.campaign.Tables;
import org.tubrin.core.alc.LevelLaw.Shows;

/** Tries levels by the next move and by a plain procedure; arguments: a folder, the number of cases, the seed. */
public final class AlcCampaign {
    private static final double NEAR_DB = 1;
    private static final int WORST = 10;

    private AlcCampaign() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        List<AlcScore> scores = run(cases, seed);
        Tables.write(folder, "alc.md", markdown(scores, cases, seed, Tables.today()), "alc.csv", csv(scores));
    }

    static List<AlcScore> run(int cases, long seed) {
        return IntStream.range(0, cases)
                .parallel()
                .mapToObj(number -> AlcCase.of(number, seed + 7919L * number))
                .flatMap(given -> Stream.of(AlcScore.tubrin(given), AlcScore.plain(given)))
                .toList();
    }

    private static Map<String, List<AlcScore>> byProcedure(List<AlcScore> scores) {
        return Tables.byProcedure(scores, AlcScore::procedure);
    }

    static List<AlcScore> of(List<AlcScore> scores, String procedure) {
        return byProcedure(scores).getOrDefault(procedure, List.of());
    }

    /** Returns the share of scores that something is true of, in per cent. */
    static double percent(List<AlcScore> scores, Predicate<AlcScore> what) {
        return 100
                * scores.stream()
                        .mapToInt(score -> what.test(score) ? 1 : 0)
                        .average()
                        .orElse(Double.NaN);
    }

    static boolean isNear(AlcScore score) {
        return score.offDb().orElse(Double.MAX_VALUE) <= NEAR_DB;
    }

    static boolean isBeyond(AlcScore score) {
        return score.highDb().orElse(0) > 0;
    }

    static boolean isHeld(AlcScore score) {
        return score.kneeHeld().orElse(false);
    }

    static boolean knowsGauge(AlcScore score) {
        return score.gaugeKnown().orElse(false);
    }

    private static Map<String, double[]> metrics(List<AlcScore> scores) {
        Map<String, double[]> metrics = new LinkedHashMap<>();
        metrics.put(
                "off_db",
                scores.stream()
                        .flatMapToDouble(score -> score.offDb().stream())
                        .sorted()
                        .toArray());
        metrics.put(
                "set_above_knee_db",
                scores.stream()
                        .flatMapToDouble(score -> score.highDb().stream())
                        .sorted()
                        .toArray());
        metrics.put(
                "key_downs",
                scores.stream().mapToDouble(AlcScore::keyDowns).sorted().toArray());
        List<AlcScore> stated =
                scores.stream().filter(score -> score.kneeHeld().isPresent()).toList();
        if (!stated.isEmpty()) {
            metrics.put("knee_coverage_percent", new double[] {percent(stated, AlcCampaign::isHeld)});
            metrics.put("gauge_known_percent", new double[] {percent(scores, AlcCampaign::knowsGauge)});
        }
        return metrics;
    }

    static String csv(List<AlcScore> scores) {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        byProcedure(scores).forEach((procedure, of) -> figures.put(procedure, metrics(of)));
        return Tables.csv(figures);
    }

    private static final String MEANING = """

            ## What is counted

            - **off_db**: how far the level that is taken for the knee lies from where the level control begins to act, at the set
              power and the middle tone. **no knee**: none was said.
            - **set_above_knee_db**: how far the highest level to set lies above the lowest knee of both powers and the three tones;
              below 0 it lies under it. **beyond**: cases above 0.
            - **knee_coverage_percent**: of the 95 % intervals of the knee. **gauge_known_percent**: gauges taken for what they are.

            A case: an exciter whose level control begins to act anywhere between 42 and 70 % of the slider's way, up to 5 %
            elsewhere with the set power, a passband with up to 1.5 dB of ripple, an output up to 10 % off what is set, one of three
            gauges, which lags by up to two marks on the way down; a wattmeter with a scale (5 % of full scale: half of it in its
            slope, a quarter at its zero, read to half a hundredth) or with digits (3 %, to 0.01 W). *Until it grows no more* tries
            the set power and one tone: up by a twentieth of the slider's way until a step brings less than half of what it
            should and half of the set power is there, then a tenth below the step before.
            """;

    private static String markdown(List<AlcScore> scores, int cases, long seed, String date) {
        StringBuilder out = new StringBuilder("# Levels into an exciter\n\n")
                .append(String.format(
                        Locale.ROOT,
                        "%d exciters, seed %d, run on %s by `scripts/campaign alc`. Median, 95th percentile, most.\n\n",
                        cases,
                        seed,
                        date))
                .append(
                        "| procedure | off, dB | within 1 dB | no knee | set above the knee, dB | beyond | key-downs |\n|-|-|-|-|-|-|-|\n");
        byProcedure(scores).forEach((procedure, of) -> {
            Map<String, double[]> metrics = metrics(of);
            out.append(String.format(
                    Locale.ROOT,
                    "| %s | %s | %.1f %% | %d | %s | %d | %s |\n",
                    procedure,
                    Tables.three(metrics.getOrDefault("off_db", new double[0]), 2),
                    percent(of, AlcCampaign::isNear),
                    of.stream().filter(score -> score.offDb().isEmpty()).count(),
                    Tables.three(metrics.getOrDefault("set_above_knee_db", new double[0]), 2),
                    of.stream().filter(AlcCampaign::isBeyond).count(),
                    Tables.three(metrics.getOrDefault("key_downs", new double[0]), 0)));
        });
        List<AlcScore> ours = of(scores, "tubrin");
        out.append(String.format(
                Locale.ROOT,
                "\nThe stated 95 %% interval of the knee holds the truth in %.1f %%.\n\n| gauge | cases | within 1 dB | taken for what it is |\n|-|-|-|-|\n",
                percent(
                        ours.stream()
                                .filter(score -> score.kneeHeld().isPresent())
                                .toList(),
                        AlcCampaign::isHeld)));
        for (Shows kind : Shows.values()) {
            List<AlcScore> of =
                    ours.stream().filter(score -> score.gauge() == kind).toList();
            out.append(String.format(
                    Locale.ROOT,
                    "| %s | %d | %.1f %% | %.1f %% |\n",
                    kind.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                    of.size(),
                    percent(of, AlcCampaign::isNear),
                    percent(of, AlcCampaign::knowsGauge)));
        }
        out.append("\n## The ten that came out furthest off\n\n");
        ours.stream()
                .sorted(Comparator.comparingDouble(
                                (AlcScore score) -> score.offDb().orElse(20)
                                        + 10 * Math.max(0, score.highDb().orElse(0)))
                        .reversed())
                .limit(WORST)
                .forEach(score -> out.append("- ").append(score.story()).append('\n'));
        return out.append(MEANING).toString();
    }
}
