package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.app.config.BodyLimitFilter;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.ForeignFile;
import overturn.app.support.OverturnServer;
import overturn.catalogue.ProcedureCatalogue;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Observation;
import overturn.procedure.Procedure;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A job goes out as a file and comes in elsewhere: the same log, the same assessment, other names to sign with. */
@ExtendWith(OverturnServer.class)
class JobFileApiTest {

    /** Enough for every circuit; {@code -Djobs=500} for a longer look. */
    private static final int JOBS = Integer.getInteger("jobs", 15);

    private ApiClient api;

    @BeforeEach
    void connect(OverturnServer.Running server) {
        api = new ApiClient(server.address());
    }

    private ObjectNode elsewhere(String job) {
        return ForeignFile.of(api, job);
    }

    private Answer take(JsonNode file) {
        return api.post("/api/job-files", file);
    }

    /** What is believed of a job, without the names and ids that differ. */
    private static String believed(JsonNode job) {
        JsonNode assessment = job.get("assessment");
        return assessment.get("verdict").get("grade") + " "
                + assessment.get("verdict").get("remedyIds") + " "
                + assessment
                        .get("suspects")
                        .valueStream()
                        .map(s -> s.get("suspectId") + "=" + s.get("probability"))
                        .toList();
    }

    @Test
    void jobsOfEveryCircuitComeInAsTheyWentOut() {
        SplittableRandom random = new SplittableRandom(20261127);
        for (int n = 0; n < JOBS; n++) {
            var layout = Presets.all().get(n % Presets.all().size());
            ProcedureCatalogue tests = ProcedureCatalogue.of(layout);
            List<String> behaviours = ((Observation) tests.intake().spec()).options();
            Map<String, Object> intake =
                    ApiClient.intake("File " + n, behaviours.get(random.nextInt(behaviours.size())), "nothing-wrong");
            intake.put("layoutId", layout.id());
            String id = intake.get("jobId").toString();
            assertEquals(201, api.post("/api/jobs", intake).status());
            List<Procedure> looks = tests.all().stream()
                    .filter(p -> p.spec() instanceof Observation && !ProcedureCatalogue.atIntake(p.id()))
                    .toList();
            for (int k = random.nextInt(4); k > 0; k--) {
                Procedure look = looks.get(random.nextInt(looks.size()));
                List<String> options = ((Observation) look.spec()).options();
                assertEquals(
                        200,
                        api.post("/api/jobs/" + id + "/readings", observed(id, look, options, random))
                                .status());
            }
            JsonNode here = api.get("/api/jobs/" + id).body();
            ObjectNode file = elsewhere(id);
            Answer taken = take(file);
            assertEquals(201, taken.status(), () -> taken.body().toString());
            assertEquals(believed(here), believed(taken.body()), layout.id());
            assertEquals(here.get("entries").size(), taken.body().get("entries").size());
        }
    }

    private Map<String, Object> observed(String id, Procedure look, List<String> options, SplittableRandom random) {
        int sequence = api.get("/api/jobs/" + id).body().get("sequence").asInt();
        return ApiClient.stamped(
                sequence,
                Map.of(
                        "procedureId",
                        look.id(),
                        "figures",
                        List.of(),
                        "observed",
                        options.get(random.nextInt(options.size())),
                        "rigCheck",
                        "sound",
                        "anotherRig",
                        false));
    }

    @Test
    void takenTwiceItIsThereOnceAndNobodyHereSignsWithAForeignName() {
        String id = api.openJob("File twice", "sinks", "primary-piston-cup");
        ObjectNode file = elsewhere(id);
        JsonNode first = take(file).body();
        JsonNode again = take(file).body();
        assertEquals(first.get("entries"), again.get("entries"));
        String signed = first.get("entries").get(0).get("personId").asString();
        assertTrue(signed.startsWith("elsewhere-"), signed);
        Map<String, Object> note = new HashMap<>(Map.of(
                "entryId",
                UUID.randomUUID().toString(),
                "sequence",
                first.get("sequence").asInt(),
                "procedureId",
                "spout",
                "why",
                "no lamp here"));
        Answer refused = api.post("/api/session", Map.of("name", signed, "password", ApiClient.PASSWORD));
        assertEquals(401, refused.status());
        note.put("personId", "juno-vale");
        assertEquals(
                200,
                api.post("/api/jobs/" + first.get("id").asString() + "/set-aside", note)
                        .status());
        assertEquals(201, take(file).status(), "the file is the beginning of what stands here by now");
    }

