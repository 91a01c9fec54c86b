package org.tubrin.server.supply;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.supply.ProfileReading;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.server.web.Csv;

/** A profile's readings as a file of comma-separated values, out and in. */
final class ProfileFile {
    private static final List<String> HEADER =
            List.of("keyed", "outputW", "outputU95W", "currentA", "currentU95A", "voltageV", "voltageU95V");
    /** Of files of before, which say standard uncertainties. */
    private static final List<String> HEADER_BEFORE =
            HEADER.stream().map(name -> name.replace("U95", "Uncertainty")).toList();

    private static final int MOST_ROWS = 200;

    private ProfileFile() {}

    static ResponseEntity<String> reply(ProfileRun run) {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        run.listening().ifPresent(one -> rows.add(cells("no", one)));
        run.keyed().forEach(one -> rows.add(cells("yes", one)));
        return Csv.reply("profile.csv", HEADER, rows);
    }

    private static List<@Nullable Object> cells(String keyed, ProfileReading one) {
        return Arrays.<@Nullable Object>asList(
                keyed,
                one.outputW(),
                Quantity.COVERAGE_95 * one.outputUncertaintyW(),
                one.currentA(),
                Quantity.COVERAGE_95 * one.currentUncertaintyA(),
                one.voltageV(),
                Quantity.COVERAGE_95 * one.voltageUncertaintyV());
    }

    /** Returns the readings of a file; fails with {@link Refused}, each problem with its row and column. */
    static SupplyRecordViews.FileReadings read(String text) {
        boolean isOfBefore = text.lines()
                .findFirst()
                .filter(head -> head.contains("Uncertainty"))
                .isPresent();
        List<String> header = isOfBefore ? HEADER_BEFORE : HEADER;
        return readings(Csv.records(text, header, MOST_ROWS), header, isOfBefore ? 1 : Quantity.COVERAGE_95);
    }

    private static SupplyRecordViews.FileReadings readings(
            List<CSVRecord> records, List<String> header, double coverage) {
        List<ProfileReading> listening = new ArrayList<>();
        List<ProfileReading> keyed = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        for (CSVRecord record : records) {
            String row = "row " + (record.getRecordNumber() + 1);
            int before = problems.size();
            List<Double> values = header.subList(1, header.size()).stream()
                    .map(column -> number(record, column, row, problems))
                    .toList();
            String down = record.isSet("keyed") ? record.get("keyed") : "";
            if (!down.equals("yes") && !down.equals("no")) {
                problems.add(new Problem(
                        ProblemCode.UNKNOWN_NAME, row + ", keyed", down, new Allowed.OneOf(List.of("yes", "no"))));
            }
            if (problems.size() == before) {
                try {
                    (down.equals("yes") ? keyed : listening)
                            .add(new ProfileReading(
                                    values.get(0),
                                    values.get(1) / coverage,
                                    values.get(2),
                                    values.get(3) / coverage,
                                    values.get(4),
                                    values.get(5) / coverage));
                } catch (Refused refused) {
                    refused.problems().forEach(problem -> problems.add(problem.under(row)));
                }
            }
        }
        if (!problems.isEmpty()) {
            throw new Refused(problems);
        }
        return new SupplyRecordViews.FileReadings(listening, keyed);
    }

    private static double number(CSVRecord record, String column, String row, List<Problem> problems) {
        String text = record.isSet(column) ? record.get(column) : "";
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            problems.add(new Problem(ProblemCode.NOT_A_NUMBER, row + ", " + column, text, new Allowed.Nothing()));
            return 0;
        }
    }
}
