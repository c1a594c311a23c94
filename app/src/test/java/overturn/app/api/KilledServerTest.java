package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.app.support.ServerProcess;
import tools.jackson.databind.JsonNode;

/** A server killed the moment after it acknowledged a reading has lost nothing. */
@ExtendWith(OverturnServer.class)
class KilledServerTest {

    private ServerProcess process;

    @AfterEach
    void stop() {
        process.close();
    }

    private ApiClient start() throws IOException, InterruptedException {
        process = ServerProcess.begin("127.0.0.1", "killed-server.log", Map.of());
        assertTrue(process.isUp(), "see target/killed-server.log");
        return new ApiClient("http://127.0.0.1:" + process.port());
    }

    /** Sessions are kept in the database. */
    @Test
    void aRestartSignsNobodyOut() throws Exception {
        String cookies = start().cookies("marit-osei");
        process.close();
        assertEquals(137, process.exitCode());
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
        process.close();
        assertEquals(200, acknowledged.status());
        assertEquals(137, process.exitCode(), "killed by signal 9");

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
