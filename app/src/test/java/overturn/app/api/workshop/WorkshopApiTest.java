package overturn.app.api.workshop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;

/** What the workshop tells of itself, over HTTP against the real database, and what the plan makes of it. */
@ExtendWith(OverturnServer.class)
class WorkshopApiTest {

    private ApiClient api;

    @BeforeEach
    void begin(OverturnServer.Running server) {
        api = new ApiClient(server.address());
    }

    /** Other tests drive a well-equipped workshop. */
    @AfterEach
    void everythingBack() {
        tell(Map.of());
    }

    private int version() {
        return api.get("/api/workshop").body().get("version").asInt();
    }

    private Answer tell(Map<String, Object> changed) {
        Map<String, Object> body = new HashMap<>(Map.of(
                "version",
                version(),
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
        body.putAll(changed);
        return api.put("/api/workshop", body);
    }

    private static List<String> proposed(JsonNode job) {
        JsonNode assessment = job.get("assessment");
        return java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(assessment.get("next")),
                        StreamSupport.stream(assessment.get("others").spliterator(), false))
                .map(p -> p.get("procedureId").asString())
                .toList();
    }

    @Test
    void whatIsLackingIsNoLongerProposedAndComesBack() {
        String job = "/api/jobs/" + api.openJob("Tarn SK 71", "sinks", "primary-piston-cup");
        assertTrue(proposed(api.get(job).body()).containsAll(List.of("hoses-clamped", "port-plugs")));
        JsonNode told =
                tell(Map.of("lacks", List.of("clamps"), "helper", false)).body();
        assertFalse(told.get("helper").asBoolean());
        List<String> without = proposed(api.get(job).body());
        assertFalse(without.contains("hoses-clamped"));
        assertFalse(without.contains("port-plugs"), "a helper cracks the plug");
        tell(Map.of());
        assertTrue(proposed(api.get(job).body()).contains("hoses-clamped"));
    }

    @Test
    void withARateTheDecisionIsToldInMoneyToo() {
        String job = "/api/jobs/" + api.openJob("Tarn SK 72", "sinks", "primary-piston-cup");
        assertFalse(api.get(job).body().get("assessment").has("money"));
        tell(Map.of("ratePerHour", 90, "currency", "crowns"));
        JsonNode assessment = api.get(job).body().get("assessment");
        JsonNode money = assessment.get("money");
        assertEquals("crowns", money.get("currency").asString());
        assertEquals(
                1.5 * assessment.get("verdict").get("wrongPartMinutes").asDouble(),
                money.get("actNow").asDouble(),
                1e-9);
        assertEquals(
                1.5 * assessment.get("next").get("minutes").asDouble(),
                money.get("nextTest").asDouble(),
                1e-9);
    }

    @Test
    void dearerPartsMakeActingNowDearer() {
        String job = "/api/jobs/" + api.openJob("Tarn SK 73", "sinks", "primary-piston-cup");
        double plain = api.get(job)
                .body()
                .get("assessment")
                .get("verdict")
                .get("wrongPartMinutes")
                .asDouble();
        tell(Map.of("prices", List.of(Map.of("remedyId", "renew-master", "labourMinutes", 110, "partsMinutes", 2000))));
        double dear = api.get(job)
                .body()
                .get("assessment")
                .get("verdict")
                .get("wrongPartMinutes")
                .asDouble();
        assertTrue(dear > plain + 100, dear + " and " + plain);
    }

    @Test
    void theSameAgainChangesNothingAndAnOldVersionIsRefused() {
        int before = version();
        int after = tell(Map.of("lift", false)).body().get("version").asInt();
        assertEquals(before + 1, after);
        assertEquals(
                after,
                tell(Map.of("version", before, "lift", false))
                        .body()
                        .get("version")
                        .asInt(),
                "told already");
        Answer stale = tell(Map.of("version", before, "helper", false));
        assertEquals(409, stale.status());
        assertEquals("version", stale.body().get("findings").get(0).get("field").asString());
        assertEquals(after, version());
    }

    @Test
    void everyFieldThatIsWrongIsNamedAndNothingIsKept() {
        int before = version();
        Answer refused = tell(Map.of(
                "personId",
                "nobody",
                "lacks",
                List.of("eye"),
                "ratePerHour",
                -3,
                "currency",
                "",
                "prices",
                List.of(
                        Map.of("remedyId", "hope", "labourMinutes", 1, "partsMinutes", 1),
                        Map.of("remedyId", "set-rod", "labourMinutes", -1, "partsMinutes", 1))));
        assertEquals(422, refused.status());
        assertEquals(
                List.of(
                        "personId",
                        "lacks",
                        "ratePerHour",
                        "currency",
                        "prices.remedyId",
                        "prices.set-rod.labourMinutes"),
                StreamSupport.stream(refused.body().get("findings").spliterator(), false)
                        .map(f -> f.get("field").asString())
                        .toList());
        assertEquals(before, version());
    }
}
