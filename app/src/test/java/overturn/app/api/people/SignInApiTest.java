package overturn.app.api.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
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

/** Who gets in, and what comes with it. */
@ExtendWith(OverturnServer.class)
class SignInApiTest {

    private String address;
    private JdbcClient jdbc;

    @BeforeEach
    void aServer(OverturnServer.Running server) {
        address = server.address();
        jdbc = server.context().getBean(JdbcClient.class);
    }

    private Answer tried(Device device, String name, String password) {
        return device.post("/api/session", Map.of("name", name, "password", password));
    }

    @Test
    void nothingIsReadOrWrittenBeforeSomebodySignsIn() {
        Device stranger = new Device(address);
        for (String path : List.of("/api/jobs", "/api/words", "/api/catalogue", "/api/people", "/api/openapi")) {
            stranger.get(path).assertRefused(401, "not-signed-in");
        }
        stranger.post("/api/jobs", Map.of()).assertRefused(401, "not-signed-in");
        assertEquals(200, stranger.get("/api/health").status());
        assertEquals(0, stranger.get("/api/health").body().get("checks").size(), "details are not for strangers");
        assertEquals(
                3,
                new ApiClient(address)
                        .asOperator("GET", "/api/health")
                        .body()
                        .get("checks")
                        .size(),
                "but for the commands of the machine");
        assertFalse(stranger.get("/api/session").body().has("person"));
    }

    @Test
    void aNameIsTakenAsItIsSpokenAndTheSessionGetsAnotherId() {
        Device device = new Device(address);
        String before = device.cookies().getOrDefault("overturn-session", "none");
        assertEquals(
                "marit-osei",
                device.signIn("  Marit OSEI ").get("person").get("id").asString());
        String inside = device.cookies().get("overturn-session");
        assertNotEquals(before, inside);
        device.signIn("Juno Vale");
        assertNotEquals(inside, device.cookies().get("overturn-session"), "no session id outlives a sign-in");
        assertEquals(204, device.delete("/api/session").status());
        device.get("/api/jobs").assertRefused(401, "not-signed-in");
    }

    @Test
    void theCookieOfASessionIsOutOfReachOfScriptsAndOtherSites() {
        Answer signedIn = tried(new Device(address), "juno-vale", ApiClient.PASSWORD);
        String cookie = signedIn.raw().headers().allValues("Set-Cookie").stream()
                .filter(c -> c.startsWith("overturn-session="))
                .findFirst()
                .orElseThrow();
        assertTrue(cookie.contains("HttpOnly") && cookie.contains("SameSite=Strict"), cookie);
        assertFalse(cookie.contains("Secure"), "over plain loopback it could not be sent");
    }

    @Test
    void whatChangesSomethingComesFromOwnPages() {
        Device device = new Device(address);
        device.signIn("ines-quill");
        String token = device.cookies().remove("XSRF-TOKEN");
        device.post("/api/tablets", Map.of("name", "x", "password", "y")).assertRefused(403, "not-from-here");
        device.cookies().put("XSRF-TOKEN", token);
        device.post("/api/tablets", Map.of("name", "x", "password", "y"), "X-XSRF-TOKEN", "guessed")
                .assertRefused(403, "not-from-here");
        device.post(
                        "/api/tablets",
                        Map.of("name", "x", "password", "y"),
                        "Origin",
                        address.replace("127.0.0.1", "127.0.0.2"))
                .assertRefused(403, "not-from-here");
    }

    @Test
    void everyAnswerCarriesWhatKeepsForeignScriptOut() {
        Answer page = new Device(address).get("/");
        for (String header : List.of(
                "Content-Security-Policy",
                "X-Content-Type-Options",
                "Referrer-Policy",
                "Cross-Origin-Opener-Policy",
                "Cross-Origin-Resource-Policy",
                "Permissions-Policy",
                "X-Frame-Options")) {
            assertTrue(page.raw().headers().firstValue(header).isPresent(), header);
        }
    }

    @Test
    void afterFiveWrongPasswordsANameWaitsThereHoweverRightTheSixth() {
        Device device = new Device(address);
        for (int i = 0; i < 5; i++) {
            tried(device, "Marit Osei", "wrong " + i).assertRefused(401, "sign-in-name-or-password");
        }
        Answer waits = tried(device, "Marit Osei", ApiClient.PASSWORD);
        waits.assertRefused(429, "sign-in-too-often");
        assertEquals("900", waits.raw().headers().firstValue("Retry-After").orElse(""));
        device.signIn("Juno Vale");
        jdbc.sql("delete from failed_sign_in").update();
        device.signIn("Marit Osei");
    }

    @Test
    void somebodyUnknownIsRefusedAsOneWhosePasswordIsWrong() {
        Answer unknown = tried(new Device(address), "Nobody Here", "a password of nobody");
        unknown.assertRefused(401, "sign-in-name-or-password");
        jdbc.sql("delete from failed_sign_in").update();
    }

    @Test
    void oneSetsAnotherPasswordAndAPinByThePresentPassword() {
        Device owner = People.owner(address, jdbc);
        Device device = People.added(owner, address, "Set " + UUID.randomUUID(), "technician");
        for (String weak : List.of("short", "password12", "aaaaaaaaaaaa", "qwertyuiop")) {
            device.post("/api/session/secrets", Map.of("password", People.PASSWORD, "newPassword", weak))
                    .assertRefused(422, "input-not-allowed");
        }
        for (String weak : List.of("123", "1111", "4567", "12a4", "123456789")) {
            device.post("/api/session/secrets", Map.of("password", People.PASSWORD, "newPin", weak))
                    .assertRefused(422, "input-not-allowed");
        }
        device.post("/api/session/secrets", Map.of("password", "not it", "newPin", "7391"))
                .assertRefused(401, "sign-in-name-or-password");
        assertEquals(
                204,
                device.post("/api/session/secrets", Map.of("password", People.PASSWORD, "newPin", "7391"))
                        .status());
        assertTrue(device.get("/api/session").body().get("person").get("hasPin").asBoolean());
        Device elsewhere = new Device(address);
        String name =
                device.get("/api/session").body().get("person").get("name").asString();
        elsewhere.post("/api/session", Map.of("name", name, "password", People.PASSWORD));
        device.post(
                "/api/session/secrets", Map.of("password", People.PASSWORD, "newPassword", "south pier in the fog"));
        elsewhere.get("/api/jobs").assertRefused(401, "not-signed-in");
        device.get("/api/jobs").assertRefused(401, "not-signed-in");
        jdbc.sql("delete from failed_sign_in").update();
    }
}
