package overturn.app.usecase.job;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.springframework.stereotype.Component;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.instrument.Trace;

/** Reads what a logger wrote down from its table, and the marks of a hold off it. */
@Component
public class ReadTrace {

    private static final int[] MARKS = {5, 15, 30, 60};
    private static final double STEP_SECONDS = 0.1;
    /** What is shown and kept before the press, s. */
    private static final double BEFORE_SECONDS = 2;

    private static final double AFTER_SECONDS = 65;

    /**
     * A table and, of two of its columns, what was held.
     *
     * @param columns their names; numbered from 1 where the table has none
     */
    public record Table(List<String> columns, Optional<Held> held) {}

    /** Values at even steps, the first so many seconds from the press; what stood at rest; marks from rest. */
    public record Held(
            double fromSeconds, double stepSeconds, List<Double> values, double atRest, List<Trace.Mark> marks) {}

    /**
     * Reads a table.
     *
     * @param time name of the column with the seconds; null to be told the columns only
     * @throws InvalidInputException if it is no table, has no such column, or a row holds no numbers
     */
    public Table read(String text, String time, String value) {
        String plain = text.replaceFirst("^\uFEFF", "");
        List<CSVRecord> rows = rows(plain);
        boolean named = !rows.isEmpty() && number(rows.get(0).get(0)).isEmpty();
        int width = rows.isEmpty() ? 0 : rows.get(0).size();
        List<String> columns = new ArrayList<>();
        for (int c = 0; c < width; c++) {
            columns.add(named ? rows.get(0).get(c) : Integer.toString(c + 1));
        }
        Checks checks = new Checks()
                .that(() -> width >= 2, "table", width + " columns", "at least two columns: seconds and values");
        if (time == null || value == null) {
            checks.orThrow();
            return new Table(columns, Optional.empty());
        }
        checks.that(() -> columns.contains(time), "time", time, "one of " + columns)
                .that(() -> columns.contains(value), "value", value, "one of " + columns)
                .orThrow();
        return new Table(
                columns,
                Optional.of(held(samples(
                        rows.subList(named ? 1 : 0, rows.size()), columns.indexOf(time), columns.indexOf(value)))));
    }

    private static List<CSVRecord> rows(String text) {
        String head = text.lines().findFirst().orElse("");
        char between = head.contains("\t") ? '\t' : head.contains(";") ? ';' : ',';
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(between)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            return parser.getRecords();
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            throw Checks.refusal(
                    "table", "text that is no table", "commas, semicolons or tabs between the columns, UTF-8");
        }
    }

    /** A number with a point or a comma. */
    private static Optional<Double> number(String text) {
        return text.matches("[-+]?[0-9]{1,9}([.,][0-9]{1,9})?([eE][-+]?[0-9]{1,2})?")
                ? Optional.of(Double.valueOf(text.replace(',', '.')))
                : Optional.empty();
    }

    /** What had dropped out, as an empty field, is left out. */
    private static Trace samples(List<CSVRecord> rows, int time, int value) {
        List<Trace.Sample> samples = new ArrayList<>();
        for (CSVRecord row : rows) {
            String name = "row " + row.getRecordNumber();
            if (row.size() <= Math.max(time, value)) {
                throw Checks.refusal(name, row.size() + " fields", "as many as the first row");
            }
            if (!row.get(value).isEmpty()) {
                Optional<Double> seconds = number(row.get(time));
                Optional<Double> read = number(row.get(value));
                if (seconds.isEmpty() || read.isEmpty()) {
                    throw Checks.refusal(name, row.get(time) + " and " + row.get(value), "two numbers");
                }
                samples.add(new Trace.Sample(seconds.get(), read.get()));
            }
        }
        try {
            return new Trace(samples);
        } catch (IllegalArgumentException e) {
            throw Checks.refusal("table", samples.size() + " samples", String.valueOf(e.getMessage()));
        }
    }

    private static Held held(Trace whole) {
        double pressed = whole.pressed().orElse(whole.samples().get(0).seconds());
        List<Trace.Sample> about = whole.samples().stream()
                .filter(s -> s.seconds() >= pressed - BEFORE_SECONDS && s.seconds() <= pressed + AFTER_SECONDS)
                .toList();
        Trace near = about.size() < 2 ? whole : new Trace(about);
        double from = near.samples().get(0).seconds();
        List<Double> values = new ArrayList<>();
        double last = near.samples().get(0).value();
        double end = near.samples().get(near.samples().size() - 1).seconds();
        for (int i = 0; i < EntryRules.MOST_TRACE_VALUES && from + i * STEP_SECONDS <= end + 1e-9; i++) {
            last = near.at(from + i * STEP_SECONDS).orElse(last);
            values.add(Math.rint(last * 1000) / 1000);
        }
        return new Held(from - pressed, STEP_SECONDS, values, whole.atRest(), whole.marks(MARKS));
    }
}
