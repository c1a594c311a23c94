package overturn.words;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;

/** All words by id. */
public final class Words {

    private static final List<String> FILES = List.of(
            "status",
            "suspects",
            "intake",
            "repair",
            "layouts",
            "tests",
            "cautions",
            "rigs",
            "calculators",
            "catalogue",
            "practice");

    private static final Map<String, String> ALL = Collections.unmodifiableMap(readAll());

    private Words() {}

    /** Every word in the order of the ids; not to be written to. */
    public static Map<String, String> all() {
        return ALL;
    }

    private static Map<String, String> readAll() {
        Map<String, String> all = new TreeMap<>();
        for (String file : FILES) {
            read(file).forEach((id, text) -> {
                if (all.put((String) id, (String) text) != null) {
                    throw new IllegalStateException("Impossible: word " + id + " stands twice");
                }
            });
        }
        return all;
    }

    private static Properties read(String file) {
        Properties words = new Properties();
        String path = "/overturn/words/" + file + ".properties";
        try (var in = new InputStreamReader(Words.class.getResourceAsStream(path), StandardCharsets.UTF_8)) {
            words.load(in);
        } catch (IOException e) {
            throw new UncheckedIOException("Impossible: words file " + path + " cannot be read", e);
        }
        return words;
    }
}
