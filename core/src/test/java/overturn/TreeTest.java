package overturn;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Sizes and package descriptions over the whole repository. */
class TreeTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final int MOST_JAVA_LINES = 500;
    private static final int MOST_TYPESCRIPT_LINES = 350;
    private static final int MOST_DOCUMENT_COLUMNS = 100;

    private static List<Path> sources(String ending) throws IOException {
        try (Stream<Path> all = Files.walk(ROOT)) {
            return all.filter(p -> p.toString().endsWith(ending))
                    .filter(p -> Stream.of("/node_modules/", "/target/", "/generated/", "/var/", "/.git/")
                            .noneMatch(p.toString()::contains))
                    .toList();
        }
    }

    private static List<Path> longerThan(int most, String ending) throws IOException {
        return sources(ending).stream()
                .filter(p -> {
                    try (Stream<String> lines = Files.lines(p)) {
                        return lines.count() > most;
                    } catch (IOException e) {
                        throw new java.io.UncheckedIOException(e);
                    }
                })
                .toList();
    }

    @Test
    void filesStayReadable() throws IOException {
        assertEquals(List.of(), longerThan(MOST_JAVA_LINES, ".java"));
        assertEquals(List.of(), longerThan(MOST_TYPESCRIPT_LINES, ".ts"));
        assertEquals(List.of(), longerThan(MOST_TYPESCRIPT_LINES, ".tsx"));
    }

    /** Tables, pictures and what stands in a box have lines as they need them; so has what is generated. */
    @Test
    void documentsAreWrapped() throws IOException {
        List<String> longLines = new ArrayList<>();
        List<Path> written = sources(".md").stream()
                .filter(document -> !document.toString().contains("/docs/tables/"))
                .toList();
        for (Path document : written) {
            boolean boxed = false;
            for (String line : Files.readAllLines(document)) {
                boxed ^= line.startsWith("```");
                boolean free = boxed || Stream.of("|", "![", "    ").anyMatch(line::startsWith);
                if (!free && line.length() > MOST_DOCUMENT_COLUMNS) {
                    longLines.add(document.getFileName() + ": " + line);
                }
            }
        }
        assertEquals(List.of(), longLines);
    }

    @Test
    void everyPackageSaysWhatItIsAbout() throws IOException {
        List<Path> silent = sources(".java").stream()
                .filter(p -> p.toString().contains("/src/main/"))
                .map(Path::getParent)
                .distinct()
                .filter(dir -> !Files.exists(dir.resolve("package-info.java")))
                .filter(dir -> !dir.endsWith("overturn/app"))
                .toList();
        assertEquals(List.of(), silent);
    }

    /**
     * A run that fails must fail again; the seed stands where the property does, and jqwik prints it with a failure.
     */
    @Test
    void everyPropertyHasItsSeed() throws IOException {
        List<String> unseeded = new ArrayList<>();
        for (Path file : sources(".java")) {
            for (String line : Files.readAllLines(file)) {
                if (line.strip().startsWith("@Property") && !line.contains("seed = ")) {
                    unseeded.add(file.getFileName() + ": " + line.strip());
                }
            }
        }
        assertEquals(List.of(), unseeded);
    }
}
