package org.tubrin.server.card;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;
import org.tubrin.server.web.Csv;

/** Tune cards as a file of comma-separated values, out and in. */
final class CardFile {
    static final List<String> HEADER = List.of(
            "amplifier",
            "band",
            "frequencyHz",
            "termination",
            "switchPosition",
            "exciter",
            "carrier",
            "use",
            "pulsed",
            "plateMark",
            "loadMark",
            "driveW",
            "outputW",
            "outputU95W",
            "plateCurrentA",
            "plateCurrentU95A",
            "gridCurrentA",
            "gridCurrentU95A",
            "plateVoltageV",
            "plateVoltageU95V",
            "verifiedAt");
    private static final Set<String> MAY_MISS =
            Set.of("switchPosition", "use", "pulsed", "plateCurrentA", "gridCurrentA", "plateVoltageV");
    private static final String U95 = "U95";
    private static final int MOST_ROWS = 2000;
    private static final int MOST_PROBLEMS = 20;

    private final List<Problem> problems = new ArrayList<>();
    private CSVRecord record;

    private CardFile(CSVRecord first) {
        record = first;
    }

    /** Returns the cells of a row. */
    static List<@Nullable Object> cells(CardRow row) {
        return Arrays.<@Nullable Object>asList(
                row.amplifier(),
                row.band().name(),
                row.frequencyHz(),
                row.termination(),
                row.switchPosition().orElse(null),
                row.exciter(),
                row.carrier().name(),
                row.use().name(),
                row.pulsed(),
                row.plate(),
                row.load(),
                row.driveW(),
                row.outputW().value(),
                row.outputW().halfWidth95(),
                row.plateCurrentA().map(Quantity::value).orElse(null),
                row.plateCurrentA().map(Quantity::halfWidth95).orElse(null),
                row.gridCurrentA().map(Quantity::value).orElse(null),
                row.gridCurrentA().map(Quantity::halfWidth95).orElse(null),
                row.plateVoltageV().map(Quantity::value).orElse(null),
                row.plateVoltageV().map(Quantity::halfWidth95).orElse(null),
                row.verifiedAt());
    }

    /** Returns the rows of a file; fails with {@link Refused}, each problem with its line and column. */
    static List<CardRow> rows(String text) {
        List<String> columns = HEADER.stream()
                .filter(name -> !MAY_MISS.contains(name) && !name.contains(U95))
                .toList();
        return read(Csv.records(text, columns, MOST_ROWS));
    }

    private static List<CardRow> read(List<CSVRecord> records) {
        CardFile file = new CardFile(records.get(0));
        List<CardRow> rows = new ArrayList<>();
        for (CSVRecord one : records) {
            file.record = one;
            int before = file.problems.size();
            Optional<CardRow> row = file.row();
            if (file.problems.size() == before) {
                row.ifPresent(rows::add);
            }
        }
        if (!file.problems.isEmpty()) {
            throw new Refused(file.problems.stream().limit(MOST_PROBLEMS).toList());
        }
        return rows;
    }

