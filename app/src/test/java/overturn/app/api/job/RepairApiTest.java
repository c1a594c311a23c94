package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static overturn.app.support.RepairFlow.gateState;
import static overturn.app.support.RepairFlow.ids;
import static overturn.app.support.RepairFlow.repair;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import tools.jackson.databind.JsonNode;

/** From an accepted verdict to release over HTTP against the real database. */
@ExtendWith(OverturnServer.class)
class RepairApiTest {

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

    @Test
    void aMasterGoesFromTheVerdictToTheFinalRelease() {
        assertEquals("accepted", now().get("stage").asString());
        assertFalse(repair(now()).get("overturned").asBoolean(), "assumed at a quarter, and still what leads");
        flow.tickAll();
        JsonNode unbled = now();
        assertEquals("under-repair", unbled.get("stage").asString());
        assertEquals(List.of("BLEEDING"), ids(repair(unbled).get("gates").get(0).get("blockers"), "kind"));
        flow.bleed();
        assertEquals("proving-on-chocks", now().get("stage").asString());
        flow.pass("chocks");
        assertEquals("proving-in-the-yard", now().get("stage").asString());
        flow.pass("yard");
        post("release", Map.of("conditional", true)).assertRefused(422, "input-not-allowed");
        flow.pass("road");
        post("release", Map.of("conditional", true, "secondId", "ines-quill")).assertRefused(422, "input-not-allowed");
        assertEquals(200, flow.postAs("ines-quill", "second-checks", Map.of()).status());
        assertEquals("ines-quill", repair(now()).get("secondChecked").get(0).asString());
        JsonNode conditional = post("release", Map.of("conditional", true, "secondId", "ines-quill"))
                .body();
        assertEquals("released-conditionally", conditional.get("stage").asString());
        assertTrue(repair(conditional).get("released").has("recheckOn"));
        post("release", Map.of("conditional", false)).assertRefused(422, "input-not-allowed");
        post("checks", Map.of("checkId", "level-same", "outcome", "passed")).assertRefused(422, "input-not-allowed");
        flow.done(0).pass("next-day");
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
        post("work-steps", Map.of("key", "unbolt-master@master"));
        JsonNode blockers = repair(now()).get("gates").get(0).get("blockers");
        List<String> items = ids(blockers, "item");
        assertTrue(items.contains("pipe-caps@master") && items.contains("master-out@master"), items.toString());
        Answer refused = post("checks", Map.of("checkId", "pumped-firm", "outcome", "passed"));
        refused.assertRefused(422, "input-not-allowed");
        assertEquals(
                "checkId", refused.body().get("findings").get(0).get("field").asString());
    }

    @Test
    void anotherWayChangesThePlanAndKeepsWhatIsDone() {
        post("work-steps", Map.of("key", "cap-pipes@master"));
        List<String> before = ids(repair(now()).get("steps"), "id");
        assertTrue(before.contains("compare-bore") && !before.contains("lips"), before.toString());
        JsonNode resealed =
                post("ways", Map.of("school", "rework", "way", "reseal")).body();
        JsonNode repair = repair(now());
        List<String> after = ids(repair.get("steps"), "id");
        assertTrue(after.contains("lips") && !after.contains("compare-bore"), after.toString());
        JsonNode capped = repair.get("steps")
                .valueStream()
                .filter(step -> step.get("key").asString().equals("cap-pipes@master"))
                .findFirst()
                .orElseThrow();
        assertTrue(capped.hasNonNull("done"), "done in either way");
        assertTrue(ids(repair.get("needed"), "id").contains("seal-kit"));
        assertTrue(repair.get("ways").toString().contains("\"way\":\"reseal\""), resealed.toString());
        post("ways", Map.of("school", "rework", "way", "paint")).assertRefused(422, "input-not-allowed");
        post("ways", Map.of("school", "taste", "way", "paint")).assertRefused(422, "input-not-allowed");
        flow.tickAll();
        flow.bleed();
        flow.pass("chocks");
        post("ways", Map.of("school", "jar", "way", "below"));
        assertEquals("SHUT", gateState(now(), "chocks"), "another way has steps that are not done");
    }

