package overturn.app;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What runs is what the document lists, so that somebody who hears of a hole finds it there. */
@Tag("walls")
class SecurityDocumentTest {

    private static final Pattern DEPENDENCY =
            Pattern.compile("<dependency><groupId>([^<]+)</groupId><artifactId>([^<]+)</artifactId></dependency>");

    private static String read(String file) throws IOException {
        return Files.readString(Path.of(file));
    }

    @Test
    void everyPackageThatRunsStandsInTheDocumentWithItsVersion() throws IOException {
        String document = read("../docs/security.md").replaceAll(" +", " ");
        List<String> onClasspath =
                List.of(System.getProperty("java.class.path").split(System.getProperty("path.separator")));
        Stream<String> java = DEPENDENCY
                .matcher(read("pom.xml"))
                .results()
                .filter(found -> !found.group(1).equals("overturn"))
                .map(found -> found.group(1) + ":" + found.group(2) + " | " + version(found, onClasspath));
        JsonNode packages = JsonMapper.builder()
                .build()
                .readTree(read("../web/package-lock.json"))
                .get("packages");
        Stream<String> pages = packages.get("").get("dependencies").propertyNames().stream()
                .map(name -> name + " | "
                        + packages.get("node_modules/" + name).get("version").asString());
        assertEquals(
                List.of(),
                Stream.concat(java, pages)
                        .filter(line -> !document.contains("| " + line + " |"))
                        .toList());
    }

    private static String version(MatchResult found, List<String> onClasspath) {
        String name = found.group(2) + "-";
        List<String> jars = onClasspath.stream()
                .map(path -> path.substring(path.lastIndexOf('/') + 1))
                .filter(file -> file.startsWith(name) && Character.isDigit(file.charAt(name.length())))
                .toList();
        assertTrue(!jars.isEmpty(), name + " is on the class path");
        return jars.get(0).substring(name.length(), jars.get(0).length() - ".jar".length());
    }
}
