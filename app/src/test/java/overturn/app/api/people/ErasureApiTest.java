package overturn.app.api.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.Device;
import overturn.app.support.OverturnServer;
import overturn.app.support.People;
import tools.jackson.databind.JsonNode;

/** What may be erased goes without a trace, and the chain of its log holds. */
@ExtendWith(OverturnServer.class)
class ErasureApiTest {

    private static final String PIXEL =
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";

    private String address;
    private JdbcClient jdbc;
    private ApiClient api;
    private Device owner;

    @BeforeEach
    void anOwner(OverturnServer.Running server) {
        address = server.address();
        jdbc = server.context().getBean(JdbcClient.class);
        api = new ApiClient(address);
        owner = People.owner(address, jdbc);
    }

    private List<String> found() throws Exception {
        return jdbc.sql(
                        "with heads as (select null::uuid as job_id, 0 as sequence, '' as hash where false) select * from ("
                                + Files.readString(Path.of("../scripts/verify.sql"))
                                        .replaceAll("(?m)^--.*$", "")
                                        .replace(";", "")
                                + ") found")
                .query(String.class)
                .list();
    }

    @Test
    void whichVehicleWhoseAndItsPicturesAreGoneAndTheLogSaysWhoErasedThem() throws Exception {
        String plate = "Plate " + UUID.randomUUID();
        Map<String, Object> intake = ApiClient.intake(plate, "sinks", "primary-piston-cup");
        intake.put("about", Map.of("customer", "Mrs. Halvard"));
        String job = "/api/jobs/" + intake.get("jobId");
        JsonNode opened = api.post("/api/jobs", intake).body();
        JsonNode pictured = api.post(job + "/photos", ApiClient.stamped(2, Map.of("image", PIXEL)))
                .body();
        String picture =
                pictured.get("entries").get(2).get("told").get("sha256").asString();
        assertEquals(200, api.get("/api/photos/" + picture).raw().statusCode());
        String erasure = "/api/vehicles/" + opened.get("vehicleId").asString() + "/erasure";
        owner.post(erasure, Map.of("why", " ")).assertRefused(422, "input-not-allowed");
        assertEquals(
                200, owner.post(erasure, Map.of("why", "asked for by letter")).status());

        JsonNode after = api.get(job).body();
        assertEquals("(erased)", after.get("vehicle").asString());
        assertFalse(after.toString().contains("Halvard") || after.toString().contains(plate), after.toString());
        assertEquals(opened.get("complaint"), after.get("complaint"), "what was complained of stays");
        JsonNode last = after.get("entries").get(after.get("entries").size() - 1);
        assertEquals("data-erased", last.get("kind").asString());
        assertEquals(People.idOf(owner, "Edda Strand"), last.get("personId").asString());
        assertEquals(404, api.get("/api/photos/" + picture).status());
        assertEquals(
                0,
                api.get("/api/jobs?search=" + plate.substring(6))
                        .body()
                        .get("found")
                        .asInt());
        assertEquals(
                0, api.get("/api/vehicles?search=" + plate.substring(6)).body().size());
        assertEquals(
                0,
                jdbc.sql("select count(*) from log_entry where body::text like :plate")
                        .param("plate", "%" + plate + "%")
                        .query(Integer.class)
                        .single());
        assertTrue(found().stream().noneMatch(line -> line.contains((String) intake.get("jobId"))), "the chain holds");
        assertEquals(
                200,
                api.post(job + "/notes", ApiClient.stamped(4, Map.of("text", "goes on")))
                        .status());
        Map<String, Object> again = ApiClient.intake(plate, "sinks", "primary-piston-cup");
        assertEquals(201, api.post("/api/jobs", again).status());
        JsonNode known = api.get("/api/vehicles?search=" + plate.substring(6)).body();
        assertEquals(plate, known.get(0).get("name").asString(), "known by its name again once it comes back");
    }

    @Test
    void theNameOfSomebodyWhoWorksHereNoMoreIsErasedAndEntriesKeepTheId() {
        String name = "Gone " + UUID.randomUUID();
        People.added(owner, address, name, "technician");
        String id = People.idOf(owner, name);
        assertFalse(id.contains("gone"), "an id says nothing of the name");
        assertEquals(422, owner.delete("/api/people/" + id + "/name").status(), "first set aside");
        owner.put("/api/people/" + id, Map.of("role", "technician", "qualified", false, "active", false));
        assertEquals(
                "(erased)",
                owner.delete("/api/people/" + id + "/name").body().get("name").asString());
        assertFalse(owner.get("/api/people").raw().body().contains(name));
    }
}
