package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;

/** Input that once was answered with a server error: every refusal is a problem detail, and the log is as it was. */
@ExtendWith(OverturnServer.class)
class HostileInputTest {

    private static final String TARN =
            LayoutFiles.write(Presets.find("tarn-box-van").orElseThrow());

    private ApiClient api;
    private String job;
    private OverturnServer.Running server;

    @BeforeEach
    void openJob(OverturnServer.Running running) {
        server = running;
        api = new ApiClient(running.address());
        job = "/api/jobs/" + api.openJob("Tarn SK 33", "sinks", "primary-piston-cup");
    }

    private static void assertRefused(Answer answer) {
        assertTrue(
                answer.status() >= 400 && answer.status() < 500,
                answer.status() + " " + answer.raw().body());
        assertTrue(
                answer.raw().headers().firstValue("Content-Type").orElse("").startsWith("application/problem+json"),
                answer.raw().headers().map().toString());
        assertEquals(answer.status(), answer.body().get("status").asInt());
    }

    private void assertRefusedAndNothingWritten(Answer answer) {
        assertRefused(answer);
        assertEquals(2, api.get(job).body().get("entries").size());
    }

    @Test
    void nullAmongItemsAndObservedValues() {
        assertRefusedAndNothingWritten(
                api.post(job + "/take-off", ApiClient.stamped(2, Map.of("items", Collections.singletonList(null)))));
        Map<String, Object> observed = ApiClient.stamped(2, Map.of("procedureId", "dry-walk", "rigCheck", "sound"));
        observed.put("observed", null);
        assertRefusedAndNothingWritten(api.post(job + "/readings", observed));
        assertRefusedAndNothingWritten(api.post(
                job + "/readings",
                ApiClient.stamped(
                        2,
                        Map.of(
                                "procedureId",
                                "free-play",
                                "rigCheck",
                                "sound",
                                "figures",
                                Arrays.asList(null, Map.of("id", "play", "text", "4", "unit", "mm"))))));
        Map<String, Object> unnamed = new HashMap<>(Map.of("text", "4", "unit", "mm"));
        unnamed.put("id", null);
        assertRefusedAndNothingWritten(api.post(
                job + "/readings",
                ApiClient.stamped(
                        2, Map.of("procedureId", "free-play", "rigCheck", "sound", "figures", List.of(unnamed)))));
        assertRefused(api.put(
                "/api/workshop",
                Map.of(
                        "version",
                        0,
                        "personId",
                        "ines-quill",
                        "lacks",
                        Collections.singletonList(null),
                        "helper",
                        true,
                        "lift",
                        true,
                        "prices",
                        Collections.singletonList(null))));
        for (String field : List.of(
                "behaviour", "layoutId", "vehicle", "complaint", "jobId", "entryId", "readingId", "mayBeMoved")) {
            Map<String, Object> intake = ApiClient.intake("Tarn SK 34", "sinks", "primary-piston-cup");
            intake.put(field, null);
            assertRefused(api.post("/api/jobs", intake));
        }
        for (String field : List.of("facts", "work")) {
            Map<String, Object> intake = ApiClient.intake("Tarn SK 34", "sinks", "primary-piston-cup");
            intake.put(field, Collections.singletonList(null));
            assertRefused(api.post("/api/jobs", intake));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"\\u0000", "\\ud800", "\\udc00 later", "a\\ud83d"})
    void textThatCannotBeKeptIsRefusedByTheNameOfItsField(String text) {
        for (String field : List.of("vehicle", "complaint", "hunchId", "layoutId")) {
            Map<String, Object> intake = ApiClient.intake("Tarn SK 35", "sinks", "primary-piston-cup");
            intake.put(field, "REPLACED");
            Answer answer = api.postText("/api/jobs", ApiClient.json(intake).replace("REPLACED", text));
            assertRefused(answer);
            assertEquals(
                    field, answer.body().get("findings").get(0).get("field").asString());
        }
        for (Map.Entry<String, Map<String, Object>> write : Map.<String, Map<String, Object>>of(
                        "/set-aside",
                        Map.of("procedureId", "reservoir", "why", "REPLACED"),
                        "/take-off",
                        Map.of("items", List.of("REPLACED")),
                        "/readings",
                        ApiClient.freePlay("REPLACED", "mm"),
                        "/notes",
                        Map.of("text", "REPLACED", "calculatorId", "travel"),
                        "/verdict",
                        Map.of("remedyIds", List.of("hand-back"), "grade", "OPEN", "why", "REPLACED"))
                .entrySet()) {
            assertRefusedAndNothingWritten(api.postText(
                    job + write.getKey(),
                    ApiClient.json(ApiClient.stamped(2, write.getValue())).replace("REPLACED", text)));
        }
        assertRefused(api.postText("/api/layouts/check", TARN.replace("\"Tarn box van\"", "\"" + text + "\"")));
        assertRefused(api.postText("/api/layouts/check", TARN.replace("\"about\"", "\"" + text + "\"")));
        assertEquals(
                200,
                api.post(
                                job + "/set-aside",
                                ApiClient.stamped(2, Map.of("procedureId", "reservoir", "why", "no lamp 🔦")))
                        .status(),
                "a whole pair is text");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/api/layouts/%00",
                "/api/layouts/%ED%A0%80",
                "/api/layouts/%",
                "/api/layouts/%zz",
                "/api/jobs?search=%00",
                "/api/jobs?search=%ED%B0%80",
                "/api/jobs/%00",
                "/api/calculators?layoutId=%00",
                "/api/jobs?after=x",
                "/api/jobs?stage=nowhere",
                "/api/jobs?most=0",
                "/api/jobs?most=many",
                "/error",
                "/api/nothing"
            })
    void strangeAddresses(String address) throws IOException {
        String answer = asked("GET " + address + " HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n");
        assertTrue(answer.matches("(?s)HTTP/1.1 4\\d\\d .*"), answer);
        assertTrue(answer.contains("application/problem+json"), answer);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "BLA\r\n\r\n",
                "GET / HTTP/9.1\r\nHost: 127.0.0.1\r\n\r\n",
                "GET /a[b HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n",
                "POST /api/jobs HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: -4\r\n\r\n",
                "TRACE /api/jobs HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n",
                "POST /api/jobs HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nTransfer-Encoding: chunked\r\nConnection: close\r\n\r\nzz\r\n"
            })
    void theContainersOwnPagesAreProblemDetailsToo(String request) throws IOException {
        String answer = asked(request);
        assertTrue(answer.contains("application/problem+json") && answer.contains("urn:overturn:problem:"), answer);
        assertTrue(!answer.contains("<html") && !answer.contains("Exception"), answer);
    }

    private String asked(String request) throws IOException {
        URI address = URI.create(server.address());
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            socket.setSoTimeout(20_000);
            socket.getOutputStream().write(request.getBytes(StandardCharsets.UTF_8));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "application/",
                "application/json;charset=foo",
                "/",
                ";;",
                "application/json;charset=utf-16",
                "a/b/c",
                "multipart/form-data",
                "text/html",
                "*/*",
                "application/*"
            })
    void oddContentTypes(String type) {
        assertRefusedAndNothingWritten(api.postText(
                job + "/readings",
                ApiClient.json(ApiClient.stamped(2, ApiClient.freePlay("4", "mm"))),
                "Content-Type",
                type));
    }

    @Test
    void whateverIsAcceptedTheAnswerIsJson() {
        for (String accept : List.of("foo", "image/png", "text/html", "application/xml;q=broken")) {
            Answer answer = api.postText(job + "/readings", "{}", "Accept", accept);
            assertRefusedAndNothingWritten(answer);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"pistonsPerSide\":1 | \"pistonsPerSide\":1e308",
                "\"pistonsPerSide\":1 | \"pistonsPerSide\":1e20",
                "\"pistonsPerSide\":1 | \"pistonsPerSide\":99",
                "\"secondaryStrokeMm\":14.0 | \"secondaryStrokeMm\":1e-308",
                "\"secondaryStrokeMm\":14.0 | \"secondaryStrokeMm\":0.5",
                "\"primaryStrokeMm\":15.0 | \"primaryStrokeMm\":1e400"
            })
    void strokesAndPistonsOutOfRange(String from, String to) {
        assertTrue(TARN.contains(from), TARN);
        Answer answer = api.postText("/api/layouts/check", TARN.replaceFirst(from.replace(".", "\\."), to));
        assertRefused(answer);
        assertTrue(answer.body().get("findings").size() > 0, answer.raw().body());
    }

    @Test
    void aSecondChamberThatFeedsNothing() {
        String bess = LayoutFiles.write(Presets.find("old-bess-tender").orElseThrow());
        assertTrue(bess.contains("\"secondaryStrokeMm\":0.0"), bess);
        Answer answer = api.postText(
                "/api/layouts/check", bess.replace("\"secondaryStrokeMm\":0.0", "\"secondaryStrokeMm\":14"));
        assertRefused(answer);
        assertTrue(answer.raw().body().contains("feeds nothing"), answer.raw().body());
    }

    @Test
    void anAuthorInABodyIsRefusedByName() {
        Map<String, Object> note = ApiClient.stamped(2, Map.of("text", "by somebody else"));
        Answer answer = api.post("juno-vale", job + "/notes", note);
        assertEquals(400, answer.status());
        assertEquals(
                "personId", answer.body().get("findings").get(0).get("field").asString());
    }

    @Test
    void aFigureOfManySpacesAndManyWhatIfs() {
        assertRefusedAndNothingWritten(api.post(
                job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4" + " ".repeat(60_000), "mm"))));
        List<Map<String, Object>> columns = IntStream.range(0, 5_000)
                .mapToObj(i -> Map.<String, Object>of("inputs", List.of()))
                .toList();
        assertRefused(api.post("/api/calculators/travel", Map.of("layoutId", "tarn-box-van", "columns", columns)));
        List<Map<String, String>> inputs = IntStream.range(0, 1_000)
                .mapToObj(i -> Map.of("id", "force", "text", "4", "unit", "N"))
                .toList();
        assertRefused(api.post(
                "/api/calculators/travel",
                Map.of("layoutId", "tarn-box-van", "columns", List.of(Map.of("inputs", inputs)))));
        assertRefusedAndNothingWritten(api.post(
                job + "/notes", ApiClient.stamped(2, Map.of("text", "n", "calculatorId", "travel", "inputs", inputs))));
    }
}
