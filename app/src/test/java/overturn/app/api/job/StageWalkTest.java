package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import overturn.words.Words;
import tools.jackson.databind.JsonNode;

/**
 * One job of every family walked through every stage: at each, the job, its line in the bay, its gates and its report
 * say the same of what is next, whether it may be moved, what was decided.
 */
@ExtendWith(OverturnServer.class)
class StageWalkTest {

    private static final Map<String, String> WORDS = Words.all();
    private static final long DAYS_AGO_HOURS = 60;

    private ApiClient api;
    private String id;
    private final Set<String> stages = new HashSet<>();

    private JsonNode job() {
        return api.get("/api/jobs/" + id).body();
    }

    /** Everything that is said of the job at this moment agrees. */
    private JsonNode agree(String stage) throws IOException {
        JsonNode job = job();
        JsonNode status = job.get("status");
        stages.add(job.get("stage").asString());
        assertEquals(stage, job.get("stage").asString());
        JsonNode line = line();
        assertEquals(stage, line.get("stage").asString());
        JsonNode stands = line.get("lead").get("stands");
        assertEquals(status.get("next"), stands.get("next"), stage);
        assertEquals(status.get("mayMove").get("answer"), stands.get("mayMove"), stage);
        assertEquals(status.get("onOffMoved").size(), line.get("stillFitted").asInt(), stage);
        List<String> decided = new ArrayList<>();
        if (status.has("decided")) {
            status.get("decided").get("remedyIds").forEach(r -> decided.add(r.asString()));
            assertEquals(status.get("decided").get("turnedOut"), stands.get("turnedOut"), stage);
        }
        List<String> inBay = new ArrayList<>();
        stands.get("decided").forEach(r -> inBay.add(r.asString()));
        assertEquals(decided, inBay, stage);
        report(job);
        gates(job);
        if (!decided.isEmpty()) {
            assertFalse(
                    job.get("assessment").has("verdict")
                            && job.get("assessment")
                                    .get("verdict")
                                    .get("remedyIds")
                                    .toString()
                                    .contains("hand-back"),
                    "nothing wrong is no verdict once something was decided: " + stage);
        }
        return status;
    }

    private JsonNode line() {
        for (int tries = 0; tries < 50; tries++) {
            JsonNode line = api.get("/api/jobs?stage=all&search=Walked")
                    .body()
                    .get("jobs")
                    .valueStream()
                    .filter(j -> j.get("id").asString().equals(id))
                    .findFirst()
                    .orElseThrow();
            if (line.has("lead") && line.get("lead").get("current").asBoolean()) {
                return line;
            }
            job();
        }
        throw new AssertionError("The line of the bay never came up");
    }

    private void report(JsonNode job) throws IOException {
        try (PDDocument document =
                Loader.loadPDF(api.bytes("/api/jobs/" + id + "/report").body())) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertTrue(text.contains(WORDS.get("stage." + job.get("stage").asString())), text);
            String answer = job.get("status").get("mayMove").get("answer").asString();
            assertTrue(text.contains(WORDS.get("may-move." + answer)), text);
        }
    }

    /** The next act is one that the gates ask for, or stands before them. */
    private static void gates(JsonNode job) {
        if (!job.has("repair")) {
            return;
        }
        String kind = job.get("status").get("next").get("kind").asString();
        String subject = job.get("status").get("next").get("subject").asString();
        JsonNode chocks = job.get("repair").get("gates").get(0);
        List<String> blockers = new ArrayList<>();
        chocks.get("blockers").forEach(b -> blockers.add(b.get("item").asString()));
        switch (kind) {
            case "STEP", "SET_BACK" -> assertTrue(blockers.contains(subject), subject + " of " + blockers);
            case "BLEED", "REST", "LEVEL" -> assertTrue(blockers.contains(""), "bleeding of " + blockers);
            case "CHECK" -> {
                assertTrue(blockers.isEmpty(), blockers.toString());
                assertFalse(RepairFlow.outcome(job, subject).equals("passed"), subject);
            }
            default -> assertTrue(blockers.isEmpty(), kind + " with " + blockers);
        }
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "tarn-box-van, sinks",
        "old-bess-tender, sinks",
        "corvane-flatbed, hard",
        "pellow-saloon-clutch, level-falls",
        "wisp-courier-brake, springy",
        "wisp-courier-clutch, level-falls",
        "brack-tug-clutch, does-not-free"
    })
    void everyViewSaysTheSameAtEveryStage(String layoutId, String behaviour, OverturnServer.Running server)
            throws IOException {
        api = new ApiClient(server.address());
        Map<String, Object> intake = ApiClient.intake("Walked " + layoutId, behaviour, "nothing-wrong");
        intake.put("layoutId", layoutId);
        assertEquals(201, api.post("/api/jobs", intake).status());
        id = intake.get("jobId").toString();
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id).done(DAYS_AGO_HOURS);
        agree("tracing");
        flow.accept();
        JsonNode accepted = agree("accepted");
        assertEquals("ASSUMED", accepted.get("decided").get("turnedOut").asString());
        flow.tickSome(2);
        agree("under-repair");
        flow.tickAll();
        if (RepairFlow.repair(job()).has("sheet")) {
            agree("under-repair");
            flow.bleed();
        }
        JsonNode chocks = agree("proving-on-chocks");
        assertEquals("NOT_AT_ALL", chocks.get("mayMove").get("answer").asString());
        flow.pass("chocks");
        assertEquals(
                "IN_THE_YARD",
                agree("proving-in-the-yard").get("mayMove").get("answer").asString());
        flow.pass("yard");
        assertEquals(
                "TO_BE_PROVED",
                agree("proving-on-the-road").get("mayMove").get("answer").asString());
        flow.pass("road");
        assertEquals(
                "SIGN_CONDITIONALLY",
                agree("proving-on-the-road").get("next").get("kind").asString());
        assertEquals(200, flow.post("release", Map.of("conditional", true)).status());
        assertEquals(
                "UNTIL_RECHECK",
                agree("released-conditionally").get("mayMove").get("answer").asString());
        flow.done(0).pass("next-day");
        assertEquals(
                "SIGN", agree("released-conditionally").get("next").get("kind").asString());
        assertEquals(200, flow.post("release", Map.of("conditional", false)).status());
        JsonNode released = agree("released");
        assertEquals("RELEASED", released.get("mayMove").get("answer").asString());
        assertEquals(
                "ASSUMED_NEVER_PROVEN", released.get("decided").get("turnedOut").asString());
        assertTrue(released.get("onOffMoved").isEmpty());
        assertTrue(stages.size() >= 7, stages.toString());
    }
}
