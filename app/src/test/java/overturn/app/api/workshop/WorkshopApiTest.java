package overturn.app.api.workshop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import tools.jackson.databind.JsonNode;

/** What the workshop tells of itself, over HTTP against the real database, and what the plan makes of it. */
@ExtendWith(OverturnServer.class)
class WorkshopApiTest {

    private ApiClient api;

    @BeforeEach
    void begin(OverturnServer.Running server) {
        api = new ApiClient(server.address());
    }

    /** Other tests drive a well-equipped workshop. */
    @AfterEach
    void everythingBack() {
        tell(Map.of());
    }

    private int version() {
        return api.get("/api/workshop").body().get("version").asInt();
    }

    private Answer tell(Map<String, Object> changed) {
        Map<String, Object> body = new HashMap<>(Map.of(
                "version",
                version(),
                "personId",
                "ines-quill",
                "lacks",
                List.of(),
                "helper",
                true,
                "lift",
                true,
                "prices",
                List.of()));
        body.putAll(changed);
        return api.put("/api/workshop", body);
    }

    private static List<String> proposed(JsonNode job) {
        JsonNode assessment = job.get("assessment");
        return java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(assessment.get("next")),
                        StreamSupport.stream(assessment.get("others").spliterator(), false))
                .map(p -> p.get("procedureId").asString())
                .toList();
    }

    @Test
    void whatIsLackingIsNoLongerProposedAndComesBack() {
        String job = "/api/jobs/" + api.openJob("Tarn SK 71", "sinks", "primary-piston-cup");
        assertTrue(proposed(api.get(job).body()).containsAll(List.of("hoses-clamped", "port-plugs")));
        JsonNode told =
                tell(Map.of("lacks", List.of("clamps"), "helper", false)).body();
        assertFalse(told.get("helper").asBoolean());
        List<String> without = proposed(api.get(job).body());
        assertFalse(without.contains("hoses-clamped"));
        assertFalse(without.contains("port-plugs"), "a helper cracks the plug");
        tell(Map.of());
        assertTrue(proposed(api.get(job).body()).contains("hoses-clamped"));
    }

    @Test
    void withARateTheDecisionIsToldInMoneyToo() {
        String job = "/api/jobs/" + api.openJob("Tarn SK 72", "sinks", "primary-piston-cup");
        assertFalse(api.get(job).body().get("assessment").has("money"));
        tell(Map.of("ratePerHour", 90, "currency", "crowns"));
        JsonNode assessment = api.get(job).body().get("assessment");
        JsonNode money = assessment.get("money");
        assertEquals("crowns", money.get("currency").asString());
        assertEquals(
                1.5 * assessment.get("verdict").get("wrongPartMinutes").asDouble(),
                money.get("actNow").asDouble(),
                1e-9);
        assertEquals(
                1.5 * assessment.get("next").get("minutes").asDouble(),
                money.get("nextTest").asDouble(),
                1e-9);
    }

    @Test
    void dearerPartsMakeActingNowDearer() {
        String job = "/api/jobs/" + api.openJob("Tarn SK 73", "sinks", "primary-piston-cup");
        double plain = api.get(job)
                .body()
                .get("assessment")
                .get("verdict")
                .get("wrongPartMinutes")
                .asDouble();
        tell(Map.of("prices", List.of(Map.of("remedyId", "renew-master", "labourMinutes", 110, "partsMinutes", 2000))));
        double dear = api.get(job)
                .body()
                .get("assessment")
                .get("verdict")
                .get("wrongPartMinutes")
                .asDouble();
        assertTrue(dear > plain + 100, dear + " and " + plain);
    }

    @Test
    void theSameAgainChangesNothingAndAnOldVersionIsRefused() {
        int before = version();
        int after = tell(Map.of("lift", false)).body().get("version").asInt();
        assertEquals(before + 1, after);
        assertEquals(
                after,
                tell(Map.of("version", before, "lift", false))
                        .body()
                        .get("version")
                        .asInt(),
                "told already");
        Answer stale = tell(Map.of("version", before, "helper", false));
        assertEquals(409, stale.status());
        assertEquals("version", stale.body().get("findings").get(0).get("field").asString());
        assertEquals(after, version());
    }

    @Test
    void everyFieldThatIsWrongIsNamedAndNothingIsKept() {
        int before = version();
        Answer refused = tell(Map.of(
                "lacks",
                List.of("eye"),
                "ratePerHour",
                -3,
                "currency",
                "",
                "prices",
                List.of(
                        Map.of("remedyId", "hope", "labourMinutes", 1, "partsMinutes", 1),
                        Map.of("remedyId", "set-rod", "labourMinutes", -1, "partsMinutes", 1))));
        assertEquals(422, refused.status());
        assertEquals(
                List.of("lacks", "ratePerHour", "currency", "prices.remedyId", "prices.set-rod.labourMinutes"),
                StreamSupport.stream(refused.body().get("findings").spliterator(), false)
                        .map(f -> f.get("field").asString())
                        .toList());
        assertEquals(before, version());
    }

    @Test
    void howTheWorkshopBleedsIsWhatANewPlanBleedsBy() {
        tell(Map.of("bleedMethod", "one-way-valve", "bleedOrder", "nearest-first"));
        String job = "/api/jobs/" + api.openJob("Tarn SK 72", "sinks", "primary-piston-cup");
        RepairFlow flow = new RepairFlow(api, job).accept();
        JsonNode sheet = RepairFlow.repair(flow.now()).get("sheet");
        assertEquals("one-way-valve", sheet.get("method").asString());
        assertTrue(sheet.get("ends").get(0).get("id").asString().startsWith("front"));
        tell(Map.of());
        assertEquals(
                "one-way-valve",
                RepairFlow.repair(flow.now()).get("sheet").get("method").asString(),
                "a plan goes on as it was begun");
        Answer wrong = tell(Map.of("bleedOrder", "by-colour"));
        wrong.assertRefused(422, "input-not-allowed");
    }

    @Test
    void howTheWorkshopWorksIsHowANewPlanIsDone() {
        tell(Map.of("schools", Map.of("rework", "reseal")));
        String job = "/api/jobs/" + api.openJob("Tarn SK 73", "sinks", "primary-piston-cup");
        RepairFlow flow = new RepairFlow(api, job).accept();
        assertTrue(
                RepairFlow.ids(RepairFlow.repair(flow.now()).get("steps"), "id").contains("lips"));
        tell(Map.of());
        assertTrue(
                RepairFlow.ids(RepairFlow.repair(flow.now()).get("steps"), "id").contains("lips"),
                "a plan goes on as it was begun");
        tell(Map.of("schools", Map.of("rework", "painted"))).assertRefused(422, "input-not-allowed");
        tell(Map.of("schools", Map.of("taste", "sweet"))).assertRefused(422, "input-not-allowed");
    }

    /** One remedy became three: a table of before prices all of them. */
    @Test
    void thePriceOfARemedyThatWasDividedIsThatOfItsParts() {
        JsonNode told = tell(Map.of(
                        "prices", List.of(Map.of("remedyId", "set-rod", "labourMinutes", 31, "partsMinutes", 2))))
                .body();
        for (String id : List.of("shorten-rod", "lengthen-rod", "set-stop")) {
            JsonNode price = told.get("prices")
                    .valueStream()
                    .filter(p -> p.get("remedyId").asString().equals(id))
                    .findFirst()
                    .orElseThrow();
            assertEquals(31, price.get("labourMinutes").asDouble(), id);
        }
        tell(Map.of());
    }

    @Test
    void thePriceTableGoesOutAndComesInAsATable() {
        String table = api.get("/api/workshop/prices.csv").raw().body();
        assertTrue(table.startsWith("remedy_id,remedy,labour_minutes,parts_minutes\r\n"), table);
        String changed = table.replaceFirst("(renew-master,\"?[^\\r]*?\"?),[0-9.]+,[0-9.]+\r", "$1,95,\"240,5\"\r");
        Answer taken = api.putTable("/api/workshop/prices.csv?version=" + version() + "", changed);
        assertEquals(200, taken.status(), () -> taken.raw().body());
        JsonNode master = taken.body()
                .get("prices")
                .valueStream()
                .filter(p -> p.get("remedyId").asString().equals("renew-master"))
                .findFirst()
                .orElseThrow();
        assertEquals(95, master.get("labourMinutes").asDouble());
        assertEquals(240.5, master.get("partsMinutes").asDouble());
        String address = "/api/workshop/prices.csv?version=" + version() + "";
        Answer wrong = api.putTable(
                address, changed.replace("\r\nrenew-master", "\r\nrenew-moon").replace(",95,", ",soon,"));
        wrong.assertRefused(422, "input-not-allowed");
        assertTrue(wrong.raw().body().contains("row "), wrong.raw().body());
        api.putTable(address, "remedy;price\r\n").assertRefused(422, "input-not-allowed");
        api.putTable(address, table.replaceFirst("\r\n", "\r\n=cmd,x\r\n")).assertRefused(422, "input-not-allowed");
        api.putTable("/api/workshop/prices.csv?version=0", table).assertRefused(409, "log-has-grown");
    }

    @Test
    void readingsGoOutAsATableAsTheyWereTyped() {
        String job = "/api/jobs/" + api.openJob("Tarn SK 73", "sinks", "primary-piston-cup");
        api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4,5", "mm")));
        List<String> rows = api.get(job + "/readings.csv").raw().body().lines().toList();
        assertEquals(3, rows.size(), rows.toString());
        assertTrue(rows.get(0).startsWith("entry,taken_at,person,test,"));
        assertTrue(rows.get(1).contains(",characterise,,sinks,"), rows.get(1));
        assertTrue(rows.get(2).contains(",play,,\"4,5\",mm,4.5,mm,"), rows.get(2));
    }
}
