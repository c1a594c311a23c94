package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ExerciseFlow;
import overturn.app.support.OverturnServer;
import overturn.app.support.ServerProcess;
import overturn.app.workshop.OneAtATime;

/** Two servers on one database are one to whoever works there. */
@ExtendWith(OverturnServer.class)
class SeveralServersTest {

    private static ServerProcess other;
    private static ApiClient there;

    @BeforeAll
    static void another() throws Exception {
        other = ServerProcess.begin("127.0.0.1", "other-server.log", Map.of("OVERTURN_INSTANCE", "other"));
        assertTrue(other.isUp(), "see target/other-server.log");
        there = new ApiClient("http://127.0.0.1:" + other.port());
    }

    @AfterAll
    static void gone() {
        other.close();
    }

    private static HttpResponse<InputStream> stream(String address, String cookies) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address + "/api/events"))
                                .header("Cookie", cookies)
                                .build(),
                        HttpResponse.BodyHandlers.ofInputStream());
    }

    @Test
    void whoSignedInAtOneIsSignedInAtTheOtherAndHearsWhatIsWrittenThere(OverturnServer.Running server)
            throws Exception {
        ApiClient here = new ApiClient(server.address());
        String job = here.openJob("Tarn SK 501", "sinks", "primary-piston-cup");
        HttpResponse<InputStream> events = stream(there.address(), here.cookies("marit-osei"));
        assertEquals(200, events.statusCode(), "the session of one is known at the other");
        CompletableFuture<String> heard = CompletableFuture.supplyAsync(
                () -> new BufferedReader(new InputStreamReader(events.body(), StandardCharsets.UTF_8))
                        .lines()
                        .filter(line -> line.contains(job) && line.contains("\"sequence\":3"))
                        .findFirst()
                        .orElseThrow());
        ApiClient.Answer written =
                here.post("/api/jobs/" + job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4.5", "mm")));
        assertEquals(200, written.status());
        assertTrue(heard.get(10, TimeUnit.SECONDS).contains(job));
        assertEquals(
                written.body().get("assessment"),
                there.get("/api/jobs/" + job).body().get("assessment"),
                "both say the same of the same log");
        events.body().close();
    }

    @Test
    void aVehicleOfAnExerciseIsWorkedOnAtEitherAndIsTheSame(OverturnServer.Running server) {
        ApiClient here = new ApiClient(server.address());
        String exercise =
                new ExerciseFlow(here, "ines-quill", "hold-off-and-on").open().id();
        String path = "/api/practice/exercises/" + exercise;
        boolean began = engineOn(here, path);
        act(here, path, !began);
        assertEquals(!began, engineOn(there, path), "rebuilt from its seed and what was done");
        act(there, path, began);
        assertEquals(began, engineOn(here, path), "the other went on with it meanwhile");
        act(here, path, !began);
        assertEquals(!began, engineOn(there, path));
    }

    private static boolean engineOn(ApiClient api, String path) {
        return api.get(path).body().get("rig").get("engineOn").asBoolean();
    }

    private static void act(ApiClient api, String path, boolean on) {
        ApiClient.Answer answer = api.post(
                "ines-quill",
                path + "/acts",
                Map.of("entryId", UUID.randomUUID().toString(), "act", "engine", "on", on));
        assertEquals(200, answer.status(), answer.body().toString());
    }

    @Test
    void whatOneDoesTheOtherLeavesAlone(OverturnServer.Running server) {
        OneAtATime oneAtATime = server.context().getBean(OneAtATime.class);
        boolean done = oneAtATime.unlessAnotherDoes(
                "of this test",
                () -> assertEquals(
                        false,
                        CompletableFuture.supplyAsync(() -> oneAtATime.unlessAnotherDoes("of this test", () -> {}))
                                .join(),
                        "somebody does it already"));
        assertTrue(done);
        assertTrue(oneAtATime.unlessAnotherDoes("of this test", () -> {}), "it is free again");
    }
}
