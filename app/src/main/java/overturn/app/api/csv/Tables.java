package overturn.app.api.csv;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import overturn.app.usecase.Finding;
import overturn.app.usecase.InvalidInputException;
import overturn.quantity.PlainText;

/** Writes tables as comma-separated values (RFC 4180), and reads them with commas or semicolons. */
final class Tables {

    private static final CSVFormat FORMAT = CSVFormat.RFC4180;
    /** By these a spreadsheet takes a text for a formula. */
    private static final String FORMULA_STARTS = "=+-@\t\r";

    private Tables() {}

    /** A table of texts, its head first. */
    static String write(List<String> head, List<List<String>> rows) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(out, FORMAT)) {
            printer.printRecord(head);
            for (List<String> row : rows) {
                printer.printRecord(row.stream().map(Tables::inert).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException("Impossible: a text cannot be written to", e);
        }
        return out.toString();
    }

    /** A text as a spreadsheet shows it instead of working it out; a number stays one. */
    static String inert(String text) {
        boolean formula = !text.isEmpty()
                && FORMULA_STARTS.indexOf(text.charAt(0)) >= 0
                && !text.matches("[-+][0-9]+([.,][0-9]+)?");
        return formula ? "'" + text : text;
    }

    /**
     * The rows of a table with these columns, in any order.
     *
     * @throws InvalidInputException if it is no such table, a column is missing or there twice, or a text cannot be
     *     kept, naming the row
     */
    static List<List<String>> read(String text, List<String> columns, int mostRows) {
        String plain = text.replaceFirst("^\uFEFF", "");
        CSVFormat withHead = FORMAT.builder()
                .setDelimiter(between(plain))
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(plain), withHead)) {
            boolean eachOnce = parser.getHeaderNames().size() == columns.size();
            if (!eachOnce || !new HashSet<>(parser.getHeaderNames()).equals(new HashSet<>(columns))) {
                throw refused("row 1", String.join(",", parser.getHeaderNames()), String.join(",", columns));
            }
            List<List<String>> rows = new ArrayList<>();
            for (CSVRecord row : parser) {
                String name = "row " + (row.getRecordNumber() + 1);
                if (!row.isConsistent()) {
                    throw refused(name, row.size() + " fields", columns.size() + " fields");
                }
                if (rows.size() == mostRows) {
                    throw refused(name, "more rows", mostRows + " at most");
                }
                if (!row.stream().allMatch(PlainText::keeps)) {
                    throw refused(name, "a text that cannot be kept", PlainText.ALLOWED);
                }
                rows.add(columns.stream().map(row::get).toList());
            }
            return rows;
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            throw refused(
                    "",
                    "text that is no table",
                    "a table as a spreadsheet saves it: commas or semicolons between the columns, UTF-8");
        }
    }

    /** What a spreadsheet puts between columns: a semicolon where a comma is the decimal sign. */
    private static char between(String text) {
        String head = text.lines().findFirst().orElse("");
        return head.contains(";") && !head.contains(",") ? ';' : ',';
    }

    private static InvalidInputException refused(String field, String given, String allowed) {
        String shown = given.length() <= 60 ? given : given.substring(0, 60) + "…";
        return new InvalidInputException(List.of(new Finding(field, "“" + shown + "”", allowed)));
    }
}
