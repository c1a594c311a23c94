package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;

/** From an accepted verdict to release over HTTP against the real database. */
@ExtendWith(OverturnServer.class)
class RepairApiTest {

    private ApiClient api;
    private String job;

    @BeforeEach
    void accepted(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        job = "/api/jobs/" + api.openJob("Tarn SK 71", "sinks", "primary-piston-cup");
        JsonNode verdict = now().get("assessment").get("verdict");
        assertEquals("renew-master", verdict.get("remedyIds").get(0).asString());
        post(
                "verdict",
                Map.of(
                        "remedyIds",
                        List.of("renew-master"),
                        "grade",
                        verdict.get("grade").asString(),
                        "why",
                        "the ferry leaves at six"));
    }

    private JsonNode now() {
        return api.get(job).body();
    }

    private Answer post(String what, Map<String, Object> fields) {
        return api.post(
                job + "/" + what, ApiClient.stamped(now().get("sequence").asInt(), fields));
    }

    private static JsonNode repair(JsonNode job) {
        return job.get("repair");
    }

    private static List<String> ids(JsonNode array, String field) {
        return array.valueStream().map(n -> n.get(field).asString()).toList();
    }

    /** Figures that a step asks for: as listed, or any where nothing is. */
    private static List<Map<String, Object>> figures(JsonNode step) {
        List<Map<String, Object>> figures = new ArrayList<>();
        step.get("asks").forEach(asked -> {
            Map<String, Object> figure = new HashMap<>();
            figure.put("id", asked.get("id").asString());
            figure.put(
                    "text",
                    asked.has("listed") ? Double.toString(asked.get("listed").asDouble()) : "7");
            figure.put("unit", "mm");
            figures.add(figure);
        });
        return figures;
    }

    private void tickAll() {
        for (JsonNode step : repair(now()).get("steps")) {
            if (!step.get("optional").asBoolean() && !step.get("id").asString().equals("bleed-end")) {
                Answer answer = post("work-steps", Map.of("key", step.get("key").asString(), "figures", figures(step)));
                assertEquals(200, answer.status(), answer.body().toString());
            }
        }
    }

    /** Does what the sheet says with a circuit that runs clear at once. */
    private void bleed() {
        JsonNode sheet = repair(now()).get("sheet");
        for (int turn = 0; turn < 120 && !sheet.get("done").asBoolean(); turn++) {
            Answer answer = sheet.get("topUpNow").asBoolean()
                    ? post("levels", Map.of("text", "max"))
                    : sheet.get("restFirst").asBoolean()
                            ? post("rests", Map.of())
                            : post(
                                    "strokes",
                                    Map.of(
                                            "endId",
                                            sheet.get("next").asString(),
                                            "count",
                                            5,
                                            "bubbles",
                                            "none",
                                            "colour",
                                            "clear"));
            assertEquals(200, answer.status(), answer.body().toString());
            sheet = repair(answer.body()).get("sheet");
        }
        assertTrue(sheet.get("done").asBoolean());
    }

    private void pass(String gate) {
        for (JsonNode g : repair(now()).get("gates")) {
            if (g.get("id").asString().equals(gate)) {
                for (String check : ids(g.get("checks"), "id")) {
                    Answer answer = post("checks", Map.of("checkId", check, "outcome", "passed"));
                    assertEquals(200, answer.status(), answer.body().toString());
                }
            }
        }
    }

    private static String state(JsonNode job, String gate) {
        return repair(job)
                .get("gates")
                .valueStream()
                .filter(g -> g.get("id").asString().equals(gate))
                .findFirst()
                .orElseThrow()
                .get("state")
                .asString();
    }

    @Test
    void aMasterGoesFromTheVerdictToTheFinalRelease() {
        assertEquals("accepted", now().get("stage").asString());
        tickAll();
        JsonNode unbled = now();
        assertEquals("under-repair", unbled.get("stage").asString());
        assertEquals(List.of("BLEEDING"), ids(repair(unbled).get("gates").get(0).get("blockers"), "kind"));
        bleed();
        assertEquals("proving-on-chocks", now().get("stage").asString());
        pass("chocks");
        assertEquals("proving-in-the-yard", now().get("stage").asString());
        pass("yard");
        post("release", Map.of("conditional", true)).assertRefused(422, "input-not-allowed");
        pass("road");
        JsonNode conditional = post("release", Map.of("conditional", true, "secondId", "ines-quill"))
                .body();
        assertEquals("released-conditionally", conditional.get("stage").asString());
        assertTrue(repair(conditional).get("released").has("recheckOn"));
        post("release", Map.of("conditional", false)).assertRefused(422, "input-not-allowed");
        pass("next-day");
        assertEquals(
                "released",
                post("release", Map.of("conditional", false))
                        .body()
                        .get("stage")
                        .asString());
    }

