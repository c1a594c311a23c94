package overturn.app.api.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.ExerciseFlow;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import tools.jackson.databind.JsonNode;

/** A repair of an exercise is bled with hands: what was ticked moves no air. */
@ExtendWith(OverturnServer.class)
class BledByHandTest {

    private static final String JUNO = "juno-vale";
    private static final String INES = "ines-quill";

    private ApiClient api;

    @BeforeEach
    void client(OverturnServer.Running running) {
        api = new ApiClient(running.address());
    }

    private static String at(String id) {
        return "/api/practice/exercises/" + id;
    }

    private static Map<String, Object> with(Object... pairs) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("entryId", UUID.randomUUID().toString());
        for (int i = 0; i < pairs.length; i += 2) {
            body.put((String) pairs[i], pairs[i + 1]);
        }
        return body;
    }

    private JsonNode act(String id, Object... said) {
        Answer answer = api.post(JUNO, at(id) + "/acts", with(said));
        assertEquals(200, answer.status(), answer.raw().body());
        return answer.body();
    }

    /** Names what is believed, whatever the program does, and works its plan. */
    private RepairFlow named(String id, String remedyId) {
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id, JUNO);
        Answer answer = flow.post("verdict", guess(remedyId));
        assertEquals(200, answer.status(), answer.raw().body());
        assertEquals("OPEN", answer.body().get("accepted").get("grade").asString(), "a guess is told as one");
        flow.tickAll();
        return flow;
    }

    private static Map<String, Object> guess(String remedyId) {
        return Map.of("remedyIds", List.of(remedyId), "grade", "OPEN", "why", "Named in practice");
    }

    /** Bleeds every end until nothing comes any more, rests and all. */
    private void bled(String id, String... ends) {
        for (int turn = 0; turn < 8; turn++) {
            for (String end : ends) {
                act(id, "act", "bleed", "subject", end, "figure", 6);
                act(id, "act", "top-up", "subject", "glycol");
            }
            act(id, "act", "stand", "figure", 10);
        }
    }

    @Test
    void airIsGoneByStrokesOnTheVehicleAndNotByWhatWasTicked() {
        String id = UUID.randomUUID().toString();
        Map<String, Object> asked = Map.of(
                "exerciseId",
                id,
                "layoutId",
                "tarn-box-van",
                "suspectIds",
                List.of("air-in-front-end"),
                "level",
                "first-steps",
                "personIds",
                List.of(JUNO));
        Answer answer = api.post(INES, "/api/practice/exercises", asked);
        assertEquals(201, answer.status(), answer.raw().body());
        JsonNode set = answer.body();
        String mine = set.get(0).get("id").asString();
        new ExerciseFlow(api, JUNO, UUID.fromString(mine)).open();
        RepairFlow flow = named(mine, "bleed-front");
        flow.bleed();
        double ticked = travelMm(mine);
        JsonNode first = act(mine, "act", "bleed", "subject", "front-left", "figure", 4);
        JsonNode other = act(mine, "act", "bleed", "subject", "front-right", "figure", 4);
        List<String> seen = List.of(
                first.get("hose").get("bubbles").asString(),
                other.get("hose").get("bubbles").asString());
        assertTrue(seen.contains("NONE") && seen.stream().anyMatch(s -> !s.equals("NONE")), "one end has it: " + seen);
        bled(mine, "front-left", "front-right");
        JsonNode clear = act(mine, "act", "bleed", "subject", "front-left", "figure", 6);
        assertEquals("NONE", clear.get("hose").get("bubbles").asString());
        assertEquals("CLEAR", clear.get("hose").get("colour").asString());
        double bled = travelMm(mine);
        assertTrue(
                bled < ticked - 10,
                "the sheet said no bubble came before anybody bled it: " + ticked + " mm, bled " + bled + " mm");
        JsonNode own =
                api.post(JUNO, at(mine) + "/end", with()).body().get("routes").get(0);
        assertEquals(0, own.get("minutes").asDouble(), "the way ends at what is named; bleeding is no part of it");
        assertTrue(own.get("right").asBoolean());
    }

    private double travelMm(String id) {
        JsonNode figures = api.post(JUNO, at(id) + "/tests", with("procedureId", "travel-at-forces"))
                .body()
                .get("figures");
        return Double.parseDouble(figures.get(figures.size() - 1).get("text").asString());
    }

    @Test
    void aMasterThatWasOffLeavesAirInTheLinesUntilTheyAreBled() {
        String id = new ExerciseFlow(api, JUNO, "hold-off-and-on").open().id();
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id, JUNO);
        flow.post("verdict", guess("set-reach")).assertRefused(422, "input-not-allowed");
        named(id, "renew-master");
        double open = travelMm(id);
        bled(id, "front-left", "front-right", "rear-left", "rear-right");
        double bled = travelMm(id);
        assertTrue(bled < open - 3, "travel with air in the lines " + open + " mm, bled " + bled + " mm");
        assertEquals(
                List.of(),
                api.get(JUNO, at(id))
                        .body()
                        .get("rig")
                        .get("mishaps")
                        .valueStream()
                        .toList());
    }
}
