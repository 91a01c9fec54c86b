package org.tubrin.server.web;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;

/** Replies with a table as a file of comma-separated values (RFC 4180), numbers with a decimal point. */
public final class Csv {
    /** Media type of the reply. */
    public static final String TYPE = "text/csv;charset=UTF-8";

    private Csv() {}

    /** Returns the reply; a text that a spreadsheet would take for a formula is set off by an apostrophe. */
    public static ResponseEntity<String> reply(
            String fileName, List<String> header, List<List<@Nullable Object>> rows) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(header);
            for (List<@Nullable Object> row : rows) {
                printer.printRecord(row.stream().map(Csv::harmless).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(TYPE))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + fileName + "\"")
                .body(text.toString());
    }

    /**
     * Returns the rows of a file with a header; fails with {@link Refused} where it is none, lacks a column that it must have, or
     * has no rows or too many.
     */
    public static List<CSVRecord> records(String text, List<String> columns, int mostRows) {
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        try (CSVParser parser = format.parse(new StringReader(text.replaceFirst("^\uFEFF", "")))) {
            List<String> missing = columns.stream()
                    .filter(name -> !parser.getHeaderMap().containsKey(name))
                    .toList();
            if (!missing.isEmpty()) {
                throw new Refused(new Problem(
                        ProblemCode.NO_COLUMN, "file", String.join(", ", missing), new Allowed.OneOf(columns)));
            }
            List<CSVRecord> records = parser.getRecords();
            new Checks().range("rows", records.size(), 1, mostRows, Unit.ONE).done();
            return records;
        } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
            throw new Refused(
                    new Problem(ProblemCode.MALFORMED, "file", String.valueOf(e.getMessage()), new Allowed.Nothing()));
        }
    }

    private static Object harmless(@Nullable Object cell) {
        if (cell == null) {
            return "";
        }
        return cell instanceof String text && !text.isEmpty() && "=+-@".indexOf(text.charAt(0)) >= 0
                ? "'" + text
                : cell;
    }
}
