package org.tubrin.bench.campaign.bias;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.tubrin.bench.campaign.Tables;
import org.tubrin.core.bias.BiasPlan;

/** Sets idle currents by the next move and by a plain procedure; arguments: a folder, the number of cases, the seed. */
public final class BiasCampaign {
    private static final double WITHIN_PERCENT = 100 * BiasPlan.TOLERANCE;
    private static final int WORST = 10;

    private BiasCampaign() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        List<BiasScore> scores = run(cases, seed);
        Tables.write(folder, "bias.md", markdown(scores, cases, seed, Tables.today()), "bias.csv", csv(scores));
    }

    static List<BiasScore> run(int cases, long seed) {
        return IntStream.range(0, cases)
                .parallel()
                .mapToObj(number -> BiasCase.of(number, seed + 7919L * number))
                .flatMap(given -> Stream.of(BiasScore.tubrin(given), BiasScore.plain(given)))
                .toList();
    }

    static List<BiasScore> of(List<BiasScore> scores, String procedure) {
        return Tables.byProcedure(scores, BiasScore::procedure).getOrDefault(procedure, List.of());
    }

    /** Returns the share of climbs whose every device came out within what it may be off, in per cent. */
    static double withinPercent(List<BiasScore> scores) {
        return 100.0
                * scores.stream()
                        .filter(score -> score.offPercent().orElse(Double.MAX_VALUE) <= WITHIN_PERCENT)
                        .count()
                / scores.size();
    }

    /** Returns the share of the stated 95 % intervals that hold the truth, in per cent. */
    static double heldPercent(List<BiasScore> scores) {
        return 100.0
                * scores.stream().mapToInt(BiasScore::held).sum()
                / scores.stream().mapToInt(BiasScore::stated).sum();
    }

    static int lost(List<BiasScore> scores) {
        return scores.stream().mapToInt(BiasScore::lost).sum();
    }

    private static Map<String, double[]> metrics(List<BiasScore> scores) {
        Map<String, double[]> metrics = new LinkedHashMap<>();
        metrics.put(
                "off_percent",
                scores.stream()
                        .flatMapToDouble(score -> score.offPercent().stream())
                        .sorted()
                        .toArray());
        metrics.put("readings_per_device", Tables.sorted(scores, score -> (double) score.readings() / score.devices()));
        metrics.put("minutes", Tables.sorted(scores, BiasScore::minutes));
        metrics.put("devices_lost", Tables.sorted(scores, score -> (double) score.lost()));
        if (scores.stream().anyMatch(score -> score.stated() > 0)) {
            metrics.put("current_coverage_percent", new double[] {heldPercent(scores)});
        }
        return metrics;
    }

    static String csv(List<BiasScore> scores) {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        Tables.byProcedure(scores, BiasScore::procedure)
                .forEach((procedure, of) -> figures.put(procedure, metrics(of)));
        return Tables.csv(figures);
    }

    private static final String MEANING = """

            ## What is counted

            - **off_percent**: how far the device that is furthest off stands from the wanted current, ten minutes after all is set
              and untouched. **within 2 %**: climbs in which every device is.
            - **devices_lost**: dies that came above 200 °C.
            - **current_coverage_percent**: of the 95 % intervals of each device's current.

            A case: two or four transistors, thresholds up to 0.3 V and slopes up to 5 % apart, die and mount 0.9 K/W and up to
            15 % apart, a sink with or without its fan; one case in ten has a device that is badly mounted (6 K/W) and runs
            away, one in five has pots of three quarters of a turn. Two in three are read over a resistor known to 0.5 %, the
            others by an ammeter in each feed; the meter is within 0.5 %, to 1 or 0.1 mV (0.1 mA). A hand places a pot within
            0.5°. Who is told that a pot is too coarse fits ten turns, who is told that a device runs away mounts it anew, and
            begins again. *By the plan* has ten turns and the measured resistor from the start, turns one device after the
            other to its planned target, waits ten seconds and sets it once more; after ten minutes it takes off all alike
            what is too much of all, or sets each by its ammeter. Who sees half as much again turns it down and mounts it
            anew.
            """;

    private static String markdown(List<BiasScore> scores, int cases, long seed, String date) {
        StringBuilder out = new StringBuilder("# Idle currents\n\n")
                .append(String.format(
                        Locale.ROOT,
                        "%d boards, seed %d, run on %s by `scripts/campaign bias`. Median, 95th percentile, most.\n\n",
                        cases,
                        seed,
                        date))
                .append(
                        "| procedure | off, % | within 2 % | devices lost | begun anew | readings a device | minutes |\n|-|-|-|-|-|-|-|\n");
        Tables.byProcedure(scores, BiasScore::procedure)
                .forEach((procedure, of) -> out.append(String.format(
                        Locale.ROOT,
                        "| %s | %s | %.1f %% | %d | %d | %s | %s |\n",
                        procedure,
                        Tables.three(metrics(of).getOrDefault("off_percent", new double[0]), 1),
                        withinPercent(of),
                        lost(of),
                        of.stream().mapToInt(BiasScore::again).sum(),
                        Tables.three(metrics(of).getOrDefault("readings_per_device", new double[0]), 1),
                        Tables.three(metrics(of).getOrDefault("minutes", new double[0]), 1))));
        List<BiasScore> ours = of(scores, "tubrin");
        out.append(String.format(
                Locale.ROOT,
                "\nThe stated 95 %% interval of a device's current holds the truth in %.1f %%.\n",
                heldPercent(ours)));
        out.append("\n## The ten that came out furthest off\n\n");
        ours.stream()
                .sorted(Comparator.comparingDouble(
                                (BiasScore score) -> score.offPercent().orElse(1000) + 1000.0 * score.lost())
                        .reversed())
                .limit(WORST)
                .forEach(score -> out.append("- ").append(score.story()).append('\n'));
        return out.append(MEANING).toString();
    }
}
