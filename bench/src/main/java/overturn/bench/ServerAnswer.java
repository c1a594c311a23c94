package overturn.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.UUID;

/**
 * Milliseconds from sending a reading to holding the whole redrawn assessment, over HTTP, the reading in PostgreSQL by
 * then.
 */
public final class ServerAnswer {

    private static final int WARM_UP_JOBS = 12;
    private static final int JOBS = 60;
    /** A sinking van in the order of the plan; each is entered behind the one before. */
    private static final List<String> READINGS = List.of(
            observed("reservoir", "steady"),
            observed("dry-walk", "all-dry"),
            series("free-play", "play", 4),
            series("hold-medium", "at-5", 36, "at-15", 39, "at-30", 44, "at-60", 54),
            series("hold-gentle", "at-5", 25, "at-15", 27, "at-30", 30, "at-60", 36),
            series("assist-drop", "drop", 24),
            series("pump-up", "stroke-1", 30, "stroke-3", 27, "stroke-5", 27, "held-20", 32),
            series("parking-brake", "off", 30, "on", 27),
            series("port-plugs", "travel", 13, "sink-0", 6, "sink-3", 6, "sink-6", 6, "sink-9", 2, "sink-12", 1));

    private final SignedInClient http;
    private final String address;

    private ServerAnswer(String address) throws IOException, InterruptedException {
        this.http = new SignedInClient(address);
        this.address = address;
    }

    /** @param arguments address of a running server, for example {@code http://127.0.0.1:8117} */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        ServerAnswer measure = new ServerAnswer(arguments[0]);
        for (int i = 0; i < WARM_UP_JOBS; i++) {
            measure.job();
        }
        List<Double> millis = new ArrayList<>();
        for (int i = 0; i < JOBS; i++) {
            millis.addAll(measure.job());
        }
        Collections.sort(millis);
        System.out.printf(
                Locale.ROOT,
                "reading to redrawn assessment, %d answers: p50 %.1f ms, p95 %.1f ms, most %.1f ms%n",
                millis.size(),
                millis.get(millis.size() / 2),
                millis.get(millis.size() * 95 / 100),
                millis.get(millis.size() - 1));
    }

    private List<Double> job() throws IOException, InterruptedException {
        String id = UUID.randomUUID().toString();
        post("/api/jobs", """
                {"jobId":"%s","entryId":"%s","readingId":"%s","vehicle":"Bench","layoutId":"tarn-box-van",
                 "complaint":"sinks","behaviour":"sinks","hunchId":"primary-piston-cup","mayBeMoved":false}
                """.formatted(id, UUID.randomUUID(), UUID.randomUUID()), 201);
        List<Double> millis = new ArrayList<>();
        for (int i = 0; i < READINGS.size(); i++) {
            String stamp = "{\"entryId\":\"%s\",\"sequence\":%d,".formatted(UUID.randomUUID(), 2 + i);
            long from = System.nanoTime();
            post("/api/jobs/" + id + "/readings", stamp + READINGS.get(i), 200);
            millis.add((System.nanoTime() - from) / 1e6);
        }
        return millis;
    }

    private void post(String path, String body, int expected) throws IOException, InterruptedException {
        var answer = http.send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
        if (answer.statusCode() != expected) {
            throw new IllegalStateException("Answer " + answer.statusCode() + ": " + answer.body());
        }
    }

    private static String observed(String test, String option) {
        return "\"procedureId\":\"%s\",\"figures\":[],\"observed\":\"%s\",\"rigCheck\":\"sound\",\"anotherRig\":false}"
                .formatted(test, option);
    }

    private static String series(String test, Object... figures) {
        List<String> parts = new ArrayList<>();
        for (int i = 0; i < figures.length; i += 2) {
            parts.add("{\"id\":\"%s\",\"text\":\"%s\",\"unit\":\"mm\"}".formatted(figures[i], figures[i + 1]));
        }
        return "\"procedureId\":\"%s\",\"figures\":%s,\"observed\":\"\",\"rigCheck\":\"sound\",\"anotherRig\":false}"
                .formatted(test, parts);
    }
}
