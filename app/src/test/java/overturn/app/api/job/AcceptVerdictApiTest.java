package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
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

/** Accepting a verdict over HTTP: only the one that was shown, only of the log that was shown, once. */
@ExtendWith(OverturnServer.class)
class AcceptVerdictApiTest {

    private ApiClient api;
    private String job;

    @BeforeEach
    void openJob(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        job = "/api/jobs/" + api.openJob("Tarn SK 31", "sinks", "primary-piston-cup");
    }

    private JsonNode now() {
        return api.get(job).body();
    }

    private void assertRefused(int status, String problem, Answer answer) {
        answer.assertRefused(status, problem);
        assertEquals(2, now().get("entries").size(), "log unchanged");
    }

    @Test
    void anUnprovenVerdictIsAcceptedOnlyWithAReasonAndIsRecordedWithItsGrade() {
        assertRefused(422, "input-not-allowed", api.post(job + "/verdict", accepting(2, now(), "")));
        JsonNode shown = now();
        JsonNode accepted = api.post(job + "/verdict", accepting(2, shown, "ferry leaves at six"))
                .body()
                .get("accepted");
        assertEquals("OPEN", accepted.get("grade").asString());
        assertEquals("ferry leaves at six", accepted.get("why").asString());
        assertEquals(shown.get("assessment").get("verdict").get("remedyIds"), accepted.get("remedyIds"));
    }

    /** Accepts what that answer showed. */
    private static Map<String, Object> accepting(int sequence, JsonNode shown, String why) {
        JsonNode verdict = shown.get("assessment").get("verdict");
        return ApiClient.stamped(
                sequence,
                Map.of(
                        "remedyIds",
                        verdict.get("remedyIds")
                                .valueStream()
                                .map(JsonNode::asString)
                                .toList(),
                        "grade",
                        verdict.get("grade").asString(),
                        "why",
                        why));
    }

    @Test
    void onlyTheVerdictThatWasShownIsAcceptedAndOnlyOfTheLogThatWasShown() {
        JsonNode shown = now();
        for (Map<String, Object> other : List.<Map<String, Object>>of(
                Map.of("remedyIds", List.of("hand-back")),
                Map.of("grade", "PROVEN"),
                Map.of("remedyIds", List.of("renew-master", "set-rod")))) {
            Map<String, Object> body = accepting(2, shown, "in a hurry");
            body.putAll(other);
            assertRefused(409, "verdict-has-changed", api.post(job + "/verdict", body));
        }
        assertRefused(
                422,
                "input-not-allowed",
                api.post(job + "/verdict", ApiClient.stamped(2, Map.of("why", "nothing was shown"))));
        api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4", "mm")));
        Answer late = api.post(job + "/verdict", accepting(2, shown, "somebody read on meanwhile"));
        assertEquals(409, late.status());
        assertTrue(
                late.body().get("type").asString().endsWith("verdict-has-changed"),
                late.raw().body());
        assertEquals(3, now().get("entries").size());
    }

    @Test
    void anAcceptedVerdictSentTwiceStandsOnceEvenWhenItWouldReadOtherwiseByNow() {
        Map<String, Object> body = accepting(2, now(), "ferry leaves at six");
        assertEquals(200, api.post(job + "/verdict", body).status());
        api.post(job + "/readings", ApiClient.stamped(3, ApiClient.freePlay("4", "mm")));
        assertEquals(200, api.post(job + "/verdict", body).status());
        body.put("why", "something else");
        assertEquals(409, api.post(job + "/verdict", body).status());
        assertEquals(4, now().get("entries").size());
    }
}
