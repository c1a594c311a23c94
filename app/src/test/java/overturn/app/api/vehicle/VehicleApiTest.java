package overturn.app.api.vehicle;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.dialect.Dialects;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import overturn.app.vehicle.Vehicle;
import tools.jackson.databind.JsonNode;

/** A vehicle is a record that jobs hang on. */
@ExtendWith(OverturnServer.class)
class VehicleApiTest {

    private ApiClient api;
    private JdbcClient jdbc;

    @BeforeEach
    void connect(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        jdbc = server.context().getBean(JdbcClient.class);
    }

    private static Map<String, Object> fact(String kind, String text, String unit) {
        Map<String, Object> body = new HashMap<>();
        body.put("entryId", UUID.randomUUID().toString());
        body.put("personId", "juno-vale");
        body.put("kind", kind);
        body.put("text", text);
        body.put("unit", unit);
        return body;
    }

    private static String nameOfItsOwn() {
        return "Fell " + UUID.randomUUID().toString().substring(0, 8);
    }

    private String vehicleOf(String jobId) {
        return "/api/vehicles/"
                + api.get("/api/jobs/" + jobId).body().get("vehicleId").asString();
    }

    @Test
    void jobsOfOneNameHangOnOneVehicleAndAnotherOfThatNameCanBeMeant() {
        String name = nameOfItsOwn();
        String first = api.openJob(name, "sinks", "primary-piston-cup");
        String again = api.openJob("  " + name.toUpperCase(), "hard", "low-assist-supply");
        JsonNode vehicle = api.get(vehicleOf(first)).body();
        assertEquals(
                List.of(again, first),
                vehicle.get("jobs")
                        .valueStream()
                        .map(j -> j.get("id").asString())
                        .sorted(java.util.Comparator.comparing(again::equals).reversed())
                        .toList());
        assertEquals(name, vehicle.get("name").asString());
        Map<String, Object> other = ApiClient.intake(name, "sinks", "primary-piston-cup");
        other.put("vehicleId", UUID.randomUUID().toString());
        assertEquals(201, api.post("/api/jobs", other).status());
        JsonNode found = api.get("/api/vehicles?search=" + name.substring(5)).body();
        assertEquals(2, found.size());
    }

    @Test
    void whatIsKnownOfAVehicleIsKeptAsTyped() {
        String vehicle = vehicleOf(api.openJob(nameOfItsOwn(), "sinks", "primary-piston-cup"));
        api.post(vehicle + "/facts", fact("distance", "80 00 mi", "km"));
        api.post(vehicle + "/facts", fact("distance", "128740", "km"));
        Map<String, Object> ratio = fact("figure", "4.1", "×");
        ratio.put("what", "pedal ratio");
        api.post(vehicle + "/facts", ratio);
        Answer all = api.post(vehicle + "/facts", fact("remark", "tow bar in the way of the rear line", null));
        assertEquals(128_740, all.body().get("distanceKm").asDouble(), 1e-9);
        assertEquals(
                List.of("distance 128740", "figure 4.1", "remark tow bar in the way of the rear line"),
                all.body()
                        .get("facts")
                        .valueStream()
                        .map(f -> f.get("kind").asString() + " " + f.get("text").asString())
                        .toList(),
                "a number with a gap in it is refused");
        Answer miles = api.post(vehicle + "/facts", fact("distance", "81000 mi", "km"));
        assertEquals(81_000 * 1.609344, miles.body().get("distanceKm").asDouble(), 1e-6);
    }

    @Test
    void badFactsAreRefusedByFieldAndTheSameOneSentTwiceStandsOnce() {
        String vehicle = vehicleOf(api.openJob(nameOfItsOwn(), "sinks", "primary-piston-cup"));
        for (Map<String, Object> bad : List.of(
                fact("distance", "-3", "km"),
                fact("distance", "9999999", "km"),
                fact("distance", "far", "km"),
                fact("figure", "3", "mm"),
                fact("figure", "3", "parsec"),
                fact("remark", " ", null),
                fact("rumour", "x", null))) {
            api.post(vehicle + "/facts", bad).assertRefused(422, "input-not-allowed");
        }
        Map<String, Object> once = fact("distance", "12", "km");
        api.post(vehicle + "/facts", once);
        assertEquals(1, api.post(vehicle + "/facts", once).body().get("facts").size());
        once.put("text", "13");
        assertEquals(409, api.post(vehicle + "/facts", once).status());
        api.get("/api/vehicles/" + UUID.randomUUID()).assertRefused(404, "not-found");
    }