    @Test
    void aNewPartThatMeasuresOtherwiseStopsThePlanUntilSomebodySaysWhy() {
        Map<String, Object> figures = Map.of(
                "key",
                "compare-bore@master",
                "figures",
                List.of(
                        Map.of("id", "old-bore", "text", "23.8", "unit", "mm"),
                        Map.of("id", "new-bore", "text", "22.2", "unit", "mm")));
        JsonNode stopped = post("work-steps", figures).body();
        JsonNode step = repair(stopped)
                .get("steps")
                .valueStream()
                .filter(s -> s.get("key").asString().equals("compare-bore@master"))
                .findFirst()
                .orElseThrow();
        assertTrue(step.get("mismatched").asBoolean() && !step.has("done"));
        Map<String, Object> reasoned = new HashMap<>(figures);
        reasoned.put("why", "the maker's own successor part");
        JsonNode taken = post("work-steps", reasoned).body();
        assertFalse(repair(taken)
                .get("steps")
                .valueStream()
                .filter(s -> s.get("key").asString().equals("compare-bore@master"))
                .findFirst()
                .orElseThrow()
                .get("mismatched")
                .asBoolean());
    }

    @Test
    void aGateNamesExactlyWhatIsStillOnOffOrMoved() {
        post("work-steps", Map.of("key", "cap-pipes@master"));
        post("work-steps", Map.of("key", "unhook-rod@pedal"));
        JsonNode blockers = repair(now()).get("gates").get(0).get("blockers");
        List<String> items = ids(blockers, "item");
        assertTrue(items.contains("pipe-caps@master") && items.contains("rod-clip@pedal"), items.toString());
        Answer refused = post("checks", Map.of("checkId", "pumped-firm", "outcome", "passed"));
        refused.assertRefused(422, "input-not-allowed");
        assertEquals(
                "checkId", refused.body().get("findings").get(0).get("field").asString());
    }

    @Test
    void aFailedCheckClosesWhatIsAboveItAndSaysWhatWasSeen() {
        tickAll();
        bleed();
        pass("chocks");
        assertEquals("OPEN", state(now(), "yard"));
        post("checks", Map.of("checkId", "hard-press", "outcome", "failed")).assertRefused(422, "input-not-allowed");
        JsonNode failed = post(
                        "checks", Map.of("checkId", "hard-press", "outcome", "failed", "seen", "drips at the flare"))
                .body();
        assertEquals("FAILED", state(failed, "chocks"));
        assertEquals("SHUT", state(failed, "yard"));
    }

    @Test
    void whatIsReadAfterTheRepairIsAboutWhatIsLeft() {
        tickAll();
        JsonNode before = now();
        JsonNode after = post("readings", Map.of("procedureId", "dry-walk", "observed", "all-dry", "rigCheck", "sound"))
                .body();
        assertTrue(before.get("assessment")
                .get("verdict")
                .get("remedyIds")
                .toString()
                .contains("renew-master"));
        assertFalse(
                after.get("assessment")
                        .get("verdict")
                        .get("remedyIds")
                        .toString()
                        .contains("renew-master"),
                "what was renewed is not asked for again");
        assertFalse(repair(after).get("overturned").asBoolean());
    }

    @Test
    void badInputIsNamedAndNothingIsWritten() {
        int entries = now().get("entries").size();
        post("work-steps", Map.of("key", "paint-it@master")).assertRefused(422, "input-not-allowed");
        post("work-steps", Map.of("key", "compare-bore@master")).assertRefused(422, "input-not-allowed");
        post("strokes", Map.of("endId", "moon", "count", 0, "bubbles", "lots", "colour", "pink"))
                .assertRefused(422, "input-not-allowed");
        post("levels", Map.of("text", "over the brim")).assertRefused(422, "input-not-allowed");
        post("checks", Map.of("checkId", "nothing", "outcome", "perhaps")).assertRefused(422, "input-not-allowed");
        assertEquals(entries, now().get("entries").size());
        String untouched = "/api/jobs/" + api.openJob("Tarn SK 72", "sinks", "primary-piston-cup");
        api.post(untouched + "/rests", ApiClient.stamped(2, Map.of())).assertRefused(422, "input-not-allowed");
    }
}
