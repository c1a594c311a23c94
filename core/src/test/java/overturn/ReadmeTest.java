package overturn;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the README says of the accuracy is what the table of the latest run says. */
class ReadmeTest {

    private static final Path ROOT = Path.of("..");
    private static String readme;
    private static String accuracy;

    @BeforeAll
    static void read() throws IOException {
        readme = Files.readString(ROOT.resolve("README.md")).replaceAll("\\s+", " ");
        accuracy = Files.readString(ROOT.resolve("docs/accuracy.md")).replaceAll(" +", " ");
    }

    /** A figure of the table: the planner is column 1, the chart column 3. */
    private static double figure(String row, int column) {
        Matcher line =
                Pattern.compile("(?m)^\\| " + Pattern.quote(row) + " \\|(.*)$").matcher(accuracy);
        assertTrue(line.find(), "no row “" + row + "” in docs/accuracy.md");
        return Double.parseDouble(line.group(1).split("\\|")[column - 1].strip());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "singles right, %; 1; in %.0f %% of single faults",
                "singles right, %; 3; a good fixed chart: %.0f %%",
                "pairs right, %; 1; and %.0f %% of pairs",
                "pairs right, %; 3; (the chart %.0f %%)",
                "wrong parts per 100 jobs; 1; fits %.1f wrong parts",
                "wrong parts per 100 jobs; 3; (the chart %.1f)",
                "proven, but not needed, %; 1; is not needed in %.1f %%",
                "fault not in the list: _none of these_ leads, %; 1; in %.0f %% only"
            })
    void itsFiguresAreThoseOfTheLatestRun(String row, int column, String sentence) {
        String expected = String.format(java.util.Locale.ROOT, sentence, figure(row, column));
        assertTrue(readme.contains(expected), "the README should say “" + expected + "”");
    }

    @Test
    void itCostsHalfOfWhatTheChartDoes() {
        double ratio =
                figure("cost to the cured vehicle, minutes", 1) / figure("cost to the cured vehicle, minutes", 3);
        assertTrue(
                ratio > 0.45 && ratio < 0.55 && readme.contains("costs half of what the chart does"), "ratio " + ratio);
    }
}
