package org.tubrin.bench.campaign.drive;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.tubrin.bench.campaign.Tables;

/** Makes drive tables by the next move and by plain procedures; arguments: a folder, the number of cases, the seed. */
public final class DriveCampaign {
    private static final double WITHIN_PERCENT = 5;
    private static final int WORST = 10;

    private DriveCampaign() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        List<DriveScore> scores = run(cases, seed);
        Tables.write(folder, "drive.md", markdown(scores, cases, seed, Tables.today()), "drive.csv", csv(scores));
    }

    static List<DriveScore> run(int cases, long seed) {
        return IntStream.range(0, cases)
                .parallel()
                .mapToObj(number -> DriveCase.of(number, seed + 7919L * number))
                .flatMap(given -> Stream.of(DriveScore.tubrin(given), DrivePlain.inProportion(given)))
                .toList();
    }

    private static Map<String, List<DriveScore>> byProcedure(List<DriveScore> scores) {
        return Tables.byProcedure(scores, DriveScore::procedure);
    }

    static String csv(List<DriveScore> scores) {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        byProcedure(scores).forEach((procedure, of) -> figures.put(procedure, metrics(of)));
        return Tables.csv(figures);
    }

    private static Map<String, double[]> metrics(List<DriveScore> scores) {
        Map<String, double[]> metrics = new LinkedHashMap<>();
        metrics.put(
                "off_percent",
                scores.stream()
                        .flatMapToDouble(score -> score.offPercent().stream())
                        .sorted()
                        .toArray());
        metrics.put(
                "key_downs",
                scores.stream().mapToDouble(DriveScore::keyDowns).sorted().toArray());
        metrics.put(
                "trips", scores.stream().mapToDouble(DriveScore::trips).sorted().toArray());
        metrics.put(
                "change_trips",
                scores.stream().mapToDouble(DriveScore::changeTrips).sorted().toArray());
        coverage(metrics, "drive_coverage_percent", coverage(scores, DriveCampaign::drives));
        coverage(metrics, "law_coverage_percent", coverage(scores, DriveCampaign::byLaw));
        coverage(metrics, "gain_coverage_percent", coverage(scores, DriveCampaign::gains));
        return metrics;
    }

    private static void coverage(Map<String, double[]> metrics, String name, double percent) {
        if (!Double.isNaN(percent)) {
            metrics.put(name, new double[] {percent});
        }
    }

    /** Returns the share of cases with a drive whose output lies within 5 % of what is wanted, in per cent. */
    static double within(List<DriveScore> scores, String procedure) {
        return 100
                * scores.stream()
                        .filter(score -> score.procedure().equals(procedure))
                        .filter(score -> score.offPercent().isPresent())
                        .mapToInt(score -> score.offPercent().getAsDouble() <= WITHIN_PERCENT ? 1 : 0)
                        .average()
                        .orElse(0);
    }

    /** Returns the share of the stated intervals that hold the truth, in per cent. */
    static double coverage(List<DriveScore> scores, Function<DriveScore, Stream<Boolean>> of) {
        return 100
                * scores.stream()
                        .flatMap(of)
                        .mapToInt(held -> held ? 1 : 0)
                        .average()
                        .orElse(Double.NaN);
    }

    static Stream<Boolean> drives(DriveScore score) {
        return score.driveHeld().filter(any -> !score.byLaw()).stream();
    }

    static Stream<Boolean> byLaw(DriveScore score) {
        return score.driveHeld().filter(any -> score.byLaw()).stream();
    }

    static Stream<Boolean> gains(DriveScore score) {
        return score.gainsHeld().stream();
    }

    private static final String MEANING = """

            ## What is counted

            - **off_percent**: how far the output's meter stands from what is wanted at the drive that came out, where one did.
              The wanted output is 40 to 80 % of the rating.
            - **key_downs**: until that drive was known. **trips**: until then, and at the key-down with it.
            - **change_trips**: trips on the way to another band, by the guard from the table, which knows that band in every second
              case and not what drive is in use in every third; *in proportion* keeps the drive.
            - **drive_coverage_percent**, **law_coverage_percent**, **gain_coverage_percent**: of the 95 % intervals of the drive for
              the wanted output, as the meters show both, where rows lie on either side, and where they do not; and of the gain of
              each row.

            A case: one of two amplifiers on a band of its own, gain 0.5 dB and saturation 4 % off the record, gain sloping within
            the band, an exciter anywhere within its scale's class, meters anywhere within theirs and read to half a hundredth of
            the scale. *In proportion* starts at a quarter of the sheet's drive and goes on by as much as the output is short,
            doubled at most, until the meter shows it within 2 %.
            """;

    private static String markdown(List<DriveScore> scores, int cases, long seed, String date) {
        StringBuilder out = new StringBuilder("# Drive tables\n\n")
                .append(String.format(
                        Locale.ROOT,
                        "%d amplifiers and bands, seed %d, run on %s by `scripts/campaign drive`. Median, 95th percentile, most.\n\n",
                        cases,
                        seed,
                        date))
                .append(
                        "| procedure | off, % | key-downs | trips | trips at a change | within 5 % | refused |\n|-|-|-|-|-|-|-|\n");
        byProcedure(scores).forEach((procedure, of) -> {
            Map<String, double[]> metrics = metrics(of);
            out.append("| ").append(procedure).append(" |");
            for (String metric : List.of("off_percent", "key_downs", "trips", "change_trips")) {
                out.append(' ')
                        .append(Tables.three(metrics.getOrDefault(metric, new double[0]), 1))
                        .append(" |");
            }
            out.append(String.format(
                    Locale.ROOT,
                    " %.1f %% of %d | %d |\n",
                    within(scores, procedure),
                    of.stream().filter(score -> score.offPercent().isPresent()).count(),
                    of.stream().filter(DriveScore::refused).count()));
        });
        out.append(String.format(
                Locale.ROOT,
                "\nThe stated 95 %% intervals hold the truth: drive in %.1f %%, by the law outside the rows in %.1f %%, gain in %.1f %%.\n",
                coverage(scores, DriveCampaign::drives),
                coverage(scores, DriveCampaign::byLaw),
                coverage(scores, DriveCampaign::gains)));
        out.append("\n## The ten that came out furthest off\n\n");
        scores.stream()
                .filter(score -> !score.story().isEmpty())
                .sorted(Comparator.comparingDouble((DriveScore score) ->
                                score.offPercent().orElse(0) + 100.0 * score.trips() + (score.refused() ? 50 : 0))
                        .reversed())
                .limit(WORST)
                .forEach(score -> out.append(String.format(
                        Locale.ROOT,
                        "- %.1f %% off, %d key-downs, %d trips: %s\n",
                        score.offPercent().orElse(0),
                        score.keyDowns(),
                        score.trips(),
                        score.story())));
        return out.append(MEANING).toString();
    }
}
