package org.tubrin.bench.campaign.faults;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.tubrin.bench.campaign.Tables;
import org.tubrin.core.faults.Cause;
import org.tubrin.core.faults.FaultCheck;

/** Finds hidden faults by the next check and by a fixed list; arguments: a folder, the number of cases, the seed. */
public final class FaultCampaign {
    private static final int WORST = 10;

    private FaultCampaign() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        List<FaultScore> scores = run(cases, seed);
        Tables.write(folder, "faults.md", markdown(scores, cases, seed, Tables.today()), "faults.csv", csv(scores));
    }

    static List<FaultScore> run(int cases, long seed) {
        return LongStream.range(0, cases)
                .parallel()
                .boxed()
                .flatMap(number -> FaultScore.both(seed + 7919L * number))
                .toList();
    }

    static List<FaultScore> of(List<FaultScore> scores, String procedure) {
        return Tables.byProcedure(scores, FaultScore::procedure).getOrDefault(procedure, List.of());
    }

    static double percent(List<FaultScore> scores, Predicate<FaultScore> what) {
        return 100.0 * scores.stream().filter(what).count() / Math.max(1, scores.size());
    }

    static double mean(List<FaultScore> scores, ToDoubleFunction<FaultScore> what) {
        return scores.stream().mapToDouble(what).average().orElse(0);
    }

    static String csv(List<FaultScore> scores) {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        Tables.byProcedure(scores, FaultScore::procedure).forEach((procedure, of) -> {
            Map<String, double[]> metrics = new LinkedHashMap<>();
            metrics.put("checks", Tables.sorted(of, FaultScore::checks));
            metrics.put("mean_checks", new double[] {mean(of, FaultScore::checks)});
            metrics.put("minutes", Tables.sorted(of, FaultScore::minutes));
            metrics.put("inside", Tables.sorted(of, FaultScore::inside));
            metrics.put("fixed_in_vain", Tables.sorted(of, FaultScore::vain));
            metrics.put("named_by_two_percent", new double[] {percent(of, FaultScore::namedByTwo)});
            metrics.put("asked_by_two_percent", new double[] {percent(of, FaultScore::askedByTwo)});
            metrics.put("found_percent", new double[] {percent(of, FaultScore::found)});
            figures.put(procedure, metrics);
        });
        return Tables.csv(figures);
    }

    private static final String MEANING = """

            ## What is counted

            - **named by two**: faults of which a cause that was there was the most probable one after at most two checks; of the
              list, those that were found by then.
            - **asked by two**: faults of which one of the first two checks bears on a cause that was there.
            - **checks**: those made until the symptom was gone, looks and swaps alike. What is asked from memory when a case is
              opened is none of them, but its time counts; the list asks nothing. **inside**: those for which the amplifier is opened. **in vain**: causes put right that were not there.
            - **found**: the symptom was gone after 40 checks at most; the list is gone through three times.
            - **stated**: how probable the cause was said to be that was put right first, on average, beside how often it was there.

            A station: six in ten have tubes, one in ten has two faults at once, three in twenty one that comes and goes and shows
            at 35 to 75 % of the looks. How often each cause is met, how it shows and what each check shows of it is not what
            the table says: each count is off by a factor, each share in its odds, both with a standard deviation of 0.7 in the
            logarithm. In 3 % of the answers somebody looked wrongly; one question in seven is not remembered; three in ten have a
            second amplifier to put in the place of the first. Whatever is put right stays right.
            *By the next check* only does what is said. *A fixed list* has all checks that bear on the symptom, those that find
            most for their minutes and danger first, in the same table's estimate, and puts right what a yes points at. Neither has records of runs.
            """;

    private static String markdown(List<FaultScore> scores, int cases, long seed, String date) {
        StringBuilder out = new StringBuilder("# Hidden faults\n\n")
                .append(String.format(
                        Locale.ROOT,
                        "%d stations, seed %d, run on %s by `scripts/campaign faults`. Median, 95th percentile, most.\n\n",
                        cases,
                        seed,
                        date))
                .append(
                        "| procedure | faults | | named by two | asked by two | checks | mean | minutes | inside, mean | in vain, mean | found |\n|-|-|-|-|-|-|-|-|-|-|-|\n");
        Tables.byProcedure(scores, FaultScore::procedure).forEach((procedure, all) -> {
            out.append(row(procedure, "all", all));
            Tables.byProcedure(all, FaultScore::kind).entrySet().stream()
                    .sorted(Map.Entry.comparingByKey(Comparator.reverseOrder()))
                    .forEach(entry -> out.append(row(procedure, entry.getKey(), entry.getValue())));
        });
        List<FaultScore> ours = of(scores, "tubrin");
        out.append(String.format(
                Locale.ROOT,
                "\nWhat was put right first was said to be there at %.1f %% on average, and was in %.1f %%.\n",
                100 * mean(ours, score -> score.stated().orElse(0.0)),
                percent(ours, FaultScore::firstRight)));
        out.append(String.format(
                Locale.ROOT,
                "Checks are %.0f %% of the list's on average.\n",
                100 * mean(ours, FaultScore::checks) / mean(of(scores, "fixed list"), FaultScore::checks)));
        out.append("\n## The ten that took most checks\n\n");
        ours.stream()
                .sorted(Comparator.comparingInt((FaultScore score) -> -score.checks()))
                .limit(WORST)
                .forEach(score -> out.append("- ").append(score.story()).append('\n'));
        return out.append(MEANING).append(table()).toString();
    }

    /** Returns the table that all this rests on. */
    private static String table() {
        StringBuilder out = new StringBuilder("\n## The table\n\n")
                .append(
                        "All of it is the house's estimate; nobody has counted. An operator's own closed cases are added to the counts.\n\n")
                .append("| cause | count | is complained of as |\n|-|-|-|\n");
        for (Cause cause : Cause.values()) {
            out.append(
                    String.format(Locale.ROOT, "| %s | %.0f | %s |\n", cause, cause.count(), shares(cause.shares())));
        }
        out.append("\n| check | kind | min | danger | yes with |\n|-|-|-|-|-|\n");
        for (FaultCheck check : FaultCheck.values()) {
            out.append(String.format(
                    Locale.ROOT,
                    "| %s | %s | %.1f | %s | %s |\n",
                    check,
                    check.kind(),
                    check.minutes(),
                    check.care(),
                    shares(check.shares())));
        }
        return out.toString();
    }

    private static String shares(Map<?, Double> shares) {
        return shares.entrySet().stream()
                .map(share -> share.getKey() + " " + share.getValue())
                .collect(Collectors.joining(", "));
    }

    private static String row(String procedure, String kind, List<FaultScore> of) {
        return String.format(
                Locale.ROOT,
                "| %s | %s | %d | %.1f %% | %.1f %% | %s | %.1f | %s | %.2f | %.2f | %.1f %% |\n",
                procedure,
                kind,
                of.size(),
                percent(of, FaultScore::namedByTwo),
                percent(of, FaultScore::askedByTwo),
                Tables.three(Tables.sorted(of, FaultScore::checks), 0),
                mean(of, FaultScore::checks),
                Tables.three(Tables.sorted(of, FaultScore::minutes), 0),
                mean(of, FaultScore::inside),
                mean(of, FaultScore::vain),
                percent(of, FaultScore::found));
    }
}
