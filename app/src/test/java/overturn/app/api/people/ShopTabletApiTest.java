package overturn.app.api.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.Device;
import overturn.app.support.OverturnServer;
import overturn.app.support.People;
import tools.jackson.databind.JsonNode;

/** A tablet that people share. */
@ExtendWith(OverturnServer.class)
class ShopTabletApiTest {

    private String address;
    private JdbcClient jdbc;
    private Device tablet;
    private String name;

    @BeforeEach
    void aTabletOfTheWorkshop(OverturnServer.Running server) {
        address = server.address();
        jdbc = server.context().getBean(JdbcClient.class);
        tablet = new Device(address);
        name = "Bay " + UUID.randomUUID();
        tablet.signIn("Ines Quill");
        assertEquals(
                204,
                tablet.post("/api/tablets", Map.of("name", name, "password", ApiClient.PASSWORD))
                        .status());
        tablet.delete("/api/session");
    }

    private Answer handedOver(Device device, String personId, String pin) {
        return device.post("/api/session/hand-over", Map.of("personId", personId, "pin", pin));
    }

    private static String noted(Device device, String job, int sequence) {
        Map<String, Object> note = ApiClient.stamped(sequence, Map.of("text", "who wrote this"));
        note.remove("personId");
        JsonNode entries = device.post(job + "/notes", note).body().get("entries");
        return entries.get(entries.size() - 1).get("personId").asString();
    }

    @Test
    void twoPeopleTakeItOverByPinAndEachSignsTheirOwn() {
        String job = "/api/jobs/" + new ApiClient(address).openJob("Handed van", "sinks", "primary-piston-cup");
        assertEquals(200, handedOver(tablet, "juno-vale", ApiClient.PIN).status());
        assertEquals("juno-vale", noted(tablet, job, 2));
        String before = tablet.cookies().get("overturn-session");
        assertEquals(200, handedOver(tablet, "marit-osei", ApiClient.PIN).status());
        assertFalse(before.equals(tablet.cookies().get("overturn-session")));
        assertEquals("marit-osei", noted(tablet, job, 3));
        assertEquals(
                name,
                tablet.get("/api/session").body().get("tablet").get("name").asString());
    }

    @Test
    void fiveWrongPinsLockTheNameThereUntilThePasswordIsGivenThere() {
        for (int i = 0; i < 5; i++) {
            handedOver(tablet, "tobias-renn", "0000").assertRefused(401, "sign-in-pin");
        }
        handedOver(tablet, "tobias-renn", ApiClient.PIN).assertRefused(403, "sign-in-pin-locked");
        assertTrue(tablet.get("/api/session")
                .body()
                .get("tablet")
                .get("people")
                .valueStream()
                .anyMatch(p -> p.get("id").asString().equals("tobias-renn")
                        && p.get("locked").asBoolean()));
        assertEquals(200, handedOver(tablet, "marit-osei", ApiClient.PIN).status(), "another name is not locked");
        tablet.signIn("Tobias Renn");
        assertEquals(200, handedOver(tablet, "tobias-renn", ApiClient.PIN).status());
    }

    @Test
    void aPinIsWorthNothingElsewhereNorOnATabletThatWasWithdrawn() {
        handedOver(new Device(address), "juno-vale", ApiClient.PIN).assertRefused(403, "sign-in-no-tablet");
        Device lead = new Device(address);
        lead.signIn("Ines Quill");
        String id = lead.get("/api/tablets")
                .body()
                .valueStream()
                .filter(t -> t.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        assertEquals(204, lead.delete("/api/tablets/" + id).status());
        handedOver(tablet, "juno-vale", ApiClient.PIN).assertRefused(403, "sign-in-no-tablet");
    }

    @Test
    void enrollingAsksForThePasswordOnceMore() {
        Device lead = new Device(address);
        lead.signIn("Ines Quill");
        lead.post("/api/tablets", Map.of("name", "Bay", "password", "a guess"))
                .assertRefused(401, "sign-in-name-or-password");
        jdbc.sql("delete from failed_sign_in").update();
    }

    @Test
    void whoeverLosesThePinIsUnlockedByTheOwnerAndSetsAnother() {
        Device owner = People.owner(address, jdbc);
        String person = "Pin " + UUID.randomUUID();
        Device own = People.added(owner, address, person, "apprentice");
        own.post("/api/session/secrets", Map.of("password", People.PASSWORD, "newPin", "8264"));
        assertEquals(200, handedOver(tablet, People.idOf(owner, person), "8264").status());
        assertEquals(
                204,
                owner.delete("/api/people/" + People.idOf(owner, person) + "/pin")
                        .status());
        handedOver(tablet, People.idOf(owner, person), "8264").assertRefused(401, "sign-in-pin");
    }
}
