package overturn.app.support;

import static org.junit.jupiter.api.Assertions.assertAll;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A machine client of the API that signs in as people do. Who sends a body is told by its {@code personId}, which is
 * taken out of it: the server knows authors by their sessions alone.
 */
public final class ApiClient {

    /** Of all people of the demo on servers of tests. */
    public static final String PASSWORD = System.getProperty("overturn.cluster.password", "salt-and-short-trips");
    /** The same on shop tablets. */
    public static final String PIN = "7391";
    /** Of the commands of the machine. */
    public static final String OPERATOR = "operator-of-the-tests";

    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final String LEAD = "ines-quill";
    private static final Map<String, Device> DEVICES = new ConcurrentHashMap<>();

    /** So long an insisting client sends again; a server that was killed is back by then. */
    private static final Duration INSISTS = Duration.ofMinutes(5);

    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;
    private final Consumer<String> acknowledged;

    public ApiClient(String address) {
        this(address, null);
    }

    private ApiClient(String address, Consumer<String> acknowledged) {
        this.address = address;
        this.acknowledged = acknowledged;
    }

    /**
     * One that sends what was not answered again, as it is, until it is: as the pages do. It tells every body that was
     * written and acknowledged.
     */
    public ApiClient insisting(Consumer<String> told) {
        return new ApiClient(address, told);
    }

    public String address() {
        return address;
    }

    private Device device(String personId) {
        return DEVICES.computeIfAbsent(address + " " + personId, key -> {
            Device device = new Device(address);
            device.signIn(personId);
            return device;
        });
    }

    /** The cookies of somebody who is signed in, for a client of another kind. */
    public String cookies(String personId) {
        return device(personId).header();
    }

    /** Has a request come from somebody who is signed in. */
    public void sign(String personId, HttpRequest.Builder request) {
        device(personId).sign(request);
    }

    /** Signs somebody in anew the next time. */
    public void forget(String personId) {
        DEVICES.remove(address + " " + personId);
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
        return get(LEAD, path);
    }

    public Answer get(String personId, String path) {
        Supplier<Answer> asking = () -> send(
                personId, HttpRequest.newBuilder(URI.create(address + path)).GET());
        return acknowledged == null ? asking.get() : insist(asking);
    }

    public Answer delete(String personId, String path) {
        return send(personId, HttpRequest.newBuilder(URI.create(address + path)).DELETE());
    }

    /** As a command of this machine, by its token. */
    public Answer asOperator(String method, String path) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Authorization", "Bearer " + OPERATOR)
                .method(method, BodyPublishers.noBody()));
    }

    /** A file as it comes. */
    public HttpResponse<byte[]> bytes(String path) {
        try {
            return http.send(
                    HttpRequest.newBuilder(URI.create(address + path))
                            .header("Cookie", cookies(LEAD))
                            .GET()
                            .build(),
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

    public Answer post(String personId, String path, Object body) {
        return send(personId, posting(path, MAPPER.writeValueAsString(body)));
    }

    private HttpRequest.Builder posting(String path, String body) {
        return HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString(body));
    }

    /** A body without who sends it, and who does. */
    private record Authored(String personId, String body) {

        private static final Pattern TOLD = Pattern.compile("\"personId\":\"([a-z-]+)\",|,\"personId\":\"([a-z-]+)\"");

        /** Taken out of the text as it stands, which may be no JSON; a job file names people of its own. */
        static Authored of(String path, String body) {
            Matcher told = TOLD.matcher(body);
            return !path.equals("/api/job-files") && told.find()
                    ? new Authored(
                            told.group(1) == null ? told.group(2) : told.group(1),
                            body.substring(0, told.start()) + body.substring(told.end()))
                    : new Authored(LEAD, body);
        }
    }

    /** Puts a table of comma-separated values. */
    public Answer putTable(String path, String table) {
        return send(
                LEAD,
                HttpRequest.newBuilder(URI.create(address + path))
                        .header("Content-Type", "text/csv")
                        .PUT(BodyPublishers.ofString(table)));
    }

    public Answer put(String path, Object body) {
        Authored authored = Authored.of(path, MAPPER.writeValueAsString(body));
        return send(
                authored.personId(),
                HttpRequest.newBuilder(URI.create(address + path))
                        .header("Content-Type", "application/json")
                        .PUT(BodyPublishers.ofString(authored.body())));
    }

    public Answer postText(String path, String body, String... headers) {
        Authored authored = Authored.of(path, body);
        Supplier<Answer> sending = () -> {
            HttpRequest.Builder request = posting(path, authored.body());
            for (int i = 0; i < headers.length; i += 2) {
                request.setHeader(headers[i], headers[i + 1]);
            }
            return send(authored.personId(), request);
        };
        if (acknowledged == null) {
            return sending.get();
        }
        Answer answer = insist(sending);
        if (answer.status() / 100 == 2) {
            acknowledged.accept(authored.body());
        }
        return answer;
    }

    private static Answer insist(Supplier<Answer> sending) {
        Instant end = Instant.now().plus(INSISTS);
        while (true) {
            try {
                Answer answer = sending.get();
                if (answer.status() < 500 || Instant.now().isAfter(end)) {
                    return answer;
                }
            } catch (IllegalStateException | UncheckedIOException notAnswered) {
                if (Instant.now().isAfter(end)) {
                    throw notAnswered;
                }
            }
            try {
                Thread.sleep(200);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("Ended", e);
            }
        }
    }

    /** A body as JSON text. */
    public static String json(Object body) {
        return MAPPER.writeValueAsString(body);
    }

    /** Sends a body without announcing its length. */
    public Answer postStreamed(String path, byte[] body) {
        return send(
                LEAD,
                HttpRequest.newBuilder(URI.create(address + path))
                        .header("Content-Type", "application/json")
                        .POST(BodyPublishers.fromPublisher(BodyPublishers.ofByteArray(body))));
    }

    private Answer send(String personId, HttpRequest.Builder request) {
        sign(personId, request);
        return send(request);
    }

    private static Answer send(HttpRequest.Builder request) {
        return Device.answered(request.build());
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
