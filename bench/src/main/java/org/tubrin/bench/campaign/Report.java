package org.tubrin.bench.campaign;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToDoubleFunction;

/** What a campaign came to, as Markdown and as a table. */
final class Report {
    private static final int WORST = 10;

    private final Map<String, List<Score>> byProcedure = new LinkedHashMap<>();

    Report(List<Score> scores) {
        for (Score score : scores) {
            byProcedure
                    .computeIfAbsent(score.procedure(), name -> new ArrayList<>())
                    .add(score);
        }
    }

    /** A figure of a score. */
    record Metric(String name, String unit, ToDoubleFunction<Score> of) {
        /** Returns it of many scores, sorted. */
        double[] sorted(List<Score> scores) {
            return scores.stream().mapToDouble(of).sorted().toArray();
        }
    }

    static final List<Metric> METRICS = List.of(
            new Metric("output_shortfall_percent", "%", Score::shortfallPercent),
            new Metric("key_downs", "", Score::keyDowns),
            new Metric("carrier_s", "s", Score::carrierS),
            new Metric("beyond_limit_s", "s", Score::beyondS),
            new Metric("peak_heat_percent", "%", Score::heatPercent),
            new Metric("imd3_db", "dB", score -> score.thirdDb().orElse(0)));

    /** Returns the table {@code procedure,metric,median,p95,max}; coverage has its one figure in all three. */
    String csv() {
        Map<String, Map<String, double[]>> figures = new LinkedHashMap<>();
        told().forEach((procedure, scores) -> {
            Map<String, double[]> metrics = new LinkedHashMap<>();
            METRICS.forEach(metric -> metrics.put(metric.name(), metric.sorted(scores)));
            double covered = coverage(scores);
            if (!Double.isNaN(covered)) {
                metrics.put("coverage_percent", new double[] {covered});
            }
            figures.put(procedure, metrics);
        });
        return Tables.csv(figures);
    }

    private static final double LEAST_WORSE = 0.05;

    private static final String PROCEDURES = """

            `tubrin` is the school that the start page suggests for the amplifier, the band and its meters, with the next move
            followed; the others are the schools told plainly, to a competent person who

            - goes up a ladder of the school's own, peaks PLATE and where the school says so LOAD at each drive, no longer than 10 s,
            - looks at all meters before a knob is turned: with a current beyond its limit LOAD goes heavier at once, for 2 s at most, and
              where that does not help the key comes up,
            - turns no knob on while a meter stands at its limit, as the meter shows it,
            - comes to each peak from the side it was found from, from as far behind it as the knob has play,
            - after a limit passed couples half a mark heavier, then takes 15 % of the drive off, in turn, six times at most, and goes no
              higher; with the licence passed it is less drive alone,
            - peaks once more where the output with the hands off is a tenth below the best seen,
            - takes the resting current off what a meter shows of pulses before it is divided by their share of the time,
            - and calculates neither heat, nor what a meter leaves open, nor what the next step will bring.

            A school that does not suit a tube is not played.
            """;

    private static final String EACH_SCHOOL = """

            ## Each school with its next move followed

            The same amplifiers and the same person, by a school of choice, doing what the next move says. Below it, where that
            was not as good as the same school told plainly: a school that leaves output on the table has cleaner products.

            """;

    private static final String WITHOUT_TWIN = """

            ## By the chart alone

            The same again where nobody has a twin of the amplifier: the maker's chart, the meters, and the stops that each
            key-down carries.

            """;

    private static final String MEANING = """

            ## What is counted

            - **output_shortfall_percent**: of the output that the dials left allow, below the best that any dials and drive
              allow; 5 % of room to each current and to the licence, heat held to its rating.
            - **key_downs**, **carrier_s**: of the whole tune-up; pulses count by their duty factor.
            - **beyond_limit_s**: seconds in which a current or the output really was beyond its limit, seen or not.
            - **peak_heat_percent**: how hot the plates got, of what their rated dissipation makes them, first order with 25 s.
            - **imd3_db**: third order at speech drive with the dials left, below one of two tones.
            - **coverage_percent**: of the 95 % intervals of efficiency, heat and gain at the last step, as the screen states them.

            A case: one to three triodes or a tetrode, tank Q and supply stiffness at random; tubes, line and drive a few per cent
            off the record, dials up to 0.15 and 0.3 of a mark; a band, a frequency in it, a dummy load of 48 to 55 ohm or an
            antenna up to 2:1, every second one with its impedance measured to 3 %; meters anywhere within their class. The
            person turns a knob every 0.12 s, reads a meter in 0.35 s, overshoots 3 % of the peaks, and reads 1.5 % of the meters wrong by a division. Plain schools are told as usual, with
            the limits minded as the meters show them.
            """;

