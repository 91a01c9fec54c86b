package org.tubrin.server.web;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

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

    private static Object harmless(@Nullable Object cell) {
        if (cell == null) {
            return "";
        }
        return cell instanceof String text && !text.isEmpty() && "=+-@".indexOf(text.charAt(0)) >= 0
                ? "'" + text
                : cell;
    }
}
