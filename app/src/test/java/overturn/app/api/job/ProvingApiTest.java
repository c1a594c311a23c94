package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static overturn.app.support.RepairFlow.gateState;
import static overturn.app.support.RepairFlow.repair;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import tools.jackson.databind.JsonNode;

/** Checks that are measured, told several at once, and done the next day, over HTTP against the real database. */
@ExtendWith(OverturnServer.class)
class ProvingApiTest {

    private ApiClient api;
    private String job;
    private RepairFlow flow;

    @BeforeEach
    void accepted(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        flow = RepairFlow.acceptedMaster(api);
        job = flow.job();
    }

    private JsonNode now() {
        return flow.now();
    }

    private Answer post(String what, Map<String, Object> fields) {
        return flow.post(what, fields);
    }

    private JsonNode check(String id) {
        return Stream.of("chocks", "yard", "road", "next-day")
                .flatMap(gate -> RepairFlow.checks(now(), gate).stream())
                .filter(c -> c.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** An upgrade judges by other limits: what was acknowledged before it and is sent again is still the same entry. */
    @Test
    void aMeasuredCheckThatIsSentAgainAfterAnUpgradeStandsAsItWas(OverturnServer.Running server) {
        flow.tickAll();
        flow.bleed();
        String reading = flow.measure("hold-medium", 0)
                .body()
                .get("entries")
                .valueStream()
                .filter(entry -> entry.path("procedureId").asString("").equals("hold-medium"))
                .reduce((a, b) -> b)
                .orElseThrow()
                .get("id")
                .asString();
        UUID earlier = UUID.randomUUID();
        int sequence = now().get("sequence").asInt() + 1;
        server.context()
                .getBean(JdbcClient.class)
                .sql("""
                        insert into log_entry (id, job_id, sequence, log_taken_at, log_entered_at, person_id, catalogue_version, kind, body_version, body)
                        select :id, job_id, :sequence, log_taken_at, log_entered_at, person_id, catalogue_version, kind, body_version,
                               jsonb_set(body, '{judged,0,most}', '1000')
                          from log_entry
                         where job_id = :job and kind = 'check-done'
                         order by log_entry.sequence desc limit 1""")
                .param("id", earlier)
                .param("sequence", sequence)
                .param("job", UUID.fromString(job.substring(job.lastIndexOf('/') + 1)))
                .update();
        Map<String, Object> again = new HashMap<>(Map.of("checkId", "holds-sixty", "readingId", reading));
        again.put("entryId", earlier.toString());
        again.put("sequence", sequence - 1);
        again.put("personId", "ines-quill");
        assertEquals(200, api.post(job + "/checks", again).status());
        assertEquals(sequence, now().get("sequence").asInt(), "nothing was added");
        again.put("seen", "something else");
        assertEquals(409, api.post(job + "/checks", again).status(), "another entry under the same id");
    }

    @Test
    void aMeasurementPassesByItsReadingAndATapPassesNone() {
        flow.tickAll();
        flow.bleed();
        Answer tapped = post("checks", Map.of("checkId", "holds-sixty", "outcome", "passed"));
        tapped.assertRefused(422, "input-not-allowed");
        assertEquals(
                "readingId", tapped.body().get("findings").get(0).get("field").asString());
        flow.measure("hold-medium", 0);
        JsonNode held = check("holds-sixty");
        assertEquals("passed", held.get("outcome").asString());
        assertEquals(
                "sank",
                held.get("judged")
                        .valueStream()
                        .reduce((a, b) -> b)
                        .orElseThrow()
                        .get("figureId")
                        .asString());
        flow.measure("travel-at-forces", 40);
        JsonNode travel = check("travel-again");
        assertEquals("failed", travel.get("outcome").asString(), "four centimetres too long");
        assertEquals("FAILED", gateState(now(), "chocks"));
    }

    @Test
    void aHoldThatSinksFailsThoughItsTravelIsThatOfASoundOne() {
        flow.tickAll();
        flow.bleed();
        flow.measure("hold-medium", 8);
        JsonNode held = check("holds-sixty");
        assertEquals("failed", held.get("outcome").asString());
        JsonNode sank = held.get("judged").valueStream().reduce((a, b) -> b).orElseThrow();
        assertTrue(sank.get("value").asDouble() > sank.get("most").asDouble(), sank.toString());
    }

    @Test
    void aReadingOfBeforeTheCircuitWasClosedPassesNothing() {
        flow.measure("hold-medium", 0);
        String reading = now().get("entries")
                .valueStream()
                .reduce((a, b) -> b)
                .orElseThrow()
                .get("id")
                .asString();
        flow.tickAll();
        flow.bleed();
        post("checks", Map.of("checkId", "holds-sixty", "readingId", reading)).assertRefused(422, "input-not-allowed");
        assertEquals("", RepairFlow.outcome(now(), "holds-sixty"));
    }

    @Test
    void aHoldThatWasBrokenOffIsAReadingAndDecidesNothing() {
        flow.tickAll();
        flow.bleed();
        Answer broken = post(
                "readings",
                Map.of(
                        "procedureId",
                        "hold-medium",
                        "figures",
                        List.of(flow.soundFigures("hold-medium", 0).get(0)),
                        "rigCheck",
                        "sound",
                        "observed",
                        ""));
        assertEquals(200, broken.status(), broken.body().toString());
        assertEquals("", RepairFlow.outcome(now(), "holds-sixty"));
    }

    @Test
    void aReadingThatIsStruckPassesItsCheckNoMore() {
        flow.tickAll();
        flow.bleed();
        flow.measure("hold-medium", 0);
        String reading = check("holds-sixty").get("readingId").asString();
        post("strikes", Map.of("struckId", reading, "why", "the tape slipped"));
        assertEquals("", RepairFlow.outcome(now(), "holds-sixty"));
    }

    @Test
    void severalStepsAndLooksAreToldAtOnceAndSentTwiceTheyAreThereOnce() {
        flow.done(0);
        Map<String, Object> body = ApiClient.stamped(
                now().get("sequence").asInt(),
                Map.of("key", "hold@pedal", "also", List.of("cover@reservoir", "spend-reserve@assist")));
        assertEquals(200, api.post(job + "/work-steps", body).status());
        int entries = now().get("entries").size();
        assertEquals(200, api.post(job + "/work-steps", body).status());
        assertEquals(entries, now().get("entries").size());
        post("work-steps", Map.of("key", "wash@master", "also", List.of("compare-bore@master")))
                .assertRefused(422, "input-not-allowed");
        assertEquals(entries, now().get("entries").size(), "one of them asks for figures: none is written");
        flow.tickAll();
        flow.bleed();
        post(
                "checks",
                Map.of(
                        "checkId",
                        "parking-brake-proven",
                        "outcome",
                        "passed",
                        "also",
                        List.of("pumped-firm", "hard-press")));
        assertEquals("passed", RepairFlow.outcome(now(), "hard-press"));
    }

    @Test
    void aRodThatHoldsThePortShutStopsThePlan() {
        Map<String, Object> figures = Map.of(
                "key",
                "output-rod-set@assist",
                "figures",
                List.of(
                        Map.of("id", "rod-depth", "text", "12.4", "unit", "mm"),
                        Map.of("id", "master-depth", "text", "11.9", "unit", "mm")));
        post("work-steps", figures);
        assertTrue(step("output-rod-set@assist").get("mismatched").asBoolean());
        post(
                "work-steps",
                Map.of(
                        "key",
                        "output-rod-set@assist",
                        "figures",
                        List.of(
                                Map.of("id", "rod-depth", "text", "11.4", "unit", "mm"),
                                Map.of("id", "master-depth", "text", "11.9", "unit", "mm"))));
        assertFalse(step("output-rod-set@assist").get("mismatched").asBoolean(), "corrected, no reason is asked");
        assertTrue(step("output-rod-set@assist").has("done"));
    }

    private JsonNode step(String key) {
        return repair(now())
                .get("steps")
                .valueStream()
                .filter(s -> s.get("key").asString().equals(key))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theNextDayComesAfterANightOrTheSetDistanceAndEarlierCountsForNothing() {
        flow.done(0).releaseConditionally();
        post("checks", Map.of("checkId", "level-same", "outcome", "passed")).assertRefused(422, "input-not-allowed");
        post("checks", Map.of("checkId", "level-same", "outcome", "passed", "early", true))
                .assertRefused(422, "input-not-allowed");
        post("checks", Map.of("checkId", "level-same", "outcome", "passed", "early", true, "seen", "ferry at six"));
        assertEquals("", RepairFlow.outcome(now(), "level-same"));
        assertEquals("ferry at six", check("level-same").get("early").get("why").asString());
        post("release", Map.of("conditional", false)).assertRefused(422, "input-not-allowed");
        post("checks", Map.of("checkId", "level-same", "outcome", "passed", "drivenKm", 40))
                .assertRefused(422, "input-not-allowed");
        post(
                "checks",
                Map.of("checkId", "level-same", "outcome", "passed", "drivenKm", 60, "also", List.of("still-dry")));
        flow.measure("travel-at-forces", 0);
        String reading = now().get("entries")
                .valueStream()
                .reduce((a, b) -> b)
                .orElseThrow()
                .get("id")
                .asString();
        post("checks", Map.of("checkId", "travel-same", "readingId", reading, "drivenKm", 60));
        assertEquals(
                "released",
                post("release", Map.of("conditional", false))
                        .body()
                        .get("stage")
                        .asString());
    }
}
