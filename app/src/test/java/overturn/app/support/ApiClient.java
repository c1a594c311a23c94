package overturn.app.support;

import static org.junit.jupiter.api.Assertions.assertAll;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A machine client of the API. */
public final class ApiClient {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;

    public ApiClient(String address) {
        this.address = address;
    }

    /** Status, headers and body of an answer. */
    public record Answer(int status, JsonNode body, HttpResponse<String> raw) {

        /** Asserts problem details of this status and kind, without a trace of our own classes. */
        public void assertRefused(int expectedStatus, String problem) {
            assertAll(
                    () -> assertEquals(expectedStatus, status, raw.body()),
                    () -> assertTrue(
                            raw.headers().firstValue("Content-Type").orElse("").startsWith("application/problem+json")),
                    () -> assertTrue(body.get("type").asString().endsWith(problem), raw.body()),
                    () -> assertFalse(raw.body().contains("Exception"), "no trace of our own classes"));
        }
    }

    public Answer get(String path) {
        return send(HttpRequest.newBuilder(URI.create(address + path)).GET());
    }

    /** A file as it comes. */
    public HttpResponse<byte[]> bytes(String path) {
        try {
            return http.send(
                    HttpRequest.newBuilder(URI.create(address + path)).GET().build(),
                    HttpResponse.BodyHandlers.ofByteArray());
        } catch (IOException e) {
            throw new IllegalStateException("No answer from " + address, e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public Answer post(String path, Object body) {
        return postText(path, MAPPER.writeValueAsString(body));
    }

    /** Puts a table of comma-separated values. */
    public Answer putTable(String path, String table) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "text/csv")
                .PUT(BodyPublishers.ofString(table)));
    }

    public Answer put(String path, Object body) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .PUT(BodyPublishers.ofString(MAPPER.writeValueAsString(body))));
    }

    public Answer postText(String path, String body, String... headers) {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(address + path)).header("Content-Type", "application/json");
        for (int i = 0; i < headers.length; i += 2) {
            request.setHeader(headers[i], headers[i + 1]);
        }
        return send(request.POST(BodyPublishers.ofString(body)));
    }

    /** A body as JSON text. */
    public static String json(Object body) {
        return MAPPER.writeValueAsString(body);
    }

    /** Sends a body without announcing its length. */
    public Answer postStreamed(String path, byte[] body) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.fromPublisher(BodyPublishers.ofByteArray(body))));
    }

    private Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<String> raw = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            boolean json = raw.headers().firstValue("Content-Type").orElse("").contains("json");
            return new Answer(raw.statusCode(), json ? MAPPER.readTree(raw.body()) : MAPPER.nullNode(), raw);
        } catch (IOException e) {
            throw new IllegalStateException("No answer from " + address, e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Opens a job for a sinking Tarn and returns its id. */
    public String openJob(String vehicle, String behaviour, String hunch) {
        Map<String, Object> intake = intake(vehicle, behaviour, hunch);
        Answer answer = post("/api/jobs", intake);
        if (answer.status() != 201) {
            throw new IllegalStateException("Job not opened: " + answer.raw().body());
        }
        return (String) intake.get("jobId");
    }

    /** A sound intake, to be spoiled by tests of refusals. */
    public static Map<String, Object> intake(String vehicle, String behaviour, String hunch) {
        Map<String, Object> intake = new LinkedHashMap<>();
        intake.put("jobId", UUID.randomUUID().toString());
        intake.put("entryId", UUID.randomUUID().toString());
        intake.put("readingId", UUID.randomUUID().toString());
        intake.put("personId", "marit-osei");
        intake.put("vehicle", vehicle);
        intake.put("layoutId", "tarn-box-van");
        intake.put("complaint", "Sinks at the ferry ramp");
        intake.put("behaviour", behaviour);
        intake.put("hunchId", hunch);
        intake.put("mayBeMoved", false);
        return intake;
    }

    /** A write that carries a stamp behind the given sequence. */
    public static Map<String, Object> stamped(int sequence, Map<String, Object> fields) {
        Map<String, Object> body = new LinkedHashMap<>(fields);
        body.put("entryId", UUID.randomUUID().toString());
        body.put("sequence", sequence);
        body.put("personId", "tobias-renn");
        return body;
    }

    /** A reading of free play as typed. */
    public static Map<String, Object> freePlay(String text, String unit) {
        return Map.of(
                "procedureId",
                "free-play",
                "rigCheck",
                "sound",
                "figures",
                List.of(Map.of("id", "play", "text", text, "unit", unit)));
    }
}