    @Test
    void whatIsKnownOfTheVehicleComesAlongOnce() {
        String id = api.openJob("File facts", "sinks", "primary-piston-cup");
        String vehicle = "/api/vehicles/"
                + api.get("/api/jobs/" + id).body().get("vehicleId").asString();
        for (Map<String, String> fact : List.of(
                Map.of("kind", "distance", "text", "128 740", "unit", "km"),
                Map.of("kind", "figure", "what", "pedal height", "text", "181", "unit", "mm"),
                Map.of("kind", "sheet", "what", "nut-torque", "text", "16 Nm", "source", "manual, page 31"),
                Map.of("kind", "remark", "text", "tow bar in the way"))) {
            Map<String, Object> body = new HashMap<>(fact);
            body.put("entryId", UUID.randomUUID().toString());
            body.put("personId", "juno-vale");
            assertEquals(200, api.post(vehicle + "/facts", body).status());
        }
        ObjectNode file = elsewhere(id);
        JsonNode taken = take(file).body();
        take(file);
        JsonNode there =
                api.get("/api/vehicles/" + taken.get("vehicleId").asString()).body();
        assertEquals(4, there.get("facts").size());
        assertEquals(128_740, there.get("distanceKm").asDouble(), 1e-9);
        assertEquals("manual, page 31", there.get("sheet").get(0).get("source").asString());
        assertTrue(there.get("facts").get(0).get("personId").asString().startsWith("elsewhere-juno-vale"));
    }

    private static Arguments spoilt(String field, Consumer<ObjectNode> how) {
        return Arguments.of(field, how);
    }

    static Stream<Arguments> whatIsNoJob() {
        return Stream.of(
                spoilt("format", f -> f.put("format", "overturn-job/2")),
                spoilt("", f -> f.put("more", 1)),
                spoilt("entries", f -> f.putArray("entries")),
                spoilt("entries.0.sequence", f -> entry(f, 0).put("sequence", "one")),
                spoilt("entries[0].sequence", f -> entry(f, 0).put("sequence", 7)),
                spoilt("entries[0]", f -> entry(f, 0).put("kind", "opened-otherwise")),
                spoilt(
                        "entries[0]",
                        f -> ((ObjectNode) f.get("vehicle"))
                                .put("id", UUID.randomUUID().toString())),
                spoilt("entries[2].body", JobFileApiTest::withAMillionStrokes),
                spoilt("attachments", JobFileApiTest::withAPicture),
                spoilt("personId", f -> entry(f, 0).put("personId", "nobody")),
                spoilt("id", f -> f.put("id", "7")),
                spoilt("layout.id", f -> ((ObjectNode) f.get("layout")).put("id", "old-bess-tender")),
                spoilt(
                        "layout",
                        f -> ((ObjectNode) f.get("layout").get("components").get(0)).put("ratio", 5)));
    }

    private static void withAMillionStrokes(ObjectNode file) {
        ObjectNode strokes = entry(file, 1).deepCopy();
        strokes.put("id", UUID.randomUUID().toString());
        strokes.put("sequence", 3);
        strokes.put("kind", "strokes-bled");
        strokes.put("bodyVersion", 1);
        strokes.putObject("body")
                .put("endId", "front-left")
                .put("count", 1_000_000)
                .put("bubbles", "none")
                .put("colour", "clear");
        ((ArrayNode) file.get("entries")).add(strokes);
    }

    private static void withAPicture(ObjectNode file) {
        ((ArrayNode) file.get("attachments"))
                .addObject()
                .put("id", UUID.randomUUID().toString())
                .put("entryId", entry(file, 0).get("id").asString())
                .put("mediaType", "image/jpeg")
                .put("base64", "iVBORw0KGgo=");
    }

    private static ObjectNode entry(ObjectNode file, int at) {
        return (ObjectNode) ((ArrayNode) file.get("entries")).get(at);
    }

    @ParameterizedTest(name = "{index} {0}")
    @MethodSource("whatIsNoJob")
    void whatIsNoJobIsNamedAndNothingIsWritten(String field, Consumer<ObjectNode> how) {
        ObjectNode file = elsewhere(api.openJob("File spoilt", "sinks", "primary-piston-cup"));
        String id = file.get("id").asString();
        how.accept(file);
        Answer answer = take(file);
        assertEquals(422, answer.status(), () -> answer.body().toString());
        assertTrue(
                answer.body()
                        .get("findings")
                        .valueStream()
                        .anyMatch(f -> f.get("field").asString().startsWith(field)),
                () -> answer.body().toString());
        assertEquals(404, api.get("/api/jobs/" + id).status());
    }

    @Test
    void scriptInATextIsShownAsTextAndAFileOfEndlessDepthIsRefused() {
        ObjectNode file = elsewhere(api.openJob("File inert", "sinks", "primary-piston-cup"));
        ((ObjectNode) entry(file, 0).get("body")).put("complaint", "<script>alert(1)</script>");
        JsonNode taken = take(file).body();
        assertEquals("<script>alert(1)</script>", taken.get("complaint").asString());
        assertEquals(
                422,
                api.postText("/api/job-files", "{\"a\":".repeat(200) + "1" + "}".repeat(200))
                        .status());
        assertEquals(
                413,
                api.postText("/api/job-files", "\"" + "x".repeat(BodyLimitFilter.MOST_FILE_BYTES) + "\"")
                        .status());
    }
}
