package overturn.app.support;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient.Answer;

/** People beyond those of the demo, made as an owner makes them. */
public final class People {

    public static final String PASSWORD = "north pier at low tide";
    private static final String OWNER = "Edda Strand";

    private People() {}

    /** A device on which the owner is signed in; the first time by the link that the start prints. */
    public static synchronized Device owner(String address, JdbcClient jdbc) {
        Device device = new Device(address);
        boolean there = jdbc.sql(
                        "select exists (select 1 from account where role = 'owner' and password_hash is not null)")
                .query(Boolean.class)
                .single();
        Answer answer = there
                ? device.post("/api/session", Map.of("name", OWNER, "password", PASSWORD))
                : device.post(
                        "/api/session/password",
                        Map.of("token", ownerToken(address), "name", OWNER, "password", PASSWORD));
        assertEquals(200, answer.status(), answer.raw().body());
        return device;
    }

    public static String ownerToken(String address) {
        Answer link = new ApiClient(address).asOperator("POST", "/api/owner-link");
        return token(link.body().get("path").asString());
    }

    public static String token(String path) {
        return path.substring(path.indexOf('#') + 1);
    }

    /** A device on which somebody new is signed in, who set a password by the link. */
    public static Device added(Device owner, String address, String name, String role) {
        Answer added = owner.post("/api/people", Map.of("name", name, "role", role, "qualified", false));
        assertEquals(201, added.status(), added.raw().body());
        Device device = new Device(address);
        Answer set = device.post(
                "/api/session/password",
                Map.of("token", token(added.body().get("link").get("path").asString()), "password", PASSWORD));
        assertEquals(200, set.status(), set.raw().body());
        return device;
    }

    /** The id of the person of that name. */
    public static String idOf(Device owner, String name) {
        return owner.get("/api/people")
                .body()
                .get("people")
                .valueStream()
                .filter(person -> person.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }
}