    @Test
    void ofManyWhoAddAtOnceAllAreTakenOneBehindTheOther() {
        String vehicle = vehicleOf(api.openJob(nameOfItsOwn(), "sinks", "primary-piston-cup"));
        List<CompletableFuture<Answer>> writes = IntStream.range(0, 12)
                .mapToObj(i -> CompletableFuture.supplyAsync(
                        () -> api.post(vehicle + "/facts", fact("remark", "remark " + i, null))))
                .toList();
        writes.forEach(w -> assertEquals(200, w.join().status()));
        assertEquals(12, api.get(vehicle).body().get("facts").size());
    }

    @Test
    void aJobTravelsAsAFileThatItsSchemaDescribes() {
        String job = api.openJob(nameOfItsOwn(), "sinks", "primary-piston-cup");
        api.post("/api/jobs/" + job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4,5", "mm")));
        api.post(vehicleOf(job) + "/facts", fact("distance", "12", "km"));
        Answer file = api.get("/api/jobs/" + job + "/file");
        Schema schema = SchemaRegistry.withDefaultDialect(Dialects.getDraft202012())
                .getSchema(api.get("/api/job-file-schema").raw().body(), InputFormat.JSON);
        assertEquals(List.of(), schema.validate(file.raw().body(), InputFormat.JSON));
        assertEquals(3, file.body().get("entries").size());
        assertTrue(file.body().get("entries").get(2).get("body").toString().contains("4,5"), "as typed");
        assertEquals(
                List.of("juno-vale", "marit-osei", "tobias-renn"),
                file.body()
                        .get("people")
                        .valueStream()
                        .map(p -> p.get("id").asString())
                        .sorted()
                        .toList());
        assertEquals("tarn-box-van", file.body().get("layout").get("id").asString());
    }

    /** What the migration makes of the names of old jobs is what the program makes of them. */
    @Test
    void theDatabaseAndTheProgramDeriveTheSameIdFromAName() {
        for (String name : List.of("Tarn SK 14", "  tarn sk 14 ", "Bärn Ö 7", "x")) {
            UUID there = jdbc.sql("select vehicle_id_of(:name)")
                    .param("name", name)
                    .query(UUID.class)
                    .single();
            assertEquals(Vehicle.idOf(name), there);
        }
        assertTrue(!Vehicle.idOf("a").equals(Vehicle.idOf("b")));
    }

    @Test
    void theMakersFiguresAreKeptWithTheirSourceAndOfferedToSisters() {
        String own = vehicleOf(api.openJob(nameOfItsOwn(), "sinks", "primary-piston-cup"));
        String sister = vehicleOf(api.openJob(nameOfItsOwn(), "sinks", "primary-piston-cup"));
        Map<String, Object> figure = fact("sheet", "23 Nm", null);
        figure.put("what", "nut-torque");
        Answer refused = api.post(own + "/facts", figure);
        assertEquals(422, refused.status(), "a figure without its source is a guess");
        assertEquals(
                "source", refused.body().get("findings").get(0).get("field").asString());
        figure.put("source", "workshop manual, page 31");
        figure.put("what", "torque-of-something");
        assertEquals(422, api.post(own + "/facts", figure).status());
        figure.put("what", "nut-torque");
        JsonNode known = api.post(own + "/facts", figure).body();
        assertEquals("23 Nm", known.get("sheet").get(0).get("text").asString());
        JsonNode offered = api.get(sister)
                .body()
                .get("offered")
                .valueStream()
                .filter(f -> f.get("what").asString().equals("nut-torque"))
                .findFirst()
                .orElseThrow();
        assertEquals("workshop manual, page 31", offered.get("source").asString());
        assertEquals(0, api.get(sister).body().get("sheet").size(), "offered, not taken over by itself");
        Map<String, Object> later = fact("sheet", "25 Nm", null);
        later.putAll(Map.of("what", "nut-torque", "source", "bulletin 4"));
        assertEquals(
                "25 Nm",
                api.post(own + "/facts", later)
                        .body()
                        .get("sheet")
                        .get(0)
                        .get("text")
                        .asString());
    }
}
