package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.HostileRequests;
import overturn.app.support.HostileRequests.Hostile;
import overturn.app.support.OverturnServer;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;
import tools.jackson.databind.JsonNode;

/**
 * Hostile requests against every path of the description: no server error, no slow answer, and no log changed but by
 * what was acknowledged. A bounded number here; {@code ./overturn attack} sends many.
 */
@ExtendWith(OverturnServer.class)
class HostileRequestsTest {

    private static final int REQUESTS = Integer.getInteger("hostile.requests", 1_500);
    private static final long SEED = Long.getLong("hostile.seed", 20261127L);
    private static final int JOBS = 4;
    private static final int AT_ONCE = 4;
    /** The suite shares its machine and only finds what hangs; {@code ./overturn attack} has it alone and asks 2 s. */
    private static final int MOST_SECONDS = Integer.getInteger("hostile.seconds", 20);

    private final HttpClient http = HttpClient.newHttpClient();
    private final List<String> faults = Collections.synchronizedList(new ArrayList<>());
    private final Map<Integer, AtomicInteger> statuses = new HashMap<>();
    private double slowestSeconds;

    private static Map<String, String> logs(JdbcClient jdbc) {
        Map<String, String> logs = new HashMap<>();
        jdbc.sql(
                        "select id::text as id, job_id || ' ' || sequence || ' ' || kind || ' ' || body as told from log_entry")
                .query((row, n) -> logs.put(row.getString("id"), row.getString("told")))
                .list();
        return logs;
    }

    @Test
    void nothingHostileIsAnsweredByAFaultOrSlowlyOrChangesALog(OverturnServer.Running server) throws Exception {
        ApiClient api = new ApiClient(server.address());
        JdbcClient jdbc = server.context().getBean(JdbcClient.class);
        JsonNode description = api.get("/api/openapi").body();
        List<String> jobs = IntStream.range(0, JOBS)
                .mapToObj(i -> api.openJob("Attacked " + i, "sinks", "primary-piston-cup"))
                .toList();
        Map<String, String> before = logs(jdbc);
        HostileRequests requests = new HostileRequests(
                SEED,
                server.address(),
                description,
                LayoutFiles.write(Presets.find("tarn-box-van").orElseThrow()),
                jobs,
                request -> api.sign(ATTACKER, request));
        int settings = api.get("/api/workshop").body().get("version").asInt();
        AtomicInteger acknowledged = new AtomicInteger();
        List<Thread> attackers = IntStream.range(0, AT_ONCE)
                .mapToObj(a -> new Thread(() -> attack(requests, acknowledged, a)))
                .toList();
        attackers.forEach(Thread::start);
        for (Thread attacker : attackers) {
            attacker.join();
        }
        Map<String, String> after = logs(jdbc);
        System.out.printf(
                "%d hostile requests on %d operations, seed %d: statuses %s, slowest %.2f s, %d writes acknowledged%n",
                REQUESTS, requests.operations(), SEED, statuses, slowestSeconds, acknowledged.get());
        api.forget(ATTACKER);
        restore(api, settings);
        assertEquals(List.of(), faults.stream().limit(5).toList());
        before.forEach((id, told) -> assertEquals(told, after.get(id), "an entry changed"));
        assertTrue(after.size() - before.size() <= 2 * acknowledged.get(), "only what was acknowledged is in the logs");
    }

    private void attack(HostileRequests requests, AtomicInteger acknowledged, int attacker) {
        for (int n = attacker; n < REQUESTS; n += AT_ONCE) {
            Hostile hostile;
            synchronized (requests) {
                hostile = requests.next(n / AT_ONCE + attacker);
            }
            try {
                Timed first = send(hostile);
                boolean again = first.seconds > MOST_SECONDS
                        && hostile.request().method().equals("GET");
                note(first.answer, again ? send(hostile).seconds : first.seconds, hostile, acknowledged);
            } catch (IOException closed) {
                note(hostile + " got no answer: " + closed);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    private static final String ATTACKER = "ines-quill";

    private record Timed(HttpResponse<String> answer, double seconds) {}

    /** One that is slow once may have met a machine that was busy elsewhere: what is read is slow if it is so twice. */
    private Timed send(Hostile hostile) throws IOException, InterruptedException {
        long from = System.nanoTime();
        HttpResponse<String> answer = http.send(hostile.request(), HttpResponse.BodyHandlers.ofString());
        return new Timed(answer, (System.nanoTime() - from) / 1e9);
    }

    /** One request of a hundred signs its session out; the next comes in anew. */
    private static void signedOut(HttpResponse<String> answer, URI at) {
        if (answer.statusCode() == 401 && answer.body().contains("not-signed-in")) {
            new ApiClient(at.getScheme() + "://" + at.getAuthority()).forget(ATTACKER);
        }
    }

    private synchronized void note(
            HttpResponse<String> answer, double seconds, Hostile hostile, AtomicInteger acknowledged) {
        signedOut(answer, hostile.request().uri());
        statuses.computeIfAbsent(answer.statusCode(), s -> new AtomicInteger()).incrementAndGet();
        slowestSeconds = Math.max(slowestSeconds, seconds);
        if (answer.statusCode() >= 500 || seconds > MOST_SECONDS) {
            note(answer.statusCode() + " after " + seconds + " s: " + hostile.told() + " → " + answer.body());
        }
        boolean refused = answer.statusCode() >= 400;
        if (refused
                && !hostile.request().method().equals("HEAD")
                && !answer.headers().firstValue("Content-Type").orElse("").startsWith("application/problem+json")) {
            note(answer.statusCode() + " without a problem: " + hostile.told() + " → "
                    + answer.headers().map());
        }
        if (!refused && !hostile.request().method().equals("GET")) {
            acknowledged.incrementAndGet();
        }
    }

    private void note(String fault) {
        faults.add(fault.length() > 1_500 ? fault.substring(0, 1_500) : fault);
    }

    /** Other tests expect the plain workshop. */
    private static void restore(ApiClient api, int before) {
        int version = api.get("/api/workshop").body().get("version").asInt();
        if (version != before) {
            api.put(
                    "/api/workshop",
                    Map.of(
                            "version",
                            version,
                            "personId",
                            "ines-quill",
                            "lacks",
                            List.of(),
                            "helper",
                            true,
                            "lift",
                            true,
                            "prices",
                            List.of()));
        }
    }
}
