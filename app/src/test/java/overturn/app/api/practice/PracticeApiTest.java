package overturn.app.api.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.job.JobLog;
import overturn.app.practice.Exercises;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import overturn.layoutfile.Presets;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** An exercise from its setting to what was hidden, apart from the shop's own jobs. */
@ExtendWith(OverturnServer.class)
class PracticeApiTest {

    private static final String JUNO = "juno-vale";
    private static final String INES = "ines-quill";
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private ApiClient api;
    private OverturnServer.Running server;

    @BeforeEach
    void client(OverturnServer.Running running) {
        server = running;
        api = new ApiClient(running.address());
    }

    private static Map<String, Object> with(Object... pairs) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("entryId", UUID.randomUUID().toString());
        for (int i = 0; i < pairs.length; i += 2) {
            body.put((String) pairs[i], pairs[i + 1]);
        }
        return body;
    }

    private String lesson(String lessonId) {
        String id = UUID.randomUUID().toString();
        Answer set = api.post(JUNO, "/api/practice/exercises", Map.of("exerciseId", id, "lessonId", lessonId));
        assertEquals(201, set.status(), set.raw().body());
        return id;
    }

    private static String at(String id) {
        return "/api/practice/exercises/" + id;
    }

    private JsonNode opened(String id) {
        JsonNode told = api.get(JUNO, at(id)).body();
        Map<String, Object> intake =
                ApiClient.intake("Practice van", told.get("felt").asString(), "fluid-low");
        intake.put("jobId", id);
        intake.put("layoutId", told.get("line").get("layoutId").asString());
        intake.remove("personId");
        Answer answer = api.post(JUNO, "/api/jobs", intake);
        assertEquals(201, answer.status(), answer.raw().body());
        return answer.body();
    }

    private JsonNode act(String id, Object... said) {
        Answer answer = api.post(JUNO, at(id) + "/acts", with(said));
        assertEquals(200, answer.status(), answer.raw().body());
        return answer.body();
    }

    /** Does a test on the vehicle and enters what it showed. */
    private JsonNode tested(String id, String test, int sequence) {
        JsonNode shown =
                api.post(JUNO, at(id) + "/tests", with("procedureId", test)).body();
        Map<String, Object> reading = with("procedureId", test, "sequence", sequence, "rigCheck", "sound");
        if (shown.hasNonNull("observed")) {
            reading.put("observed", shown.get("observed").asString());
        } else {
            List<Map<String, String>> figures = new ArrayList<>();
            shown.get("figures")
                    .forEach(f -> figures.add(Map.of(
                            "id",
                            f.get("id").asString(),
                            "text",
                            f.get("text").asString(),
                            "unit",
                            f.get("unit").asString())));
            reading.put("figures", figures);
        }
        Answer answer = api.post(JUNO, "/api/jobs/" + id + "/readings", reading);
        assertEquals(200, answer.status(), answer.raw().body());
        return answer.body();
    }

    @Test
    void anApprenticeGoesThroughALessonToWhatWasHidden() {
        String id = lesson("hold-off-and-on");
        JsonNode job = opened(id);
        assertEquals(JUNO, job.get("practice").get("personId").asString());
        for (int i = 0;
                i < 12
                        && !job.get("assessment")
                                .get("verdict")
                                .get("grade")
                                .asString()
                                .equals("PROVEN");
                i++) {
            api.post(JUNO, at(id) + "/help", with());
            job = api.get(JUNO, "/api/jobs/" + id).body();
            assertTrue(job.get("practice").get("helped").asBoolean());
            JsonNode next = job.get("assessment").get("next");
            job = tested(
                    id, next.get("procedureId").asString(), job.get("sequence").asInt());
            assertFalse(job.get("practice").get("helped").asBoolean(), "only until the next entry");
        }
        JsonNode verdict = job.get("assessment").get("verdict");
        api.post(
                JUNO,
                at(id) + "/sure",
                with("remedyId", verdict.get("remedyIds").get(0).asString(), "percent", 90));
        Answer accepted = api.post(
                JUNO,
                "/api/jobs/" + id + "/verdict",
                with(
                        "sequence", job.get("sequence").asInt(),
                        "remedyIds", verdict.get("remedyIds"),
                        "grade", verdict.get("grade").asString(),
                        "why", "practice"));
        assertEquals(
                200,
                accepted.status(),
                "an apprentice practises what apprentices may not do: "
                        + accepted.raw().body());

        api.get(JUNO, at(id) + "/debrief").assertRefused(422, "input-not-allowed");
        Answer over = api.post(JUNO, at(id) + "/end", with());
        assertEquals(200, over.status(), over.raw().body());
        JsonNode debrief = over.body();
        assertEquals("primary-piston-cup", debrief.get("causes").get(0).asString());
        assertEquals(
                List.of("own", "planner", "chart"),
                debrief.get("routes")
                        .valueStream()
                        .map(r -> r.get("who").asString())
                        .toList());
        assertTrue(debrief.get("helps").asInt() > 0);
        assertEquals(90, debrief.get("claims").get(0).get("percent").asInt());
        assertEquals(debrief, api.get(JUNO, at(id) + "/debrief").body(), "told again the same");
        JsonNode line = api.get(JUNO, "/api/practice")
                .body()
                .get("exercises")
                .valueStream()
                .filter(e -> e.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
        assertEquals(debrief.get("points"), line.get("points"));
        assertEquals("one-fault", line.get("kind").asString());
    }

    @Test
    void whatIsHiddenIsNotToldBeforeItIsOver() {
        String id = lesson("clutch-stroke");
        opened(id);
        for (String path : List.of(at(id), "/api/practice", "/api/jobs/" + id)) {
            JsonNode told = api.get(JUNO, path).body();
            JsonNode line = path.equals("/api/practice")
                    ? told.get("exercises")
                            .valueStream()
                            .filter(e -> e.get("id").asString().equals(id))
                            .findFirst()
                            .orElseThrow()
                    : told;
            assertFalse(line.has("kind") && !line.get("kind").isNull(), path);
            assertFalse(line.toString().contains("\"seed\""), path);
        }
    }

    @Test
    void anExerciseStandsInNoBayFeedOrVehicle() {
        String id = lesson("nothing-wrong");
        JsonNode job = opened(id);
        tested(id, "free-play", job.get("sequence").asInt());
        assertFalse(api.get("/api/jobs?stage=all&search=Practice").raw().body().contains(id));
        assertFalse(api.get("/api/vehicles?search=Practice").raw().body().contains("Practice van"));
        assertTrue(server
                .context()
                .getBean(JobLog.class)
                .readingsAfter(Instant.now().minusSeconds(600), 500)
                .stream()
                .noneMatch(r -> r.jobId().toString().equals(id)));
        assertEquals(200, api.get(JUNO, "/api/jobs/" + id).status(), "it is read as any other job");
    }

    @Test
    void whatHandsDoIsKeptOnceAndCanGoWrong() {
        String id = lesson("hold-off-and-on");
        String joint = joint("front-left");
        Map<String, Object> press = with("act", "foot", "figure", 200);
        assertEquals(
                200.0,
                api.post(JUNO, at(id) + "/acts", press).body().get("forceN").asDouble());
        api.post(JUNO, at(id) + "/acts", press);
        act(id, "act", "crack", "subject", joint, "on", true);
        JsonNode released = act(id, "act", "foot", "figure", 0);
        assertEquals("early-release", released.get("mishaps").get(0).asString());
        assertEquals(1, released.get("mishaps").size(), "the press that was sent twice was done once");
        JsonNode driven = act(id, "act", "drive", "figure", 5);
        assertEquals("driven-open", driven.get("stopped").asString());
        long kept = server.context()
                .getBean(Exercises.class)
                .noted(UUID.fromString(id))
                .size();
        assertEquals(4, kept);
    }

    private static String joint(String end) {
        return Presets.TARN_BOX_VAN.joints().stream()
                .filter(j -> j.to().equals(end))
                .findFirst()
                .orElseThrow()
                .id();
    }

    @Test
    void whatCannotBeDoneIsAnsweredWithWhatCan() {
        String id = lesson("hold-off-and-on");
        for (Map<String, Object> wrong : List.of(
                with("act", "fly"),
                with("act", "foot"),
                with("act", "foot", "figure", 99_999),
                with("act", "crack", "subject", "nowhere", "on", true),
                with("act", "plug", "on", true),
                with("act", "replace", "subject", "everything"))) {
            api.post(JUNO, at(id) + "/acts", wrong).assertRefused(422, "input-not-allowed");
        }
        api.post(JUNO, at(id) + "/tests", with("procedureId", "no-such-test")).assertRefused(422, "input-not-allowed");
        api.post(JUNO, at(UUID.randomUUID().toString()) + "/acts", with("act", "cap", "on", true))
                .assertRefused(404, "not-found");
        api.post(JUNO, "/api/practice/exercises", Map.of("exerciseId", UUID.randomUUID(), "kind", "miracle"))
                .assertRefused(422, "input-not-allowed");
        api.post(JUNO, "/api/practice/exercises", Map.of("exerciseId", UUID.randomUUID(), "lessonId", "none"))
                .assertRefused(422, "input-not-allowed");
        assertEquals(
                0,
                server.context()
                        .getBean(Exercises.class)
                        .noted(UUID.fromString(id))
                        .size());
    }

    @Test
    void onlyTheOneWhoPractisesWorksOnItAndTheLeadLooksOn() {
        String id = lesson("hold-off-and-on");
        opened(id);
        assertEquals(200, api.get(INES, at(id)).status());
        api.get("tobias-renn", at(id)).assertRefused(404, "not-found");
        api.post(INES, at(id) + "/acts", with("act", "cap", "on", false)).assertRefused(404, "not-found");
        api.post("tobias-renn", "/api/jobs/" + id + "/notes", with("sequence", 2, "text", "mine"))
                .assertRefused(403, "anothers-exercise");
        api.post(JUNO, "/api/practice/exercises", Map.of("exerciseId", UUID.randomUUID(), "personIds", List.of(INES)))
                .assertRefused(403, "not-allowed");
        JsonNode set = api.post(
                        INES,
                        "/api/practice/exercises",
                        Map.of(
                                "exerciseId", UUID.randomUUID(),
                                "layoutId", "tarn-box-van",
                                "suspectIds", List.of("air-in-front-end"),
                                "personIds", List.of(JUNO, "tobias-renn")))
                .body();
        assertEquals(
                List.of(JUNO, "tobias-renn"),
                set.valueStream().map(e -> e.get("personId").asString()).toList());
    }

    @Test
    void aClassStandsSideBySideForWhoeverSetItAndEachSeesOnlyTheirOwn() {
        List<String> ids = api.post(
                        INES,
                        "/api/practice/exercises",
                        Map.of(
                                "exerciseId", UUID.randomUUID(),
                                "layoutId", "tarn-box-van",
                                "suspectIds", List.of("air-in-rear-end"),
                                "personIds", List.of(JUNO, "tobias-renn")))
                .body()
                .valueStream()
                .map(e -> e.get("id").asString())
                .toList();
        opened(ids.get(0));
        assertEquals(200, api.post(JUNO, at(ids.get(0)) + "/end", with()).status());
        JsonNode ofLead = classWith(INES, ids.get(0));
        assertEquals(2, ofLead.get("people").size());
        assertEquals(ids.get(0), ofLead.get("people").get(0).get("id").asString());
        assertTrue(ofLead.get("people").get(0).has("points")
                && !ofLead.get("people").get(1).has("points"));
        assertTrue(!ofLead.has("kind") && ofLead.get("suspectIds").isEmpty(), "told once everybody has ended");
        JsonNode own = classWith(JUNO, ids.get(0));
        assertEquals(1, own.get("people").size(), "nobody sees another's");
        assertEquals("air-in-rear-end", own.get("suspectIds").get(0).asString());
        JsonNode people = api.get(JUNO, "/api/practice/results").body().get("people");
        assertEquals(
                List.of(JUNO),
                people.valueStream().map(p -> p.get("personId").asString()).toList());
    }

    private JsonNode classWith(String person, String exerciseId) {
        return api.get(person, "/api/practice/results")
                .body()
                .get("classes")
                .valueStream()
                .filter(one -> one.get("people")
                        .valueStream()
                        .anyMatch(line -> line.get("id").asString().equals(exerciseId)))
                .findFirst()
                .orElseThrow();
    }

    /** Moments of the live vehicle, as many as asked for. */
    private List<JsonNode> watched(String id, int most) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(server.address() + at(id) + "/live"));
        api.sign(JUNO, request);
        var answer = HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
        assertEquals(200, answer.statusCode());
        List<JsonNode> moments = new ArrayList<>();
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(answer.body()))) {
            while (moments.size() < most) {
                String line = lines.readLine();
                if (line.startsWith("data:")) {
                    moments.add(MAPPER.readTree(line.substring(5)));
                }
            }
        }
        return moments;
    }

    @Test
    void theVehicleMovesWhileItIsWatchedAndStandsWhileItIsNot() throws Exception {
        String id = lesson("hold-off-and-on");
        act(id, "act", "foot", "figure", 250);
        long from = System.nanoTime();
        List<JsonNode> second = watched(id, 50);
        double seconds = (System.nanoTime() - from) / 1e9;
        assertTrue(second.get(49).get("travelMm").asDouble()
                > second.get(0).get("travelMm").asDouble() + 5);
        assertTrue(seconds > 1.5, "no faster than 25 a second: " + seconds);
        Thread.sleep(700);
        long tick = second.get(49).get("tick").asLong();
        long next = watched(id, 1).get(0).get("tick").asLong();
        assertTrue(next - tick < 15, "it stood while nobody looked: " + tick + " to " + next);
        Map<String, Double> bars = new HashMap<>();
        second.get(49).get("barByChamber").forEachEntry((chamber, bar) -> bars.put(chamber, bar.asDouble()));
        assertEquals(2, bars.size());
    }

    @Test
    void aPartFittedForNothingCuresNothingAndTheRightOneDoes() {
        String id = lesson("hold-off-and-on");
        opened(id);
        assertEquals("sinks", api.get(JUNO, at(id)).body().get("felt").asString());
        act(id, "act", "replace", "subject", "renew-hoses");
        assertEquals(
                "plainly", api.get(JUNO, at(id) + "/felt").body().get("felt").asString());
        JsonNode rig = act(id, "act", "replace", "subject", "renew-master");
        assertEquals(
                List.of("renew-hoses", "renew-master"),
                rig.get("replaced").valueStream().map(JsonNode::asString).toList());
        assertEquals(
                "as-it-should",
                api.get(JUNO, at(id) + "/felt").body().get("felt").asString());
        JsonNode own =
                api.post(JUNO, at(id) + "/end", with()).body().get("routes").get(0);
        assertEquals(0, own.get("minutes").asDouble(), "no test was done, and fitting is no way to a verdict");
        assertEquals(1, own.get("wrongParts").asInt());
        assertTrue(own.get("costMinutes").asDouble() > 0, "the hoses were for nothing");
    }

    @Test
    void aJobThatWasMendedIsPlayedAgainAndOneThatWasNotIsRefused() {
        String open = api.openJob("Not mended", "sinks", "fluid-low");
        Map<String, Object> asked = Map.of("exerciseId", UUID.randomUUID(), "fromJobId", open);
        api.post(JUNO, "/api/practice/exercises", asked).assertRefused(422, "input-not-allowed");
        String mended = api.openJob("Mended", "sinks", "primary-piston-cup");
        new RepairFlow(api, "/api/jobs/" + mended).accept().tickAll();
        JsonNode set = api.post(
                        JUNO, "/api/practice/exercises", Map.of("exerciseId", UUID.randomUUID(), "fromJobId", mended))
                .body()
                .get(0);
        assertEquals("tarn-box-van", set.get("layoutId").asString());
        assertEquals(mended, set.get("fromJobId").asString());
        String id = set.get("id").asString();
        opened(id);
        JsonNode over = api.post(JUNO, at(id) + "/end", with()).body();
        assertEquals("renew-master", over.get("needed").get(0).asString());
    }

    /** Lines of a stream, as many as asked for. */
    private List<String> lines(String path, int most) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(server.address() + path));
        api.sign(JUNO, request);
        var answer = HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
        assertEquals(200, answer.statusCode());
        List<String> lines = new ArrayList<>();
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(answer.body()))) {
            while (lines.size() < most) {
                lines.add(reader.readLine());
            }
        }
        return lines;
    }

    @Test
    void anInstrumentOnTheVehicleIsAnOpenStream() throws Exception {
        String id = lesson("hold-off-and-on");
        act(id, "act", "foot", "figure", 200);
        double before = -1;
        for (String line : lines(at(id) + "/instruments/pedal-force-gauge", 30)) {
            JsonNode told = MAPPER.readTree(line);
            assertTrue(told.get("seconds").asDouble() > before);
            before = told.get("seconds").asDouble();
            if (told.has("value")) {
                double shown = told.get("value").asDouble();
                assertEquals(Math.rint(shown), shown, "it tells whole newtons");
            }
        }
        List<String> table = lines(at(id) + "/instruments/travel-tape.csv", 20);
        assertEquals("seconds,value", table.get(0));
        double travel = Double.parseDouble(table.get(19).split(",")[1]);
        assertTrue(travel > 8, "pressed: " + table.get(19));
        api.get(JUNO, at(id) + "/instruments/crystal-ball").assertRefused(404, "not-found");
        api.get("tobias-renn", at(id) + "/instruments/travel-tape").assertRefused(404, "not-found");
    }

    @Test
    void thatNothingIsWrongCanBeNamed() {
        String id = lesson("nothing-wrong");
        opened(id);
        act(id, "act", "replace", "subject", "hand-back");
        JsonNode over = api.post(JUNO, at(id) + "/end", with()).body();
        JsonNode own = over.get("routes").get(0);
        assertEquals("hand-back", own.get("named").get(0).asString());
        assertTrue(own.get("right").asBoolean());
        assertTrue(over.get("points").asInt() >= 60, "points " + over.get("points"));
    }

    @Test
    void onceItIsOverNothingIsDoneAnyMoreAndThePointsStay() {
        String id = lesson("hold-off-and-on");
        JsonNode job = opened(id);
        int points =
                api.post(JUNO, at(id) + "/end", with()).body().get("points").asInt();
        api.post(JUNO, at(id) + "/acts", with("act", "replace", "subject", "renew-master"))
                .assertRefused(422, "input-not-allowed");
        api.post(JUNO, at(id) + "/help", with()).assertRefused(422, "input-not-allowed");
        api.post(
                        JUNO,
                        "/api/jobs/" + id + "/notes",
                        with("sequence", job.get("sequence").asInt(), "text", "late"))
                .assertRefused(403, "exercise-over");
        assertEquals(
                points, api.get(JUNO, at(id) + "/debrief").body().get("points").asInt());
    }
}
