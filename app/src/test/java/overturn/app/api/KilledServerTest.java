package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;

/** A server killed the moment after it acknowledged a reading has lost nothing. */
@ExtendWith(OverturnServer.class)
class KilledServerTest {

    private Process process;

    @AfterEach
    void stop() {
        process.destroyForcibly();
    }

    private ApiClient start() throws IOException, InterruptedException {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        process = new ProcessBuilder(
                        System.getProperty("java.home") + "/bin/java",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "overturn.app.OverturnApplication",
                        "--server.port=" + port)
                .redirectErrorStream(true)
                .redirectOutput(new File("target/killed-server.log"))
                .start();
        ApiClient api = new ApiClient("http://127.0.0.1:" + port);
        Instant end = Instant.now().plus(Duration.ofSeconds(60));
        while (Instant.now().isBefore(end) && process.isAlive()) {
            try {
                if (api.get("/api/health").status() == 200) {
                    return api;
                }
            } catch (IllegalStateException notYet) {
                Thread.sleep(200);
            }
        }
        throw new AssertionError("The server did not start; see target/killed-server.log");
    }

    /** Sessions are kept in the database. */
    @Test
    void aRestartSignsNobodyOut() throws Exception {
        String cookies = start().cookies("marit-osei");
        process.destroyForcibly();
        assertTrue(process.waitFor(10, TimeUnit.SECONDS));
        HttpResponse<String> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(start().address() + "/api/session"))
                                .header("Cookie", cookies)
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        assertTrue(answer.body().contains("\"id\":\"marit-osei\""), answer.body());
    }

    @Test
    void anAcknowledgedReadingSurvivesKillMinusNine() throws Exception {
        ApiClient api = start();
        String job = "/api/jobs/" + api.openJob("Tarn SK 40", "sinks", "primary-piston-cup");
        ApiClient.Answer acknowledged =
                api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4,5", "mm")));
        process.destroyForcibly();
        assertEquals(200, acknowledged.status());
        assertTrue(process.waitFor(10, TimeUnit.SECONDS));
        assertEquals(137, process.exitValue(), "killed by signal 9");

        JsonNode after = start().get(job).body();
        assertEquals(
                "4,5",
                after.get("entries").get(2).get("figures").get(0).get("text").asString());
        assertEquals(
                acknowledged.body().get("assessment"),
                after.get("assessment"),
                "the same log gives the same assessment");
    }
}
