package overturn.app;

import static org.junit.jupiter.api.Assertions.assertEquals;

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

    /** As it lies in the repository of Maven: group, artifact and version are folders. */
    private static String version(MatchResult found, List<String> onClasspath) {
        String folder = "/" + found.group(1).replace('.', '/') + "/" + found.group(2) + "/";
        return onClasspath.stream()
                .filter(path -> path.contains(folder))
                .map(path -> path.substring(path.indexOf(folder) + folder.length()))
                .map(path -> path.substring(0, path.indexOf('/')))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException(folder + " is not on the class path"));
    }
}
