package overturn.app.api.record;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.ExerciseFlow;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import tools.jackson.databind.JsonNode;

/**
 * A job that is closed stands in the record, is found by what was said and done, and moves later jobs, never itself.
 */
@ExtendWith(OverturnServer.class)
class RecordApiTest {

    private static final int LONG_AGO_DAYS = 60;

    private static String closedMaster(ApiClient api, String vehicle, String note) {
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + api.openJob(vehicle, "sinks", "primary-piston-cup"))
                .done(60)
                .accept();
        assertEquals(200, flow.post("notes", Map.of("text", note)).status());
        flow.done(40).releaseConditionally();
        flow.done(0).pass("next-day");
        assertEquals(200, flow.post("release", Map.of("conditional", false)).status());
        flow.now();
        return flow.job().replace("/api/jobs/", "");
    }

    private static List<JsonNode> found(ApiClient api, String query) {
        Answer answer = api.get("/api/record?" + query);
        assertEquals(200, answer.status(), answer.body().toString());
        return answer.body().get("lines").valueStream().toList();
    }

    private static boolean holds(List<JsonNode> lines, String jobId) {
        return lines.stream().anyMatch(line -> line.get("jobId").asString().equals(jobId));
    }

    private static String query(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static JsonNode frequencies(ApiClient api, String jobId) {
        return api.get("/api/jobs/" + jobId).body().get("assessment").get("frequencies");
    }

    @Test
    void aClosedJobIsFoundByWhatWasSaidWrittenAndDone(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String job = closedMaster(api, "Tarn SK 301", "The pushrod boot was torn and packed with salt.");
        JsonNode line = found(api, "search=" + query("torn boots")).stream()
                .filter(one -> one.get("jobId").asString().equals(job))
                .findFirst()
                .orElseThrow(() -> new AssertionError("a note is found by other forms of its words"));
        assertEquals("renew-master", line.get("remedies").get(0).asString());
        assertEquals("released", line.get("stage").asString());
        assertTrue(line.get("hunchHeld").asBoolean(), "the cup that was bet on is cured by the master");
        assertEquals("sinks", line.get("behaviour").asString());
        assertTrue(holds(found(api, "search=" + query("\"ferry ramp\"")), job));
        assertFalse(holds(found(api, "search=" + query("torn -salt")), job));
        assertTrue(holds(found(api, "search=301"), job));
        assertTrue(holds(found(api, "remedyId=renew-master&behaviour=sinks&personId=tobias-renn"), job));
        assertFalse(holds(found(api, "remedyId=set-rod"), job));
        assertFalse(holds(found(api, "cameBack=true"), job));
        assertFalse(holds(found(api, "to=2020-01-01"), job));
        assertTrue(holds(found(api, "from=2020-01-01"), job));
        String table = api.get("/api/record.csv?search=301").raw().body();
        assertTrue(table.startsWith("closed_at,opened_at,vehicle"), table);
        assertTrue(table.contains("Tarn SK 301") && table.contains(job), table);
        assertTrue(table.contains("Sinks under a steady foot"), "what was felt is told in words: " + table);
        assertFalse(api.get("/api/record.csv?remedyId=set-rod").raw().body().contains(job));
    }

    @Test
    void whatFailedBeforeIsSaidAtIntake(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String first = closedMaster(api, "Tarn SK 311", "First time.");
        JsonNode once = api.get("/api/record/before?vehicle=" + query("tarn sk 311") + "&layoutId=tarn-box-van")
                .body();
        assertEquals(first, once.get("own").get(0).get("jobId").asString());
        assertTrue(once.get("again").isEmpty(), "once is not again");
        closedMaster(api, "Tarn SK 311", "Second time.");
        closedMaster(api, "Tarn SK 312", "A sister.");
        JsonNode twice = api.get("/api/record/before?vehicle=" + query("Tarn SK 311") + "&layoutId=tarn-box-van")
                .body();
        assertEquals(2, twice.get("own").size());
        assertEquals("renew-master", twice.get("again").get(0).asString());
        JsonNode sisters = twice.get("sisters")
                .valueStream()
                .filter(done -> done.get("remedyId").asString().equals("renew-master"))
                .findFirst()
                .orElseThrow();
        assertTrue(sisters.get("vehicles").asInt() >= 2);
        assertTrue(sisters.get("jobs").asInt() >= 3);
    }

    @Test
    void aClosedJobMovesLaterJobsNeverItselfAndNoExercise(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        int version = api.get("/api/workshop").body().get("version").asInt();
        api.put("/api/learning", Map.of("version", version, "on", true, "personId", "ines-quill"));
        String closed = closedMaster(api, "Tarn SK 321", "To be learned from.");
        JdbcClient keeper = server.context().getBean(JdbcClient.class);
        keeper.sql(
                        "update closed_job set log_closed_at = log_closed_at - make_interval(days => :days) where job_id = :job")
                .param("days", LONG_AGO_DAYS)
                .param("job", UUID.fromString(closed))
                .update();
        closedMaster(api, "Tarn SK 322", "Makes the server look again; not held for a month yet.");
        JsonNode learning = api.get("/api/learning?layoutId=tarn-box-van").body();
        int own = learning.get("ownJobs").asInt();
        assertTrue(own >= 1, "one had held for a month");
        JsonNode cup = learning.get("suspects")
                .valueStream()
                .filter(s -> s.get("suspectId").asString().equals("primary-piston-cup"))
                .findFirst()
                .orElseThrow();
        assertTrue(cup.get("now").asDouble() > cup.get("shipped").asDouble());
        String later = api.openJob("Tarn SK 323", "sinks", "primary-piston-cup");
        assertEquals(own, frequencies(api, later).get("ownJobs").asInt());
        assertEquals(own - 1, frequencies(api, closed).get("ownJobs").asInt(), "its own outcome is left out");
        String exercise =
                new ExerciseFlow(api, "ines-quill", "hold-off-and-on").open().id();
        JsonNode practised = frequencies(api, exercise);
        assertFalse(practised.get("learned").asBoolean());
        switchedOff(api, later, own);
    }

    private static JsonNode next(ApiClient api, String jobId) {
        return api.get("/api/jobs/" + jobId).body().get("assessment").get("next");
    }

    /** Twenty times it took three times its estimate; the planner goes by that, beside the estimate, and says so. */
    @Test
    void whatTestsTakeHereMovesThePlannerOfLaterJobs(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        int version = api.get("/api/workshop").body().get("version").asInt();
        api.put("/api/learning", Map.of("version", version, "on", true, "personId", "ines-quill"));
        JsonNode before = next(api, api.openJob("Tarn SK 325", "sinks", "fluid-low"));
        String test = before.get("procedureId").asString();
        double estimate = before.get("estimatedMinutes").asDouble();
        String closed = closedMaster(api, "Tarn SK 324", "Timed.");
        server.context()
                .getBean(JdbcClient.class)
                .sql("""
                        update closed_job
                           set log_closed_at = log_closed_at - make_interval(days => :days),
                               steps = (select jsonb_agg(jsonb_build_object('procedureId', :test, 'estimatedMinutes',
                                                         cast(:estimate as double precision), 'tookMinutes',
                                                         3 * cast(:estimate as double precision)))
                                          from generate_series(1, 20))
                         where job_id = :job
                        """)
                .param("days", LONG_AGO_DAYS)
                .param("test", test)
                .param("estimate", estimate)
                .param("job", UUID.fromString(closed))
                .update();
        closedMaster(api, "Tarn SK 326", "Makes the server look again.");
        String later = api.openJob("Tarn SK 327", "sinks", "fluid-low");
        JsonNode page = api.get("/api/jobs/" + later).body().get("assessment");
        JsonNode now = Stream.concat(
                        Stream.of(page.get("next")), page.get("others").valueStream())
                .filter(proposal -> proposal.get("procedureId").asString().equals(test))
                .findFirst()
                .orElseThrow();
        assertEquals(estimate, now.get("estimatedMinutes").asDouble(), 1e-9);
        double taken = now.get("testMinutes").asDouble();
        assertTrue(taken > 2 * estimate && taken < 3 * estimate, taken + " of " + estimate);
        assertEquals(
                taken,
                api.get("/api/jobs/" + later + "/tests/" + test)
                        .body()
                        .get("minutes")
                        .asDouble(),
                1e-9,
                "both pages say the same");
        assertTrue(frequencies(api, later).get("timedTests").asInt() >= 20);
    }

    private static void switchedOff(ApiClient api, String later, int own) {
        int version = api.get("/api/workshop").body().get("version").asInt();
        Answer off = api.put("/api/learning", Map.of("version", version, "on", false, "personId", "ines-quill"));
        assertEquals(200, off.status(), off.body().toString());
        assertFalse(frequencies(api, later).get("learned").asBoolean());
        assertEquals(
                409,
                api.put("/api/learning", Map.of("version", version, "on", true, "personId", "ines-quill"))
                        .status(),
                "somebody told another version");
        assertEquals(
                200,
                api.put("/api/learning", Map.of("version", version + 1, "on", true, "personId", "ines-quill"))
                        .status());
        assertEquals(own, frequencies(api, later).get("ownJobs").asInt());
    }

    @Test
    void frequenciesOfAnotherWorkshopCountByTheWeightTheyAreGiven(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = UUID.randomUUID().toString();
        Map<String, Object> file = Map.of(
                "format",
                "overturn-frequencies",
                "version",
                1,
                "families",
                Map.of("lever-brake", Map.of("jobs", 40, "counts", Map.of("air-in-master", 40))));
        Map<String, Object> sent = Map.of("id", id, "name", "North pier", "file", file, "personId", "ines-quill");
        assertEquals(200, api.post("/api/learning/frequencies", sent).status());
        Answer again = api.post("/api/learning/frequencies", sent);
        assertEquals(
                1,
                again.body()
                        .valueStream()
                        .filter(one -> one.get("id").asString().equals(id))
                        .count(),
                "sent twice, taken once");
        double before = airInMaster(api);
        int version = api.get("/api/workshop").body().get("version").asInt();
        assertEquals(
                200,
                api.put(
                                "/api/learning",
                                Map.of(
                                        "version",
                                        version,
                                        "on",
                                        true,
                                        "weights",
                                        Map.of(id, 0.5),
                                        "personId",
                                        "ines-quill"))
                        .status());
        double shipped = api.get("/api/learning?layoutId=wisp-courier-brake")
                .body()
                .get("shippedJobs")
                .asDouble();
        assertEquals(
                (shipped * before + 20) / (shipped + 20), airInMaster(api), 1e-9, "forty jobs at a half count twenty");
        Map<String, Object> tooMany = Map.of(
                "id",
                UUID.randomUUID().toString(),
                "name",
                "x",
                "personId",
                "ines-quill",
                "file",
                Map.of(
                        "format",
                        "overturn-frequencies",
                        "version",
                        1,
                        "families",
                        Map.of("lever-brake", Map.of("jobs", 1, "counts", Map.of("air-in-master", 40)))));
        api.post("/api/learning/frequencies", tooMany).assertRefused(422, "input-not-allowed");
        assertEquals(
                403,
                api.post(
                                "/api/learning/frequencies",
                                Map.of("id", id, "name", "x", "file", file, "personId", "juno-vale"))
                        .status());
    }

    private static double airInMaster(ApiClient api) {
        return api.get("/api/learning?layoutId=wisp-courier-brake")
                .body()
                .get("suspects")
                .valueStream()
                .filter(s -> s.get("suspectId").asString().equals("air-in-master"))
                .findFirst()
                .orElseThrow()
                .get("now")
                .asDouble();
    }

    @Test
    void searchesAreKeptByEachForThemselves(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        assertEquals(
                200,
                api.put(
                                "/api/record/filters",
                                Map.of("name", "Masters", "query", "remedyId=renew-master", "personId", "marit-osei"))
                        .status());
        assertEquals(
                "remedyId=renew-master",
                api.get("marit-osei", "/api/record/filters")
                        .body()
                        .get(0)
                        .get("query")
                        .asString());
        assertTrue(api.get("juno-vale", "/api/record/filters").body().isEmpty());
        api.delete("marit-osei", "/api/record/filters?name=Masters");
        assertTrue(api.get("marit-osei", "/api/record/filters").body().isEmpty());
    }

    @ParameterizedTest
    @CsvSource({"from=tomorrow, from", "to=0001-01-01, to", "after=x, after", "most=0, most", "most=201, most"})
    void whatCannotBeLookedForIsNamed(String query, String field, OverturnServer.Running server) {
        Answer answer = new ApiClient(server.address()).get("/api/record?" + query);
        answer.assertRefused(422, "input-not-allowed");
        assertTrue(answer.body().toString().contains(field), answer.body().toString());
    }

    @Test
    void sumsTellWhatBecameOfHunchesAndVerdicts(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        JsonNode before = api.get("/api/record/insights?months=12").body();
        closedMaster(api, "Tarn SK 331", "One more.");
        JsonNode after = api.get("/api/record/insights?months=12").body();
        assertEquals(made(before) + 1, made(after));
        assertEquals(closed(before) + 1, closed(after));
        JsonNode month = after.get("months").get(after.get("months").size() - 1);
        assertTrue(month.get("byLikelihoodMinutes").asDouble() >= 0);
    }

    private static int made(JsonNode insights) {
        return insights.get("hunches")
                .valueStream()
                .mapToInt(h -> h.get("made").asInt())
                .sum();
    }

    private static int closed(JsonNode insights) {
        return insights.get("months")
                .valueStream()
                .mapToInt(m -> m.get("closed").asInt())
                .sum();
    }
}
