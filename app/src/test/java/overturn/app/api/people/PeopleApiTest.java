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

/** The owner looks after people, tablets and tokens. */
@ExtendWith(OverturnServer.class)
class PeopleApiTest {

    private String address;
    private JdbcClient jdbc;
    private Device owner;
    private String name;

    @BeforeEach
    void anOwner(OverturnServer.Running server) {
        address = server.address();
        jdbc = server.context().getBean(JdbcClient.class);
        owner = People.owner(address, jdbc);
        name = "Person " + UUID.randomUUID();
    }

    private Answer changed(String id, String role, boolean active) {
        return owner.put("/api/people/" + id, Map.of("role", role, "qualified", false, "active", active));
    }

    @Test
    void theLinkOfTheFirstOwnerIsNotMadeOnceThereIsOne() {
        assertFalse(new ApiClient(address)
                .asOperator("POST", "/api/owner-link")
                .body()
                .has("path"));
        owner.post("/api/owner-link", Map.of()).assertRefused(403, "not-from-here");
        assertFalse(owner.get("/api/session").body().get("ownerMissing").asBoolean());
    }

    @Test
    void aCommandOfTheMachineLetsInOneMoreOwner() {
        String token = People.token(new ApiClient(address)
                .asOperator("POST", "/api/owner-link?another=true")
                .body()
                .get("path")
                .asString());
        assertEquals(
                "owner",
                new Device(address)
                        .post(
                                "/api/session/password",
                                Map.of("token", token, "name", name, "password", People.PASSWORD))
                        .body()
                        .get("person")
                        .get("role")
                        .asString());
        owner.post("/api/owner-link?another=true", Map.of()).assertRefused(403, "not-from-here");
    }

    @Test
    void aLinkSetsAPasswordOnceAndANewOneEndsTheOneBefore() {
        Answer added = owner.post("/api/people", Map.of("name", name, "role", "technician", "qualified", true));
        String first = People.token(added.body().get("link").get("path").asString());
        String id = added.body().get("person").get("id").asString();
        String second = People.token(owner.post("/api/people/" + id + "/link", Map.of())
                .body()
                .get("path")
                .asString());
        Device device = new Device(address);
        device.post("/api/session/welcome", Map.of("token", first)).assertRefused(401, "sign-in-link");
        assertEquals(
                name,
                device.post("/api/session/welcome", Map.of("token", second))
                        .body()
                        .get("name")
                        .asString());
        Map<String, String> set = Map.of("token", second, "password", People.PASSWORD);
        assertTrue(device.post("/api/session/password", set)
                .body()
                .get("person")
                .get("qualified")
                .asBoolean());
        new Device(address).post("/api/session/password", set).assertRefused(401, "sign-in-link");
    }

    @Test
    void whoeverWorksHereNoMoreIsOutAtOnceAndStaysInTheLogs() {
        Device device = People.added(owner, address, name, "technician");
        assertEquals(200, device.get("/api/jobs").status());
        assertEquals(200, changed(People.idOf(owner, name), "technician", false).status());
        device.get("/api/jobs").assertRefused(401, "not-signed-in");
        new Device(address)
                .post("/api/session", Map.of("name", name, "password", People.PASSWORD))
                .assertRefused(401, "sign-in-name-or-password");
        assertTrue(new ApiClient(address)
                .get("/api/catalogue")
                .body()
                .get("staff")
                .valueStream()
                .anyMatch(p -> p.get("name").asString().equals(name)
                        && p.get("role").asString().equals("left")));
        jdbc.sql("delete from failed_sign_in").update();
    }

    @Test
    void aRoleThatChangesCountsFromTheNextRequestOn() {
        Device device = People.added(owner, address, name, "apprentice");
        device.get("/api/people").assertRefused(403, "not-allowed");
        assertEquals(200, changed(People.idOf(owner, name), "lead", true).status());
        assertEquals(200, device.get("/api/people").status());
    }

    @Test
    void anOwnerWhoCanSignInIsAlwaysLeft() {
        owner.get("/api/people")
                .body()
                .get("people")
                .valueStream()
                .filter(p -> p.get("role").asString().equals("owner"))
                .filter(p -> !p.get("name").asString().equals("Edda Strand"))
                .forEach(p -> assertEquals(
                        200, changed(p.get("id").asString(), "owner", false).status()));
        Answer refused = changed(People.idOf(owner, "Edda Strand"), "lead", true);
        refused.assertRefused(422, "input-not-allowed");
        changed(People.idOf(owner, "Edda Strand"), "owner", false).assertRefused(422, "input-not-allowed");
    }

    @Test
    void whatWasChangedIsNotedWithWhoDidIt() {
        People.added(owner, address, name, "technician");
        changed(People.idOf(owner, name), "lead", true);
        assertTrue(owner.get("/api/people-log")
                .body()
                .valueStream()
                .anyMatch(n -> n.get("what").asString().equals("person-changed")
                        && n.get("about").asString().equals(People.idOf(owner, name) + ": lead")
                        && n.get("byId").asString().equals(People.idOf(owner, "Edda Strand"))));
    }

    @Test
    void aTokenOpensItsFeedAndNothingElseUntilItIsWithdrawn() {
        Answer made = owner.post("/api/tokens", Map.of("name", "calendar", "scopes", java.util.List.of("rechecks")));
        String text = made.body().get("text").asString();
        Device script = new Device(address);
        script.cookies().clear();
        String feed = "/api/feeds/rechecks.ics?token=" + text;
        assertTrue(script.get(feed).raw().body().contains("BEGIN:VCALENDAR"));
        script.get("/api/feeds/readings?token=" + text).assertRefused(403, "not-from-here");
        script.get("/api/jobs?token=" + text).assertRefused(401, "not-signed-in");
        assertFalse(owner.get("/api/tokens").raw().body().contains(text), "shown once");
        String id = made.body().get("token").get("id").asString();
        assertEquals(204, owner.delete("/api/tokens/" + id).status());
        script.get(feed).assertRefused(401, "token-not-known");
    }

    @Test
    void readingsComeAsTheyArriveByToken() {
        ApiClient api = new ApiClient(address);
        String job = "/api/jobs/" + api.openJob("Fed van", "sinks", "primary-piston-cup");
        api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("4,5", "mm")));
        String text = owner.post("/api/tokens", Map.of("name", "store", "scopes", java.util.List.of("readings")))
                .body()
                .get("text")
                .asString();
        String table = new Device(address)
                .get("/api/feeds/readings?token=" + text)
                .raw()
                .body();
        assertTrue(table.startsWith("job,arrived_at,entry,taken_at,person"), table.substring(0, 60));
        owner.get("/api/feeds/readings?after=yesterday").assertRefused(422, "input-not-allowed");
    }
}
