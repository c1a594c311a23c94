package overturn;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Every number of the core says where it comes from, but for places that only count on from the one before; where the
 * sheet draws a part is chosen by eye throughout.
 */
@Tag("walls")
class ConstantsTest {

    private static final Path SOURCES = Path.of("src/main/java/overturn");
    private static final Pattern NUMBER =
            Pattern.compile("\\s*(?:\\w+ )?static final (double|int|long|double\\[]|int\\[]) ([A-Z0-9_]+) = ?(.*)");
    private static final Pattern ORIGIN = Pattern.compile(
            "estimate|chosen|definition|exact|measured|textbook|seed|rounding|docs/|handbook|RFC|ISO|limit",
            Pattern.CASE_INSENSITIVE);

    @Test
    void everyNumberHasAnOriginInTheLineAboveIt() throws IOException {
        List<String> without = new ArrayList<>();
        int numbers = 0;
        try (Stream<Path> files = Files.walk(SOURCES)) {
            for (Path file : files.filter(
                            f -> f.toString().endsWith(".java") && !f.startsWith(SOURCES.resolve("drawing")))
                    .toList()) {
                List<String> lines = lines(file);
                String before = "";
                for (int at = 1; at < lines.size(); at++) {
                    var number = NUMBER.matcher(lines.get(at));
                    if (number.matches()) {
                        numbers++;
                        boolean countsOn = number.group(3).matches("[1-9]\\d?;")
                                && before.equals(
                                        Integer.parseInt(number.group(3).replace(";", "")) - 1 + ";");
                        before = number.group(3);
                        if (!countsOn && !ORIGIN.matcher(comment(lines, at - 1)).find()) {
                            without.add(SOURCES.relativize(file) + " " + number.group(2));
                        }
                    }
                }
            }
        }
        assertTrue(numbers > 300, numbers + " numbers were found");
        assertEquals(List.of(), without);
    }

    /** The comment that ends in this line; empty where none does. */
    private static String comment(List<String> lines, int last) {
        StringBuilder comment = new StringBuilder();
        if (lines.get(last).strip().endsWith("*/")) {
            for (int line = last; line >= 0; line--) {
                comment.insert(0, lines.get(line));
                if (lines.get(line).contains("/*")) {
                    break;
                }
            }
        }
        return comment.toString();
    }

    private static List<String> lines(Path file) {
        try {
            return Files.readAllLines(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