    private Optional<CardRow> row() {
        Optional<Band> band = coded("band", Band.class);
        Optional<Mode> carrier = coded("carrier", Mode.class);
        // Files of before there was a choice are of speech and CW.
        Optional<Use> use = cell("use").isPresent() ? coded("use", Use.class) : Optional.of(Use.SPEECH_AND_CW);
        if (cell("pulsed").isPresent()) {
            collect(new Checks().oneOf(path("pulsed"), cell("pulsed").orElse(""), List.of("true", "false")));
        }
        Optional<Instant> verifiedAt = instant("verifiedAt");
        String amplifier = name("amplifier");
        String termination = name("termination");
        String exciter = name("exciter");
        double frequencyHz = number(
                "frequencyHz",
                band.map(Band::lowestHz).orElse(1e5),
                band.map(Band::highestHz).orElse(1e9),
                Unit.HERTZ);
        double plate = number("plateMark", -1000, 2000, Unit.MARK);
        double load = number("loadMark", -1000, 2000, Unit.MARK);
        double driveW = number("driveW", 0.001, 2000, Unit.WATT);
        Quantity outputW = quantity("outputW", "outputU95W", 1e5, Unit.WATT);
        Optional<Quantity> plateCurrentA = optional("plateCurrentA", "plateCurrentU95A", 100, Unit.AMPERE);
        Optional<Quantity> gridCurrentA = optional("gridCurrentA", "gridCurrentU95A", 100, Unit.AMPERE);
        Optional<Quantity> plateVoltageV = optional("plateVoltageV", "plateVoltageU95V", 1e5, Unit.VOLT);
        return band.flatMap(of -> carrier.flatMap(mode -> verifiedAt.map(at -> new CardRow(
                amplifier,
                of,
                frequencyHz,
                termination,
                exciter,
                mode,
                use.orElse(Use.SPEECH_AND_CW),
                cell("pulsed").filter("true"::equals).isPresent(),
                plate,
                load,
                driveW,
                outputW,
                plateCurrentA,
                gridCurrentA,
                plateVoltageV,
                CardRow.efficiency(outputW, plateCurrentA, plateVoltageV),
                cell("switchPosition"),
                at))));
    }

    private Optional<String> cell(String column) {
        // An apostrophe that was set before what a spreadsheet takes for a formula goes again.
        return record.isSet(column)
                ? Optional.of(record.get(column).replaceFirst("^'(?=[=+\\-@])", ""))
                        .filter(text -> !text.isBlank())
                : Optional.empty();
    }

    private String path(String column) {
        return "row " + (record.getRecordNumber() + 1) + ", " + column;
    }

    private void refuse(ProblemCode code, String column, Allowed allowed) {
        problems.add(new Problem(code, path(column), cell(column).orElse(""), allowed));
    }

    private void collect(Checks checks) {
        try {
            checks.done();
        } catch (Refused refused) {
            problems.addAll(refused.problems());
        }
    }

    private String name(String column) {
        String text = cell(column).orElse("");
        collect(new Checks().name(path(column), text));
        return text;
    }

    private <T extends Enum<T>> Optional<T> coded(String column, Class<T> type) {
        String text = cell(column).orElse("");
        List<T> values = List.of(type.getEnumConstants());
        collect(new Checks()
                .oneOf(path(column), text, values.stream().map(Enum::name).toList()));
        return values.stream().filter(one -> one.name().equals(text)).findFirst();
    }

    private Optional<Instant> instant(String column) {
        try {
            return Optional.of(Instant.parse(cell(column).orElse("")));
        } catch (DateTimeParseException e) {
            refuse(ProblemCode.MALFORMED, column, new Allowed.OneOf(List.of("2026-11-25T19:00:00Z")));
            return Optional.empty();
        }
    }

    private double number(String column, double least, double most, Unit unit) {
        double value;
        try {
            value = Double.parseDouble(cell(column).orElse(""));
        } catch (NumberFormatException e) {
            refuse(ProblemCode.NOT_A_NUMBER, column, new Allowed.Range(least, most, unit));
            return 1;
        }
        collect(new Checks().range(path(column), value, least, most, unit));
        return value;
    }

    private Optional<Quantity> optional(String column, String uncertainty, double most, Unit unit) {
        return cell(column).map(text -> quantity(column, uncertainty, most, unit));
    }

    private Quantity quantity(String column, String uncertainty, double most, Unit unit) {
        double value = number(column, 0, most, unit);
        double half = cell(uncertainty).isPresent() ? number(uncertainty, 0, most, unit) : 0;
        // Files of before say the standard uncertainty, in a column of another name.
        String before = uncertainty.replace(U95, "Uncertainty");
        double standard = cell(before).isPresent() ? number(before, 0, most, unit) : half / Quantity.COVERAGE_95;
        return Quantity.of(value, unit, Standing.MEASURED, new ErrorSource("file", column, ""), standard);
    }
}
