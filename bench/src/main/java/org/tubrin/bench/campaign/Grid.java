package org.tubrin.bench.campaign;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.tubrin.core.signs.Sign;

/**
 * The next move followed in every cell of what the amplifier is, what is known of it, and what can be read; arguments: a folder, the
 * cases of a cell, the seed.
 */
public final class Grid {
    private static final int WORST = 12;
    private static final double MUCH_SHORT_PERCENT = 15;

    /** What the amplifier really is. */
    enum Truth {
        LIKE_ITS_TWIN,
        FOREIGN;

        Case of(Case given) {
            return switch (this) {
                case LIKE_ITS_TWIN -> given;
                case FOREIGN -> given.foreign();
            };
        }
    }

    /** What the operator knows of it. */
    enum Knowledge {
        TWIN,
        TWIN_FROM_SHEET,
        CHART,
        NOTHING;

        Case of(Case given) {
            return switch (this) {
                case TWIN -> given;
                case TWIN_FROM_SHEET -> given.withTwinFromSheet();
                case CHART -> given.withoutTwin();
                case NOTHING -> given.withoutChart();
            };
        }
    }

    /** What can be read. */
    enum Panel {
        FULL,
        ONE_METER,
        WATTMETER_ALONE;

        Case of(Case given) {
            return switch (this) {
                case FULL -> given;
                case ONE_METER -> given.withOneMeter();
                case WATTMETER_ALONE -> given.withWattmeterAlone();
            };
        }
    }

    /** One cell. */
    private record Cell(Truth truth, Knowledge knowledge, Panel panel) {
        /** Triodes alone: no other tube is foreign. */
        Score play(int number, long seed) {
            int triodes = number + number / 4;
            Case given = Case.of(triodes, seed + 7919L * triodes);
            return Campaign.tubrin(panel.of(knowledge.of(truth.of(given))));
        }

        String csv() {
            return name(truth) + "," + name(knowledge) + "," + name(panel);
        }

        String words() {
            return (name(truth) + " | " + name(knowledge) + " | " + name(panel)).replace('_', ' ');
        }

        private static String name(Enum<?> code) {
            return code.name().toLowerCase(Locale.ROOT);
        }
    }

    /** Of an amplifier that is foreign no products are calculated. */
    private static final List<Report.Metric> METRICS = Report.METRICS.stream()
            .filter(metric -> !metric.name().equals("imd3_db"))
            .toList();

    private static final String MEANING = """

            ## What the cells are

            - **truth**: *like its twin*, an amplifier that the twin's equations describe, some per cent off its record; *foreign*, one that
              they cannot: tubes with another exponent, a saturating cathode and a division by a table, four harmonics, a cathode circuit
              of Q 2 to 4, a coil with a resonance of its own, cut plates, a supply that sags with a power of the current, drive, emission and load
              that drift within a key-down, gears with slack, pointers that stick.
            - **knowledge**: the record's twin; a twin fitted to one rounded line of a sheet; the maker's chart; nothing but the limits.
            - **meters**: wattmeter, plate and grid current, plate voltage at once; a panel with one meter and a switch; a wattmeter alone.

            The school is the one that the start page suggests. Triodes only. Figures are median / 95th percentile. Who looked three times why
            nothing comes out gives up, which is a tune-up without output. All cells play the same amplifiers, antennas and
            meters, so that what their meters happen to be off by is in each of them. Where the plates are past what they are rated for,
            the drive that is allowed falls by half and more.
            """;

    private Grid() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        Map<Cell, List<Score>> scores = run(cases, seed);
        Tables.write(folder, "grid.md", markdown(scores, cases, seed), "grid.csv", csv(scores));
    }

    private static String words(List<Sign.Code> signs) {
        return signs.stream()
                .map(sign -> sign.name().toLowerCase(Locale.ROOT).replace('_', ' '))
                .collect(Collectors.joining(", "));
    }

    /** Plays so many cases in each cell; they go side by side, and belong to the seed. */
    private static Map<Cell, List<Score>> run(int cases, long seed) {
        List<Cell> cells = Stream.of(Truth.values())
                .flatMap(truth -> Stream.of(Knowledge.values())
                        .flatMap(
                                knowledge -> Stream.of(Panel.values()).map(panel -> new Cell(truth, knowledge, panel))))
                .toList();
        List<Score> all = IntStream.range(0, cells.size() * cases)
                .parallel()
                .mapToObj(i -> cells.get(i / cases).play(i % cases, seed))
                .toList();
        Map<Cell, List<Score>> scores = new LinkedHashMap<>();
        for (int i = 0; i < cells.size(); i++) {
            scores.put(cells.get(i), all.subList(i * cases, (i + 1) * cases));
        }
        return scores;
    }

    private static String csv(Map<Cell, List<Score>> scores) {
        StringBuilder csv = new StringBuilder("truth,knowledge,meters,procedure,metric,median,p95,max\n");
        scores.forEach((cell, of) -> METRICS.forEach(metric -> {
            double[] sorted = metric.sorted(of);
            csv.append(String.format(
                    Locale.ROOT,
                    "%s,tubrin,%s,%.2f,%.2f,%.2f\n",
                    cell.csv(),
                    metric.name(),
                    Tables.at(sorted, 0.5),
                    Tables.at(sorted, 0.95),
                    Tables.at(sorted, 1)));
        }));
        return csv.toString();
    }

    private static String markdown(Map<Cell, List<Score>> scores, int cases, long seed) {
        StringBuilder out = new StringBuilder(String.format(
                Locale.ROOT,
                "# Amplifiers that the twin has never met\n\n%d simulated tune-ups in each of %d cells, seed %d, run on %s by"
                        + " `scripts/campaign grid`.\n\n| truth | knowledge | meters |",
                cases,
                scores.size(),
                seed,
                Tables.today()));
        METRICS.forEach(metric -> out.append(' ').append(metric.name()).append(" |"));
        out.append(" beyond > 1 s | intervals hold, % |\n|-|-|-|")
                .append("-|".repeat(METRICS.size() + 2))
                .append('\n');
        List<Score> short15 = new ArrayList<>();
        scores.forEach((cell, of) -> {
            out.append("| ").append(cell.words()).append(" |");
            METRICS.forEach(metric -> {
                double[] sorted = metric.sorted(of);
                out.append(
                        String.format(Locale.ROOT, " %.1f / %.1f |", Tables.at(sorted, 0.5), Tables.at(sorted, 0.95)));
            });
            long beyond = of.stream().filter(score -> score.beyondS() > 1).count();
            double held = Report.coverage(of);
            out.append(String.format(Locale.ROOT, " %d of %d | %.1f |\n", beyond, of.size(), held));
            of.stream()
                    .filter(score -> score.shortfallPercent() > MUCH_SHORT_PERCENT)
                    .forEach(short15::add);
        });
        long said = short15.stream().filter(score -> !score.signs().isEmpty()).count();
        out.append(MEANING)
                .append(String.format(
                        Locale.ROOT,
                        "\n## The worst of %d that fell short by more than 15 %%\n\nOf %d of them the last step had a sign that"
                                + " needs attention.\n\n",
                        short15.size(),
                        said));
        short15.stream()
                .sorted(Comparator.comparingDouble(Score::shortfallPercent).reversed())
                .limit(WORST)
                .forEach(score -> out.append(String.format(
                        Locale.ROOT,
                        "- case %d: %.1f %% short, %d key-downs, %s. %s\n",
                        score.number(),
                        score.shortfallPercent(),
                        score.keyDowns(),
                        score.signs().isEmpty() ? "no sign" : words(score.signs()),
                        score.story())));
        return out.toString();
    }
}