    @Test
    void aFailedCheckClosesWhatIsAboveItAndSaysWhatWasSeen() {
        flow.tickAll();
        flow.bleed();
        flow.pass("chocks");
        assertEquals("OPEN", gateState(now(), "yard"));
        post("checks", Map.of("checkId", "hard-press", "outcome", "failed")).assertRefused(422, "input-not-allowed");
        JsonNode failed = post(
                        "checks", Map.of("checkId", "hard-press", "outcome", "failed", "seen", "drips at the flare"))
                .body();
        assertEquals("FAILED", gateState(failed, "chocks"));
        assertEquals("SHUT", gateState(failed, "yard"));
    }

    @Test
    void whatIsReadAfterTheRepairIsAboutWhatIsLeft() {
        JsonNode before = now();
        flow.tickAll();
        JsonNode after = post("readings", Map.of("procedureId", "dry-walk", "observed", "all-dry", "rigCheck", "sound"))
                .body();
        assertTrue(before.get("accepted").get("remedyIds").toString().contains("renew-master"));
        JsonNode verdict = after.get("assessment").get("verdict");
        assertFalse(
                verdict != null && verdict.get("remedyIds").toString().contains("renew-master"),
                "what was renewed is not asked for again");
        assertTrue(
                after.get("assessment")
                        .get("suspects")
                        .valueStream()
                        .anyMatch(s -> s.get("suspectId").asString().equals("primary-piston-cup")
                                && s.get("retired").asBoolean()
                                && s.get("probability").asDouble() < 0.01),
                "nor is it suspected");
        assertTrue(
                after.get("assessment")
                        .get("river")
                        .valueStream()
                        .anyMatch(m -> m.get("repaired").toString().contains("renew-master")),
                "the repair has its mark");
        assertFalse(repair(after).get("overturned").asBoolean());
    }

    /** The van takes glycol: another can is refused by name, and the answer says what to do if it is in already. */
    @Test
    void theWrongFluidIsRefusedByName() {
        assertEquals("glycol", repair(now()).get("fluid").get("takes").asString());
        Answer wrong = post("fluid", Map.of("fluid", "mineral", "grade", "ISO 7308"));
        wrong.assertRefused(422, "input-not-allowed");
        String allowed = wrong.body().toString();
        assertTrue(allowed.contains("Mineral oil") && allowed.contains("do not press"), allowed);
        post("fluid", Map.of("fluid", "milk")).assertRefused(422, "input-not-allowed");
        assertFalse(repair(now()).get("fluid").hasNonNull("taken"));
        post("fluid", Map.of("fluid", "glycol", "grade", "DOT 4"));
        assertEquals("DOT 4", repair(now()).get("fluid").get("taken").asString());
    }