    /** Returns the report in words and tables. */
    String markdown(int cases, long seed, String date) {
        StringBuilder out = new StringBuilder();
        out.append("# The campaign\n\n")
                .append(String.format(
                        Locale.ROOT,
                        "%d simulated tune-ups, seed %d, run on %s by `scripts/campaign`. Median and 95th percentile.\n\n",
                        cases,
                        seed,
                        date));
        Map<String, List<Score>> first = told();
        first.keySet().removeAll(startingWith(Campaign.BY_CHART).keySet());
        table(out, first);
        out.append(PROCEDURES).append(EACH_SCHOOL);
        table(out, startingWith(Campaign.FOLLOWED));
        out.append('\n');
        startingWith(Campaign.FOLLOWED)
                .keySet()
                .forEach(followed -> out.append(compared(followed.substring(Campaign.FOLLOWED.length()))));
        out.append(WITHOUT_TWIN);
        table(out, startingWith(Campaign.BY_CHART));
        out.append('\n');
        startingWith(Campaign.BY_CHART)
                .forEach((procedure, scores) -> out.append(String.format(
                        Locale.ROOT,
                        "- %s: beyond a limit for more than 1 s in %d of %d.\n",
                        procedure.substring(Campaign.BY_CHART.length()),
                        scores.stream().filter(score -> score.beyondS() > 1).count(),
                        scores.size())));
        List<Score> followed = byProcedure.getOrDefault("tubrin", List.of());
        long beyond = followed.stream().filter(score -> score.beyondS() > 1).count();
        out.append(String.format(
                Locale.ROOT,
                """

                The stated 95 %% intervals hold the truth in %.1f %% of the cases: efficiency %.1f, heat %.1f, gain %.1f %%.
                Beyond a limit for more than 1 s: %d of %d cases that follow Tubrin.
                """,
                coverage(followed),
                coverage(followed, 0),
                coverage(followed, 1),
                coverage(followed, 2),
                beyond,
                followed.size()));
        out.append("\n## The ten that fell short most\n\n");
        followed.stream()
                .sorted(Comparator.comparingDouble(Score::shortfallPercent).reversed())
                .limit(WORST)
                .forEach(score -> out.append(String.format(
                        Locale.ROOT,
                        "- case %d: %.1f %% short, %d key-downs, %.1f s beyond. %s\n",
                        score.number(),
                        score.shortfallPercent(),
                        score.keyDowns(),
                        score.beyondS(),
                        score.story())));
        out.append("\n## The five longest beyond a limit\n\n");
        followed.stream()
                .sorted(Comparator.comparingDouble(Score::beyondS).reversed())
                .limit(WORST / 2)
                .forEach(score -> out.append(String.format(
                        Locale.ROOT, "- case %d: %.1f s. %s\n", score.number(), score.beyondS(), score.story())));
        return out.append(MEANING).toString();
    }

    /** What the table of figures holds: the next move followed as it is given, and each plain school. */
    private Map<String, List<Score>> told() {
        Map<String, List<Score>> told = new LinkedHashMap<>(byProcedure);
        told.keySet().removeIf(procedure -> procedure.startsWith(Campaign.FOLLOWED));
        return told;
    }

    private Map<String, List<Score>> startingWith(String start) {
        Map<String, List<Score>> some = new LinkedHashMap<>(byProcedure);
        some.keySet().removeIf(procedure -> !procedure.startsWith(start));
        return some;
    }

    private static void table(StringBuilder out, Map<String, List<Score>> of) {
        out.append("| procedure |");
        METRICS.forEach(metric -> out.append(' ').append(metric.name()).append(" |"));
        out.append("\n|-|").append("-|".repeat(METRICS.size())).append('\n');
        of.forEach((procedure, scores) -> {
            out.append("| ").append(procedure).append(" |");
            for (Metric metric : METRICS) {
                double[] sorted = metric.sorted(scores);
                out.append(
                        String.format(Locale.ROOT, " %.1f / %.1f |", Tables.at(sorted, 0.5), Tables.at(sorted, 0.95)));
            }
            out.append('\n');
        });
    }

    /** Says of a school in which figures following the next move was not as good as the school told plainly. */
    private String compared(String school) {
        List<String> worse = new ArrayList<>();
        for (Metric metric : METRICS) {
            double[] plain = metric.sorted(byProcedure.getOrDefault(school, List.of()));
            double[] followed = metric.sorted(byProcedure.getOrDefault(Campaign.FOLLOWED + school, List.of()));
            for (double share : new double[] {0.5, 0.95}) {
                if (Tables.at(followed, share) > Tables.at(plain, share) + LEAST_WORSE) {
                    worse.add(String.format(
                            Locale.ROOT,
                            "%s %s %.1f, plain %.1f",
                            metric.name(),
                            share < 0.9 ? "median" : "p95",
                            Tables.at(followed, share),
                            Tables.at(plain, share)));
                }
            }
        }
        return "- " + school + ": "
                + (worse.isEmpty()
                        ? "as good or better in every figure."
                        : "as good or better but for " + String.join("; ", worse) + ".")
                + "\n";
    }

    /** Returns how many of the stated intervals hold the truth, in percent; no number where none was stated. */
    static double coverage(List<Score> scores) {
        return 100
                * scores.stream()
                        .flatMap(score -> score.covered().stream())
                        .mapToInt(held -> held ? 1 : 0)
                        .average()
                        .orElse(Double.NaN);
    }

    private static double coverage(List<Score> scores, int which) {
        return 100
                * scores.stream()
                        .filter(score -> score.covered().size() > which)
                        .mapToInt(score -> score.covered().get(which) ? 1 : 0)
                        .average()
                        .orElse(Double.NaN);
    }
}
