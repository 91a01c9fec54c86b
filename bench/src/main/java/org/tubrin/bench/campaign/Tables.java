package org.tubrin.bench.campaign;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;

/** How the figures of a campaign are sorted, tabled and written, whatever it plays. */
public final class Tables {
    private Tables() {}

    /** Returns scores by procedure, in the order in which these come first. */
    public static <S> Map<String, List<S>> byProcedure(List<S> scores, Function<S, String> procedure) {
        return scores.stream().collect(Collectors.groupingBy(procedure, LinkedHashMap::new, Collectors.toList()));
    }

    /** Returns the table {@code procedure,metric,median,p95,max} of sorted figures; what is one figure is so in all three. */
    public static String csv(Map<String, Map<String, double[]>> byProcedure) {
        StringBuilder csv = new StringBuilder("procedure,metric,median,p95,max\n");
        byProcedure.forEach((procedure, metrics) ->
                metrics.forEach((metric, sorted) -> csv.append(CSVFormat.RFC4180.format(
                                procedure,
                                metric,
                                plain(at(sorted, 0.5)),
                                plain(at(sorted, 0.95)),
                                plain(at(sorted, 1))))
                        .append('\n')));
        return csv.toString();
    }

    private static String plain(double figure) {
        return String.format(Locale.ROOT, "%.2f", figure);
    }

    /** Returns a figure of each score, the least first. */
    public static <S> double[] sorted(List<S> scores, ToDoubleFunction<S> figure) {
        return scores.stream().mapToDouble(figure).sorted().toArray();
    }

    /** Returns the figure at a share of the sorted ones, between its neighbours; 0 where there are none. */
    public static double at(double[] sorted, double share) {
        if (sorted.length == 0) {
            return 0;
        }
        double place = share * (sorted.length - 1);
        int low = (int) Math.floor(place);
        int high = Math.min(sorted.length - 1, low + 1);
        return sorted[low] + (place - low) * (sorted[high] - sorted[low]);
    }

    /** Returns median, 95th percentile and most, with so many decimals. */
    public static String three(double[] sorted, int places) {
        String one = "%." + places + "f";
        return String.format(
                Locale.ROOT, one + " / " + one + " / " + one, at(sorted, 0.5), at(sorted, 0.95), at(sorted, 1));
    }

    /** Returns the day of a report. */
    public static String today() {
        return LocalDate.now(ZoneOffset.UTC).toString();
    }

    /** Writes a report and its table into a folder, and says the report. */
    public static void write(Path folder, String report, String words, String table, String csv) throws IOException {
        Files.createDirectories(folder);
        Files.writeString(folder.resolve(report), words);
        Files.writeString(folder.resolve(table), csv);
        new PrintStream(System.out, true, StandardCharsets.UTF_8).println(words);
    }
}