    /** What the reader showed stands beside what it is about, and no codes go with a test that reads none. */
    @Test
    void codesAreNotedAsTheyWereRead() {
        Map<String, Object> code = Map.of("number", "K 1204", "text", "Sensor rear left, signal", "often", "often");
        JsonNode read = post(
                        "readings",
                        Map.of(
                                "procedureId", "codes-read",
                                "observed", "sensor-often",
                                "rigCheck", "sound",
                                "codes", List.of(code)))
                .body();
        JsonNode entry = read.get("entries").valueStream().reduce((a, b) -> b).orElseThrow();
        assertEquals("K 1204", entry.get("codes").get(0).get("number").asString());
        Map<String, Object> none =
                Map.of("procedureId", "codes-read", "observed", "none", "rigCheck", "sound", "codes", List.of(code));
        post("readings", none).assertRefused(422, "input-not-allowed");
        Map<String, Object> walk =
                Map.of("procedureId", "dry-walk", "observed", "all-dry", "rigCheck", "sound", "codes", List.of(code));
        post("readings", walk).assertRefused(422, "input-not-allowed");
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

    @Test
    void theReportHasAtMostTwoPagesOfTextThatCanBeSelectedWithItsFontsInside() throws IOException {
        post("readings", Map.of("procedureId", "dry-walk", "observed", "all-dry", "rigCheck", "sound"));
        flow.releaseConditionally();
        HttpResponse<byte[]> report = api.bytes(job + "/report");
        assertEquals(
                "application/pdf", report.headers().firstValue("content-type").orElseThrow());
        try (PDDocument document = Loader.loadPDF(report.body())) {
            String text = new PDFTextStripper().getText(document);
            for (String told : List.of(
                    "Tarn SK 71",
                    "Sinks at the ferry ramp",
                    "Master, reseal or renew",
                    "assumed",
                    "Dry walk",
                    "Marit Osei",
                    "Released conditionally",
                    "14 checks passed",
                    "Bore, new")) {
                assertTrue(text.contains(told), told + " in " + text);
            }
            assertTrue(document.getNumberOfPages() <= 2, document.getNumberOfPages() + " pages");
            for (COSName font : document.getPage(0).getResources().getFontNames()) {
                assertTrue(document.getPage(0).getResources().getFont(font).isEmbedded(), font.getName());
            }
        }
        String calendar = new String(api.bytes(job + "/recheck").body(), StandardCharsets.UTF_8);
        assertTrue(calendar.contains("BEGIN:VEVENT") && calendar.contains("Re-check Tarn SK 71"), calendar);
        assertEquals(
                "image/png",
                api.bytes(job + "/tag").headers().firstValue("content-type").orElseThrow());
    }

    @Test
    void thereIsNoDateBeforeARelease() {
        assertEquals(404, api.get(job + "/recheck").status());
    }

    @Test
    void aReleasedVehicleThatComesBackIsANewJobThatPointsAtTheOld() {
        Map<String, Object> again = ApiClient.intake("Tarn SK 71", "sinks", "primary-piston-cup");
        again.put("comesBackFrom", job.substring("/api/jobs/".length()));
        Answer tooEarly = api.post("/api/jobs", again);
        tooEarly.assertRefused(422, "input-not-allowed");
        assertEquals(
                "comesBackFrom",
                tooEarly.body().get("findings").get(0).get("field").asString());
        flow.releaseConditionally();
        JsonNode back = api.post("/api/jobs", again).body();
        assertEquals(now().get("id").asString(), back.get("comesBackFrom").asString());
        assertEquals("comeback", now().get("stage").asString());
        assertEquals(back.get("id").asString(), repair(now()).get("cameBackAs").asString());
        assertEquals(
                back.get("sequence").asInt(),
                api.post("/api/jobs", again).body().get("sequence").asInt(),
                "sent twice it is the same");
        Map<String, Object> another = ApiClient.intake("Tarn SK 71", "sinks", "primary-piston-cup");
        another.put("comesBackFrom", now().get("id").asString());
        api.post("/api/jobs", another).assertRefused(422, "input-not-allowed");
    }

    @Test
    void aPartIsOrderedOnceUnlessASecondOneIsMeantAndTheJobWaitsForIt() {
        String id = api.openJob("Parts", "sinks", "primary-piston-cup");
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id).accept();
        Map<String, Object> master = Map.of("part", "Master, 23.81 mm", "state", "ordered", "note", "Quay Supplies");
        JsonNode ordered = flow.post("parts", master).body();
        assertEquals("waiting", ordered.get("stage").asString());
        assertEquals("ordered", ordered.get("parts").get(0).get("state").asString());
        Answer second = flow.post("parts", master);
        assertEquals(422, second.status());
        assertEquals("again", second.body().get("findings").get(0).get("field").asString());
        assertEquals(
                422,
                flow.post("parts", Map.of("part", "Master, 23.81 mm", "state", "wanted"))
                        .status(),
                "nor is it asked for again by the way");
        Map<String, Object> meant = new HashMap<>(master);
        meant.put("again", true);
        assertEquals(200, flow.post("parts", meant).status());
        JsonNode arrived = flow.post("parts", Map.of("part", "Master, 23.81 mm", "state", "arrived"))
                .body();
        assertEquals("accepted", arrived.get("stage").asString(), "nothing is waited for any more");
        assertEquals(1, arrived.get("parts").size());
        assertEquals(
                422, flow.post("parts", Map.of("part", "Hose", "state", "lost")).status());
    }

