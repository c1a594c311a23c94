package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;

/** What is told at intake: kept, given back, believed, and refused by name where it cannot be. */
@ExtendWith(OverturnServer.class)
class IntakeApiTest {

    private ApiClient api;

    @BeforeEach
    void client(OverturnServer.Running server) {
        api = new ApiClient(server.address());
    }

    private static Map<String, Object> springy() {
        return ApiClient.intake("Tarn SK 61", "springy", "air-in-front-end");
    }

    private static double suspicion(JsonNode job, String suspect) {
        return job.get("assessment")
                .get("suspects")
                .valueStream()
                .filter(s -> s.get("suspectId").asString().equals(suspect))
                .findFirst()
                .orElseThrow()
                .get("probability")
                .asDouble();
    }

    @Test
    void workAndFactsAreGivenBackAndMoveSuspicionByPlace() {
        JsonNode plain = api.post("/api/jobs", springy()).body();
        Map<String, Object> told = springy();
        told.put("work", List.of(Map.of("area", "front-hoses", "kind", "renewed", "bled", "no")));
        told.put("facts", List.of("comes-up-when-pumped"));
        JsonNode job = api.post("/api/jobs", told).body();
        assertEquals(
                "front-hoses", job.get("intake").get("work").get(0).get("area").asString());
        assertEquals(
                "comes-up-when-pumped", job.get("intake").get("facts").get(0).asString());
        assertTrue(suspicion(job, "air-in-front-end") > 2 * suspicion(plain, "air-in-front-end"));
        assertTrue(suspicion(job, "air-in-front-end") > suspicion(job, "air-in-rear-end"));
        JsonNode again = api.get("/api/jobs/" + job.get("id").asString()).body();
        assertEquals(job.get("intake"), again.get("intake"), "the same after it was read from the store");
    }

    @Test
    void whatTheLayoutDoesNotHaveIsRefusedByName() {
        Map<String, Object> told = springy();
        told.put("work", List.of(Map.of("area", "slave", "kind", "painted", "bled", "perhaps")));
        told.put("facts", List.of("fluid-at-slave"));
        Answer answer = api.post("/api/jobs", told);
        assertEquals(422, answer.status());
        assertEquals(
                List.of("work[0].area", "work[0].kind", "work[0].bled", "facts"),
                answer.body()
                        .get("findings")
                        .valueStream()
                        .map(f -> f.get("field").asString())
                        .toList());
    }

    @Test
    void aHunchIsOptionalAndMayBeNoneOfThese() {
        Map<String, Object> none = springy();
        none.remove("hunchId");
        assertEquals("", api.post("/api/jobs", none).body().get("hunchId").asString());
        Map<String, Object> elsewhere = springy();
        elsewhere.put("hunchId", "none-of-these");
        assertEquals(
                "none-of-these",
                api.post("/api/jobs", elsewhere).body().get("hunchId").asString());
    }

    @Test
    void whatMayNotBeMovedIsNotDriven() {
        Map<String, Object> stands = springy();
        stands.put("mayBeMoved", false);
        JsonNode held = api.post("/api/jobs", stands).body().get("assessment");
        Map<String, Object> moves = springy();
        moves.put("mayBeMoved", true);
        JsonNode free = api.post("/api/jobs", moves).body().get("assessment");
        for (String test : List.of("driven", "wheel-temperatures", "hot-then-soft", "modulator-fuse")) {
            assertFalse(proposed(held, test), test);
            assertTrue(proposed(free, test), test);
        }
    }

    private static boolean proposed(JsonNode assessment, String test) {
        return assessment
                .get("others")
                .valueStream()
                .anyMatch(p -> p.get("procedureId").asString().equals(test));
    }

    @Test
    void aComplaintAloneIsNotDriven() {
        JsonNode mayMove = api.post("/api/jobs", ApiClient.intake("Tarn SK 62", "sinks", "primary-piston-cup"))
                .body()
                .get("status")
                .get("mayMove");
        assertEquals("NOT_AT_ALL", mayMove.get("answer").asString());
        assertEquals("STAYS", mayMove.get("because").get(0).get("kind").asString());
    }
}
