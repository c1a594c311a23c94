package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;

/** A trace of any logger: read from its table, its marks read off, and kept with the reading that was taken from it. */
@ExtendWith(OverturnServer.class)
class TraceApiTest {

    private ApiClient api;

    @BeforeEach
    void client(OverturnServer.Running server) {
        api = new ApiClient(server.address());
    }

    /** Ten a second: at rest at 12 mm for 3 s, pressed to 42 mm, sinking 0.1 mm a second; as a spreadsheet saves it. */
    private static String logged(String between, boolean commas, double dropsFrom) {
        StringBuilder table = new StringBuilder("Zeit [s]" + between + "Kraft" + between + "Weg [mm]\n");
        for (int i = 0; i <= 680; i++) {
            double t = i / 10.0;
            double mm = t < 3 ? 12 : t < 3.5 ? 12 + 60 * (t - 3) : 42 + 0.1 * (t - 3.5);
            boolean dropped = dropsFrom > 0 && t >= dropsFrom && t < dropsFrom + 3;
            String row = String.format(
                    Locale.ROOT,
                    "%.1f|%d|%s",
                    t,
                    t < 3 ? 0 : 200,
                    dropped ? "" : String.format(Locale.ROOT, "%.2f", mm));
            table.append((commas ? row.replace('.', ',') : row).replace("|", between))
                    .append('\n');
        }
        return table.toString();
    }

    private Answer read(String table, String time, String value) {
        String query = time == null
                ? ""
                : "?time=" + URLEncoder.encode(time, StandardCharsets.UTF_8) + "&value="
                        + URLEncoder.encode(value, StandardCharsets.UTF_8);
        return api.postText("/api/traces" + query, table, "Content-Type", "text/csv");
    }

    private static List<Integer> seconds(JsonNode trace) {
        return trace.get("marks")
                .valueStream()
                .map(m -> m.get("second").asInt())
                .toList();
    }

    @Test
    void decimalCommasAndADropOutAreReadAsTheyAre() {
        String table = logged(";", true, 17);
        assertEquals(
                List.of("Zeit [s]", "Kraft", "Weg [mm]"),
                read(table, null, null)
                        .body()
                        .get("columns")
                        .valueStream()
                        .map(JsonNode::asString)
                        .toList());
        JsonNode trace = read(table, "Zeit [s]", "Weg [mm]").body().get("trace");
        assertEquals(List.of(5, 30, 60), seconds(trace), "where it had dropped out no mark is made up");
        assertEquals(12, trace.get("atRest").asDouble(), 0.01);
        assertEquals(30.5, trace.get("marks").get(0).get("value").asDouble(), 0.2);
        assertEquals(36, trace.get("marks").get(2).get("value").asDouble(), 0.2);
        for (String between : List.of(",", "\t")) {
            JsonNode same = read(logged(between, false, 0), "Zeit [s]", "Weg [mm]")
                    .body()
                    .get("trace");
            assertEquals(List.of(5, 15, 30, 60), seconds(same), "between by " + between);
        }
        String headless = logged(",", false, 0).lines().skip(1).reduce("", (all, line) -> all + line + "\n");
        assertEquals(
                List.of(5, 15, 30, 60), seconds(read(headless, "1", "3").body().get("trace")));
    }

    @Test
    void whatIsNoTraceIsAnsweredByItsRow() {
        for (String[] wrong : new String[][] {
            {"a;b\n1;2\n", "a", "c"},
            {"a;b\n1;2\nx;3\n", "a", "b"},
            {"a;b\n1;2\n1;3\n", "a", "b"},
            {"a;b\n1;2\n", "a", "b"},
            {"a;b\n1;\"2\n", "a", "b"},
            {"only\n1\n2\n", "only", "only"},
            {"a,b\n1,2\n2\n", "a", "b"},
        }) {
            read(wrong[0], wrong[1], wrong[2]).assertRefused(422, "input-not-allowed");
        }
        String told = read("a;b\n1;2\nx;3\n", "a", "b").raw().body();
        assertTrue(told.contains("row 3"), told);
    }

    @Test
    void aTraceIsKeptWithItsReadingAndDrawnInTheReport() throws IOException {
        String job = "/api/jobs/" + api.openJob("Traced van", "sinks", "primary-piston-cup");
        JsonNode read = api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4", "mm")))
                .body();
        String reading = read.get("entries").get(2).get("id").asString();
        List<Double> values = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            values.add(30 + i / 100.0);
        }
        Map<String, Object> trace = ApiClient.stamped(
                3,
                Map.of(
                        "readingId",
                        reading,
                        "instrument",
                        "Logger 7",
                        "unit",
                        "mm",
                        "fromSeconds",
                        -2,
                        "stepSeconds",
                        0.1,
                        "values",
                        values));
        Answer kept = api.post(job + "/traces", trace);
        assertEquals(200, kept.status(), kept.raw().body());
        assertEquals(4, api.post(job + "/traces", trace).body().get("sequence").asInt(), "sent twice it is there once");
        JsonNode told = kept.body().get("entries").get(3).get("told");
        assertEquals("trace-kept", told.get("kind").asString());
        assertEquals("free-play", told.get("procedureId").asString());
        assertEquals(300, told.get("values").size());
        try (PDDocument report = Loader.loadPDF(api.bytes(job + "/report").body())) {
            assertTrue(new PDFTextStripper().getText(report).contains("Logger 7"), "the report tells of it");
        }

        for (Map<String, Object> wrong : List.of(
                Map.<String, Object>of("readingId", UUID.randomUUID()),
                Map.<String, Object>of("unit", "ell"),
                Map.<String, Object>of("stepSeconds", 0),
                Map.<String, Object>of("values", List.of(1)),
                Map.<String, Object>of("instrument", " "))) {
            Map<String, Object> spoilt = ApiClient.stamped(4, trace);
            spoilt.putAll(wrong);
            api.post(job + "/traces", spoilt).assertRefused(422, "input-not-allowed");
        }
    }
}