    @Test
    void bleedingFollowsTheMakersOrderOnceItIsEnteredAndTheWorkshopsOtherwise() {
        JsonNode sheet = repair(now()).get("sheet");
        assertEquals("two-people", sheet.get("method").asString());
        List<String> usual = ids(sheet.get("ends"), "id");
        List<String> makers = new ArrayList<>(usual);
        Collections.reverse(makers);
        post("bleeding", Map.of("makersOrder", makers)).assertRefused(422, "input-not-allowed");
        post("bleeding", Map.of("makersOrder", makers.subList(1, 3), "source", "book, page 4"))
                .assertRefused(422, "input-not-allowed");
        post("bleeding", Map.of("bleedMethod", "by-magic")).assertRefused(422, "input-not-allowed");
        JsonNode now = repair(post(
                                "bleeding",
                                Map.of("bleedMethod", "reverse", "makersOrder", makers, "source", "book, page 4"))
                        .body())
                .get("sheet");
        assertEquals(makers, ids(now.get("ends"), "id"));
        assertEquals("book, page 4", now.get("orderSource").asString());
        assertTrue(now.get("fills").asBoolean());
        JsonNode back = repair(post("bleeding", Map.of()).body()).get("sheet");
        assertEquals(usual, ids(back.get("ends"), "id"));
    }

    @Test
    void aPartOfAnotherSizeChangesTheCircuitFromThenOnAndRulersShowBothBands() {
        flow.tickUpTo("compare-bore@master");
        Map<String, Object> bore = Map.of("id", "new-bore", "text", "22.2", "unit", "mm");
        Map<String, Object> old = Map.of("id", "old-bore", "text", "23.8", "unit", "mm");
        Map<String, Object> huge = Map.of("id", "new-bore", "text", "60", "unit", "mm");
        post("work-steps", Map.of("key", "compare-bore@master", "figures", List.of(old, huge), "why", "it was there"))
                .assertRefused(422, "input-not-allowed");
        JsonNode stopped = post("work-steps", Map.of("key", "compare-bore@master", "figures", List.of(old, bore)))
                .body();
        assertTrue(
                ids(repair(stopped).get("steps"), "mismatched").contains("true"), "a size that differs stops the plan");
        double strokeBefore = repair(stopped).get("sheet").get("strokeMl").asDouble();
        post(
                "work-steps",
                Map.of("key", "compare-bore@master", "figures", List.of(old, bore), "why", "the maker says so"));
        flow.tickAll();
        JsonNode after = now();
        double stroke = repair(after).get("sheet").get("strokeMl").asDouble();
        assertEquals(
                Math.pow(22.2 / 23.8, 2), stroke / strokeBefore, 0.01, "less fluid a stroke from the smaller bore");
        JsonNode figure =
                api.get(job + "/tests/travel-at-forces").body().get("figures").get(3);
        JsonNode sound = figure.get("bands").get(0);
        JsonNode before = figure.get("soundBefore");
        assertEquals("nothing-wrong", sound.get("suspectId").asString());
        assertTrue(
                sound.get("low").asDouble() > before.get("low").asDouble(),
                "the smaller bore takes more travel to the same pressure");
    }

    @Test
    void ofAStepThatIsTickedAgainTheLastFigureCounts() {
        flow.tickUpTo("compare-bore@master");
        Map<String, Object> old = Map.of("id", "old-bore", "text", "23.8", "unit", "mm");
        Map<String, Object> smaller = Map.of("id", "new-bore", "text", "22.2", "unit", "mm");
        Map<String, Object> listed = Map.of("id", "new-bore", "text", "23.8", "unit", "mm");
        double before = repair(now()).get("sheet").get("strokeMl").asDouble();
        post(
                "work-steps",
                Map.of("key", "compare-bore@master", "figures", List.of(old, smaller), "why", "it was there"));
        post("work-steps", Map.of("key", "compare-bore@master", "figures", List.of(old, listed)));
        flow.tickAll();
        assertEquals(before, repair(now()).get("sheet").get("strokeMl").asDouble(), 1e-9);
    }
}
