package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;

/** The API over HTTP against the real database. */
@ExtendWith(OverturnServer.class)
class JobApiTest {

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
    void anOpenedJobHoldsTheBehaviourTheSealedHunchAndAProposal() {
        JsonNode opened = now();
        assertEquals(2, opened.get("sequence").asInt());
        assertEquals("primary-piston-cup", opened.get("hunchId").asString());
        assertEquals("sinks", opened.get("entries").get(1).get("observed").asString());
        assertEquals(
                "reservoir",
                opened.get("assessment").get("next").get("procedureId").asString(),
                "a free look comes first");
        assertEquals(
                "OPEN", opened.get("assessment").get("verdict").get("grade").asString());
    }

    @Test
    void aReadingIsKeptAsTypedBesideTheCoresValueAndMovesBelief() {
        double before = suspicion(now(), "rod-gap-too-large");
        Answer answer = api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("15/16", "in")));
        JsonNode figure = answer.body().get("entries").get(2).get("figures").get(0);
        assertEquals("15/16", figure.get("text").asString());
        assertEquals("in", figure.get("unit").asString());
        assertEquals(23.8125, figure.get("coreValue").asDouble(), 1e-9);
        assertTrue(suspicion(answer.body(), "rod-gap-too-large") > 5 * before);
    }

    private static double suspicion(JsonNode job, String suspect) {
        for (JsonNode s : job.get("assessment").get("suspects")) {
            if (s.get("suspectId").asString().equals(suspect)) {
                return s.get("probability").asDouble();
            }
        }
        throw new AssertionError(suspect);
    }

    @Test
    void zeroIsAReadingAndAMissingFigureIsNot() {
        Map<String, Object> hold = ApiClient.stamped(
                2,
                Map.of(
                        "procedureId",
                        "reservoir-watch",
                        "rigCheck",
                        "sound",
                        "figures",
                        List.of(Map.of("id", "primary-rise", "text", "0", "unit", "mm"))));
        JsonNode figures =
                api.post(job + "/readings", hold).body().get("entries").get(2).get("figures");
        assertEquals(0.0, figures.get(0).get("coreValue").asDouble());
        assertFalse(figures.get(1).has("coreValue"));
    }

    @ParameterizedTest
    @CsvSource({"900, mm", "-1, mm", "hard, mm", "1e9, mm", "12, bar", "12, furlong", "NaN, mm", "'', mm"})
    void figuresThatCannotBeAreRefusedByName(String text, String unit) {
        Answer answer = api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay(text, unit)));
        assertRefused(422, "input-not-allowed", answer);
        assertTrue(answer.body().get("findings").get(0).get("field").asString().startsWith("figures"));
    }

    @Test
    void everyFindingOfAnInputIsToldAtOnce() {
        Map<String, Object> intake = ApiClient.intake("", "wobbles", "the-cat");
        Answer answer = api.post("/api/jobs", intake);
        assertRefused(422, "input-not-allowed", answer);
        assertEquals(
                List.of("vehicle", "behaviour", "hunchId"),
                answer.body()
                        .get("findings")
                        .valueStream()
                        .map(f -> f.get("field").asString())
                        .toList());
    }

    @Test
    void unknownIdsAreToldAsNotHere() {
        assertRefused(404, "not-found", api.get("/api/jobs/" + UUID.randomUUID()));
        assertRefused(400, "address-not-readable", api.get("/api/jobs/van"));
        assertRefused(404, "not-found", api.get(job + "/tests/kick-the-tyre"));
        assertRefused(
                422,
                "input-not-allowed",
                api.post(
                        job + "/readings",
                        ApiClient.stamped(2, Map.of("procedureId", "kick-the-tyre", "rigCheck", "sound"))));
    }

    @Test
    void emptyBrokenAndForeignBodiesAreRefused() {
        for (String body : List.of("", "{", "[]", "null", "\"reading\"", "{\"entryId\":\"x\"}", "{\"unheardOf\":1}")) {
            Answer answer = api.postText(job + "/readings", body);
            assertTrue(answer.status() == 400 || answer.status() == 422, body + " → " + answer.status());
            assertRefused(answer.status(), answer.status() == 400 ? "body-not-readable" : "input-not-allowed", answer);
        }
        assertEquals(
                415,
                api.postText(job + "/readings", "a=b", "Content-Type", "text/plain")
                        .status());
    }

    @Test
    void aBodyOfTwoMegabytesIsRefusedAnnouncedOrNot() {
        String large = "{\"procedureId\":\"" + "x".repeat(2_000_000) + "\"}";
        assertRefused(413, "body-too-large", api.postText(job + "/readings", large));
        assertRefused(413, "body-too-large", api.postStreamed(job + "/readings", large.getBytes()));
    }

    @Test
    void theSameEntrySentTwiceStandsOnceAndAnotherUnderItsIdIsRefused() {
        Map<String, Object> reading = ApiClient.stamped(2, ApiClient.freePlay("4", "mm"));
        assertEquals(200, api.post(job + "/readings", reading).status());
        assertEquals(200, api.post(job + "/readings", reading).status());
        reading.put("sequence", 3);
        assertEquals(200, api.post(job + "/readings", reading).status(), "sent again after a look at the log");
        assertEquals(3, now().get("entries").size());
        Map<String, Object> other = new HashMap<>(reading);
        other.putAll(ApiClient.freePlay("9", "mm"));
        assertEquals(409, api.post(job + "/readings", other).status());
        assertEquals(3, now().get("entries").size());
    }

    @Test
    void aStaleReadingGoesBehindWhatWasEnteredMeanwhileAndADecisionIsRefused() {
        assertRefused(
                409,
                "log-has-grown",
                api.post(job + "/set-aside", ApiClient.stamped(1, Map.of("procedureId", "reservoir", "why", "dark"))));
        assertRefused(
                422,
                "input-not-allowed",
                api.post(job + "/strikes", ApiClient.stamped(1, Map.of("struckId", UUID.randomUUID(), "why", "dark"))));
        assertRefused(
                409, "log-has-grown", api.post(job + "/readings", ApiClient.stamped(7, ApiClient.freePlay("4", "mm"))));
        assertRefused(
                422,
                "input-not-allowed",
                api.post(job + "/readings", ApiClient.stamped(-1, ApiClient.freePlay("4", "mm"))));
        Map<String, Object> stale = ApiClient.stamped(1, ApiClient.freePlay("4", "mm"));
        assertEquals(
                3, api.post(job + "/readings", stale).body().get("sequence").asInt());
        assertEquals(
                3,
                api.post(job + "/readings", stale).body().get("sequence").asInt(),
                "and is still one entry when it is sent again");
    }

    @Test
    void ofManyWhoReadAtOnceAllAreTakenOneBehindTheOtherAndOfManyWhoDecideOne() {
        List<CompletableFuture<Integer>> readers = IntStream.range(0, 8)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> api.post(
                                job + "/readings",
                                ApiClient.stamped(2, ApiClient.freePlay(Integer.toString(2 + i), "mm")))
                        .status()))
                .toList();
        assertEquals(
                Collections.nCopies(8, 200),
                readers.stream().map(CompletableFuture::join).toList());
        assertEquals(
                IntStream.rangeClosed(1, 10).boxed().toList(),
                now().get("entries")
                        .valueStream()
                        .map(e -> e.get("sequence").asInt())
                        .toList());
        List<CompletableFuture<Integer>> deciders = IntStream.range(0, 8)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> api.post(
                                job + "/set-aside",
                                ApiClient.stamped(10, Map.of("procedureId", "reservoir", "why", "dark " + i)))
                        .status()))
                .toList();
        assertEquals(
                List.of(200, 409, 409, 409, 409, 409, 409, 409),
                deciders.stream().map(CompletableFuture::join).sorted().toList());
        assertEquals(11, now().get("entries").size());
    }

    @Test
    void aStruckReadingStaysInTheLogAndWeighsNothing() {
        JsonNode before = now().get("assessment").get("suspects");
        JsonNode taken = api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("25", "mm")))
                .body();
        String id = taken.get("entries").get(2).get("id").asString();
        assertEquals(
                422,
                api.post(job + "/strikes", ApiClient.stamped(3, Map.of("struckId", id, "why", " ")))
                        .status(),
                "a reason is needed");
        JsonNode after = api.post(job + "/strikes", ApiClient.stamped(3, Map.of("struckId", id, "why", "wrong pedal")))
                .body();
        assertTrue(after.get("entries").get(2).get("struck").asBoolean());
        assertEquals(
                "25",
                after.get("entries").get(2).get("figures").get(0).get("text").asString());
        assertEquals(before, after.get("assessment").get("suspects"), "as if it had never been entered");
        assertEquals(
                422,
                api.post(job + "/strikes", ApiClient.stamped(4, Map.of("struckId", id, "why", "again")))
                        .status());
        String strike = after.get("entries").get(3).get("id").asString();
        JsonNode back = api.post(
                        job + "/strikes", ApiClient.stamped(4, Map.of("struckId", strike, "why", "it was this pedal")))
                .body();
        assertFalse(back.get("entries").get(2).get("struck").asBoolean(), "striking the strike puts it back");
        assertEquals(
                taken.get("assessment").get("suspects"), back.get("assessment").get("suspects"));
        String putBack = back.get("entries").get(4).get("id").asString();
        JsonNode again = api.post(
                        job + "/strikes",
                        ApiClient.stamped(5, Map.of("struckId", putBack, "why", "no, it was the other one")))
                .body();
        assertTrue(again.get("entries").get(2).get("struck").asBoolean(), "the last word counts, three strikes deep");
        assertFalse(again.get("entries").get(3).get("struck").asBoolean(), "the first strike stands again");
        String opening = after.get("entries").get(0).get("id").asString();
        assertEquals(
                422,
                api.post(job + "/strikes", ApiClient.stamped(6, Map.of("struckId", opening, "why", "no")))
                        .status());
    }

    @Test
    void aTestSetAsideIsNoLongerProposed() {
        JsonNode after = api.post(
                        job + "/set-aside",
                        ApiClient.stamped(2, Map.of("procedureId", "reservoir", "why", "no helper")))
                .body();
        assertEquals(
                "dry-walk",
                after.get("assessment").get("next").get("procedureId").asString());
        assertTrue(after.get("assessment")
                .get("others")
                .valueStream()
                .noneMatch(p -> p.get("procedureId").asString().equals("reservoir")));
    }

    @Test
    void whatWasFittedStaysInSightUntilAllOfItIsOff() {
        Map<String, Object> plugs = ApiClient.stamped(
                2,
                Map.of(
                        "procedureId",
                        "port-plugs",
                        "rigCheck",
                        "sound",
                        "figures",
                        List.of(Map.of("id", "travel", "text", "12", "unit", "mm"))));
        JsonNode fitted = api.post(job + "/readings", plugs).body();
        assertEquals("MASTER_PORTS", fitted.get("vehicleState").get("opened").asString());
        assertEquals(2, fitted.get("status").get("onOffMoved").size());
        for (List<String> wrong : List.of(List.<String>of(), List.of("moon"), List.of("plug@front-port", "moon"))) {
            assertEquals(
                    422,
                    api.post(job + "/take-off", ApiClient.stamped(3, Map.of("items", wrong)))
                            .status());
        }
        JsonNode one = api.post(job + "/take-off", ApiClient.stamped(3, Map.of("items", List.of("plug@front-port"))))
                .body();
        assertEquals(
                "plug@rear-port", one.get("status").get("onOffMoved").get(0).asString());
        assertEquals("MASTER_PORTS", one.get("vehicleState").get("opened").asString(), "one port is still plugged");
        JsonNode off = api.post(job + "/take-off", ApiClient.stamped(4, Map.of("items", List.of("plug@rear-port"))))
                .body();
        assertEquals(0, off.get("status").get("onOffMoved").size());
        assertEquals("NOTHING", off.get("vehicleState").get("opened").asString());
    }

    @Test
    void everyWayToDivideTheCircuitIsATestOfItsOwn() {
        JsonNode ways = api.get(job + "/cut-sets").body();
        assertEquals(99, ways.size(), "one hundred, less both ports, which are written down with their depth sweep");
        JsonNode one = ways.valueStream()
                .filter(w -> w.get("joints")
                        .valueStream()
                        .map(JsonNode::asString)
                        .toList()
                        .equals(List.of("front-inlet")))
                .findFirst()
                .orElseThrow();
        assertEquals("LINE_PLUG", one.get("device").asString());
        assertTrue(
                one.get("takenOut")
                        .valueStream()
                        .map(JsonNode::asString)
                        .toList()
                        .containsAll(List.of("front-left", "front-right-hose")),
                one.toString());
        String id = one.get("procedureId").asString();
        assertEquals(
                List.of("at-5", "at-15", "at-30", "at-60"),
                api.get(job + "/tests/" + id)
                        .body()
                        .get("figures")
                        .valueStream()
                        .map(f -> f.get("id").asString())
                        .toList());
        JsonNode read = api.post(
                        job + "/readings",
                        ApiClient.stamped(
                                2,
                                Map.of(
                                        "procedureId",
                                        id,
                                        "rigCheck",
                                        "sound",
                                        "figures",
                                        List.of(
                                                Map.of("id", "at-5", "text", "38", "unit", "mm"),
                                                Map.of("id", "at-60", "text", "38.5", "unit", "mm")))))
                .body();
        assertEquals(
                List.of("plug@front-inlet"),
                read.get("status")
                        .get("onOffMoved")
                        .valueStream()
                        .map(JsonNode::asString)
                        .toList());
        assertEquals("LINE", read.get("vehicleState").get("opened").asString());
        assertEquals(
                422,
                api.post(
                                job + "/readings",
                                ApiClient.stamped(
                                        3,
                                        Map.of(
                                                "procedureId",
                                                "cut-lines@garden-gate",
                                                "rigCheck",
                                                "sound",
                                                "figures",
                                                List.of())))
                        .status());
    }

    @Test
    void aReadingThatWasKeptOnTheDeviceCarriesTheTimeOfItsMeasurement() {
        Map<String, Object> reading = ApiClient.stamped(2, ApiClient.freePlay("4", "mm"));
        reading.put("takenSecondsAgo", 7200);
        JsonNode entry =
                api.post(job + "/readings", reading).body().get("entries").get(2);
        assertEquals(
                7200,
                Duration.between(
                                Instant.parse(entry.get("takenAt").asString()),
                                Instant.parse(entry.get("at").asString()))
                        .toSeconds());
        reading.put("takenSecondsAgo", 7300);
        assertEquals(
                200, api.post(job + "/readings", reading).status(), "sent again a little later it is the same entry");
        assertEquals(3, now().get("entries").size());
    }

    @Test
    void aMachineIsToldWhatEachReadingNeedsAndWhereItWouldLie() {
        JsonNode hold = api.get(job + "/tests/hold-medium").body();
        assertEquals(4, hold.get("figures").size());
        JsonNode last = hold.get("figures").get(3);
        assertEquals("mm", last.get("unit").asString());
        assertEquals(60, last.get("atSecond").asInt());
        assertEquals("nothing-wrong", last.get("bands").get(0).get("suspectId").asString());
        assertTrue(last.get("bands").get(0).get("low").asDouble()
                < last.get("bands").get(0).get("high").asDouble());
        JsonNode look = api.get(job + "/tests/dry-walk").body();
        assertEquals(
                List.of("all-dry", "damp", "wet", "wet-at-master-face", "wet-under-reservoir", "not-seen"),
                look.get("options").valueStream().map(JsonNode::asString).toList());
    }

    /** Nobody complains: a check needs no behaviour, and the sound vehicle leads. */
    @Test
    void aCheckNeedsNoBehaviour() {
        Map<String, Object> check = ApiClient.intake("Tarn SK 88", "no-complaint", null);
        Answer opened = api.post("/api/jobs", check);
        assertEquals(201, opened.status(), () -> opened.raw().body());
        JsonNode job = api.get("/api/jobs/" + check.get("jobId")).body();
        assertEquals(1, job.get("entries").size(), "no reading was told");
        assertEquals(
                "hand-back",
                job.get("assessment").get("verdict").get("remedyId").asString());
        assertTrue(job.get("assessment").hasNonNull("next"), "and there is something to test");
        Map<String, Object> both = ApiClient.intake("Tarn SK 89", "no-complaint", null);
        both.put("alsoBehaviour", "sinks");
        api.post("/api/jobs", both).assertRefused(422, "input-not-allowed");
    }
}
