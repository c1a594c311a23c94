package overturn.catalogue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;

/**
 * What a test cannot see, as data beside its sentence ({@code blind.csv}): under that condition a reading says as good
 * as nothing about the suspect, so it neither clears nor holds it up.
 */
public final class BlindSpots {

    private static final String FILE = "/overturn/procedure/blind.csv";
    private static final List<BlindSpot> ALL = read();

    private BlindSpots() {}

    /** When a suspect stays unseen. */
    public enum When {
        ALWAYS,
        /** While it is slight: the mildest tenth of what is brought in. */
        SMALL
    }

    /** One suspect that one test does not see. */
    public record BlindSpot(String testId, String suspectId, When when) {}

    /** All that is written down. */
    public static List<BlindSpot> all() {
        return ALL;
    }

    /** What one test does not see. */
    public static List<BlindSpot> of(String testId) {
        return ALL.stream().filter(spot -> spot.testId().equals(testId)).toList();
    }

    private static List<BlindSpot> read() {
        try (var in = new BufferedReader(
                new InputStreamReader(BlindSpots.class.getResourceAsStream(FILE), StandardCharsets.UTF_8))) {
            return in.lines()
                    .skip(1)
                    .map(line -> line.split(","))
                    .map(cells -> new BlindSpot(cells[0], cells[1], When.valueOf(cells[2].toUpperCase(Locale.ROOT))))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException("Impossible: " + FILE + " cannot be read", e);
        }
    }
}
