package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;
import overturn.verdict.CatalogueVersion;
import tools.jackson.databind.JsonNode;

/** The bay reads lines kept beside the logs; they follow the logs and can be made anew from them. */
@ExtendWith(OverturnServer.class)
class BayApiTest {

    private ApiClient api;
    private JdbcClient jdbc;

    @BeforeEach
    void connect(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        jdbc = server.context().getBean(JdbcClient.class);
    }

    private JsonNode list(String query) {
        return api.get("/api/jobs?" + query).body();
    }

    private JsonNode line(String vehicle) {
        JsonNode found = list("search=" + vehicle.replace(" ", "%20"));
        assertEquals(1, found.get("found").asInt(), found.toString());
        return found.get("jobs").get(0);
    }

    private static void until(String what, BooleanSupplier holds) throws InterruptedException {
        for (Instant end = Instant.now().plus(Duration.ofSeconds(60)); !holds.getAsBoolean(); Thread.sleep(100)) {
            assertTrue(Instant.now().isBefore(end), what);
        }
    }

    @Test
    void aLineTellsWhereTheJobStandsAsSoonAsAReadingIsAnswered() {
        String job = "/api/jobs/" + api.openJob("Bay Tarn 1", "sinks", "primary-piston-cup");
        JsonNode answered = api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("25", "mm")))
                .body();
        JsonNode line = line("Bay Tarn 1");
        JsonNode lead = line.get("lead");
        assertEquals(2, line.get("readings").asInt());
        assertEquals("tracing", line.get("stage").asString());
        assertTrue(lead.get("current").asBoolean());
        assertEquals(
                answered.get("assessment").get("verdict").get("probability").asDouble(),
                lead.get("probability").asDouble(),
                1e-12);
        assertEquals(
                answered.get("assessment").get("next").get("procedureId").asString(),
                lead.get("nextProcedureId").asString());
    }

    @Test
    void manyLinesComeInPagesWithoutOneTwiceOrOneLess() {
        IntStream.range(0, 7).forEach(i -> api.openJob("Paged van " + i, "sinks", "primary-piston-cup"));
        List<String> seen = new ArrayList<>();
        JsonNode page = list("search=paged&most=3");
        while (true) {
            page.get("jobs").forEach(job -> seen.add(job.get("vehicle").asString()));
            assertEquals(7, page.get("found").asInt());
            if (!page.has("next")) {
                break;
            }
            page = list("search=paged&most=3&after=" + page.get("next").asString());
        }
        assertEquals(IntStream.range(0, 7).mapToObj(i -> "Paged van " + (6 - i)).toList(), seen, "the newest first");
    }

    @Test
    void searchTakesEveryCharacterAsItIsAndStagesAreTold() {
        api.openJob("50% of_a\\van", "sinks", "primary-piston-cup");
        assertEquals(1, list("search=50%25%20of_a%5Cv").get("found").asInt());
        assertEquals(0, list("search=50%25_%25zz").get("found").asInt());
        assertEquals(0, list("search=50%25%20of_a&stage=closed").get("found").asInt());
        assertEquals(0, list("search=50%25%20of_a&stage=accepted").get("found").asInt());
        assertEquals(1, list("search=50%25%20OF_A&stage=all").get("found").asInt());
        api.openJob("Zq 4711", "sinks", "primary-piston-cup");
        assertEquals(1, list("search=zq").get("found").asInt(), "short texts are beginnings of words");
        assertEquals(0, list("search=q4").get("found").asInt());
        for (String odd : List.of("'", "%5C", "%20", "%3A*", "!", "%26", "%27%5C", "(", "%C3%A9")) {
            assertEquals(200, api.get("/api/jobs?search=" + odd).status(), odd);
        }
    }

    @Test
    void linesThrownAwayAreMadeAnewFromTheLogs() throws InterruptedException {
        String job = "/api/jobs/" + api.openJob("Rebuilt van", "sinks", "primary-piston-cup");
        api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("25", "mm")));
        JsonNode before = line("Rebuilt van");
        jdbc.sql(
                        "update job_summary set vehicle = 'spoiled', grade = null, lead_probability = 0, assessed_sequence = null where vehicle = 'Rebuilt van'")
                .update();
        assertEquals(403, api.post("/api/bay/rebuild", Map.of()).status(), "for the commands of the machine");
        assertEquals(202, api.asOperator("POST", "/api/bay/rebuild").status());
        until(
                "the line is as it was",
                () -> list("search=rebuilt").get("found").asInt() == 1
                        && line("Rebuilt van").equals(before));
    }

    @Test
    void whereAJobStandsIsWorkedOutInTheBackgroundWhereItIsNotKnown() throws InterruptedException {
        api.openJob("Behind van", "sinks", "primary-piston-cup");
        jdbc.sql(
                        "update job_summary set assessed_sequence = 1, grade = 'PROVEN', settings_version = 0 where vehicle = 'Behind van'")
                .update();
        assertFalse(line("Behind van").get("lead").get("current").asBoolean());
        until("known again", () -> line("Behind van").get("lead").get("current").asBoolean());
        assertEquals("OPEN", line("Behind van").get("lead").get("grade").asString());
    }

    @Test
    void whereAnUpgradeMovedAVerdictTheJobSaysSoUntilItsNextEntry() throws InterruptedException {
        String job = "/api/jobs/" + api.openJob("Upgraded van", "sinks", "primary-piston-cup");
        jdbc.sql("""
                update job_summary set catalogue_version = '2026-01-01', grade = 'PROBABLE', lead_remedy_id = 'set-rod', lead_probability = 0.9, settings_version = 0
                 where vehicle = 'Upgraded van'""").update();
        until(
                "it is judged anew",
                () -> line("Upgraded van").get("lead").get("grade").asString().equals("OPEN"));
        JsonNode moved = api.get(job).body().get("moved");
        assertEquals(
                List.of("set-rod", "PROBABLE", "2026-01-01", CatalogueVersion.CURRENT),
                List.of(
                        moved.get("remedyId").asString(),
                        moved.get("grade").asString(),
                        moved.get("by").asString(),
                        moved.get("since").asString()));
        assertTrue(api.get(job).body().has("moved"), "looked at, it is still said");
        assertFalse(api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4", "mm")))
                .body()
                .has("moved"));
        assertFalse(api.get(job).body().has("moved"));
    }

    @Test
    void aWithdrawnLayoutIsKeptByItsJobsAndOfferedToNoOther() {
        String own = LayoutFiles.write(Presets.find("wisp-courier-clutch").orElseThrow())
                .replace("\"id\":\"wisp-courier-clutch\"", "\"id\":\"withdrawn-clutch\"");
        assertEquals(200, api.postText("/api/layouts", own).status());
        Map<String, Object> intake = ApiClient.intake("Own clutch", "does-not-free", "nothing-wrong");
        intake.put("layoutId", "withdrawn-clutch");
        assertEquals(201, api.post("/api/jobs", intake).status());
        assertEquals(
                403,
                api.post("tobias-renn", "/api/layouts/withdrawn-clutch/withdrawal", Map.of())
                        .status(),
                "the lead withdraws");
        assertEquals(
                200,
                api.post("/api/layouts/withdrawn-clutch/withdrawal", Map.of()).status());
        assertEquals(
                200,
                api.post("/api/layouts/withdrawn-clutch/withdrawal", Map.of()).status(),
                "twice is once");
        assertEquals(
                422, api.post("/api/layouts/tarn-box-van/withdrawal", Map.of()).status(), "presets stay");
        assertEquals(
                404, api.post("/api/layouts/never-saved/withdrawal", Map.of()).status());
        assertEquals(200, api.get("/api/jobs/" + intake.get("jobId")).status(), "its job keeps it");
        Map<String, Object> other = ApiClient.intake("Own clutch again", "does-not-free", "nothing-wrong");
        other.put("layoutId", "withdrawn-clutch");
        assertEquals(422, api.post("/api/jobs", other).status());
        assertTrue(api.get("/api/catalogue")
                .body()
                .get("layouts")
                .valueStream()
                .filter(l -> l.get("id").asString().equals("withdrawn-clutch"))
                .allMatch(l -> l.get("withdrawn").asBoolean()));
    }

    @Test
    void aSavedLayoutThatCannotBeReadAnyMoreBreaksNothing() {
        jdbc.sql(
                        "insert into saved_layout (id, saved_at, person_id, body) values ('from-another-time', now(), 'ines-quill', '{\"format\":\"overturn-layout/0\"}')")
                .update();
        assertEquals(200, api.get("/api/catalogue").status());
        assertEquals(200, api.get("/api/jobs").status());
        assertEquals(404, api.get("/api/layouts/from-another-time").status());
        String own = LayoutFiles.write(Presets.find("wisp-courier-clutch").orElseThrow())
                .replace("\"id\":\"wisp-courier-clutch\"", "\"id\":\"from-another-time\"");
        assertEquals(422, api.postText("/api/layouts", own).status(), "its id stays taken");
    }
}
