package org.tubrin.bench.campaign.kinds;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import org.tubrin.bench.campaign.Tables;

/** Plays a kind of run by the next move and by a plain procedure; arguments: the kind, a folder, the number of cases, the seed. */
public final class KindCampaign {
    private static final int WORST = 10;
    private static final List<Kind> KINDS =
            List.of(new MatcherKind(), new ChainKind(), new SupplyKind(), new ResonanceKind(), new ScopeKind());

    private KindCampaign() {}

    public static void main(String[] arguments) throws IOException {
        Kind kind = of(arguments[0]);
        int cases = Integer.parseInt(arguments[2]);
        long seed = Long.parseLong(arguments[3]);
        List<Played> played = run(kind, cases, seed);
        Tables.write(
                Path.of(arguments[1]),
                kind.name() + ".md",
                markdown(kind, played, cases, seed),
                kind.name() + ".csv",
                csv(kind, played));
    }

    static Kind of(String name) {
        return KINDS.stream()
                .filter(kind -> kind.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no kind " + name));
    }

    static List<Played> run(Kind kind, int cases, long seed) {
        return IntStream.range(0, cases)
                .parallel()
                .boxed()
                .flatMap(number -> kind.play(number, seed + 7919L * number))
                .toList();
    }

    /** Returns the figures of a metric by one procedure, sorted; a share as one figure in per cent. */
    static double[] figures(Kind.Metric metric, List<Played> played, String procedure) {
        double[] values = played.stream()
                .filter(one ->
                        one.procedure().equals(procedure) && one.figures().containsKey(metric.name()))
                .mapToDouble(one -> one.figures().getOrDefault(metric.name(), 0.0))
                .sorted()
                .toArray();
        return metric.share() && values.length > 0
                ? new double[] {100 * Arrays.stream(values).average().orElseThrow()}
                : values;
    }

    private static List<String> procedures(List<Played> played) {
        return List.copyOf(Tables.byProcedure(played, Played::procedure).keySet());
    }

    static String csv(Kind kind, List<Played> played) {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        for (String procedure : procedures(played)) {
            Map<String, double[]> of = new LinkedHashMap<>();
            for (Kind.Metric metric : kind.metrics()) {
                double[] values = figures(metric, played, procedure);
                if (values.length > 0) {
                    of.put(csvName(metric), values);
                }
            }
            figures.put(procedure, of);
        }
        return Tables.csv(figures);
    }

    private static String csvName(Kind.Metric metric) {
        return metric.share() ? metric.name() + "_percent" : metric.name();
    }

    private static String markdown(Kind kind, List<Played> played, int cases, long seed) {
        List<String> procedures = procedures(played);
        StringBuilder out = new StringBuilder(String.format(
                Locale.ROOT,
                "# %s\n\n%d cases, seed %d, run on %s by `scripts/campaign %s`. Median, 95th percentile, most; shares of all"
                        + " cases that say anything of it.\n\n| | %s |\n|-|%s\n",
                kind.title(),
                cases,
                seed,
                Tables.today(),
                kind.name(),
                String.join(" | ", procedures),
                "-|".repeat(procedures.size())));
        for (Kind.Metric metric : kind.metrics()) {
            out.append("| ").append(metric.name()).append(" |");
            procedures.forEach(procedure -> out.append(' ')
                    .append(cell(metric, figures(metric, played, procedure)))
                    .append(" |"));
            out.append('\n');
        }
        out.append("\n## The ten that came out worst\n\n");
        played.stream()
                .filter(one -> one.procedure().equals(Kind.TUBRIN))
                .sorted(Comparator.comparingDouble(Played::badness).reversed())
                .limit(WORST)
                .forEach(one -> out.append("- ").append(one.story()).append('\n'));
        out.append("\n## What is counted\n\n");
        kind.metrics()
                .forEach(metric -> out.append("- **")
                        .append(metric.name())
                        .append("**: ")
                        .append(metric.words())
                        .append(".\n"));
        return out.append('\n').append(kind.cases()).toString();
    }

    private static String cell(Kind.Metric metric, double[] values) {
        if (values.length == 0) {
            return "–";
        }
        return metric.share() ? String.format(Locale.ROOT, "%.1f %%", values[0]) : Tables.three(values, 2);
    }
}
