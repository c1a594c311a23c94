package overturn.app.api.people;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
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

/** An entry that waited on a device is whoever's who wrote it, and nobody's once it was altered. */
@ExtendWith(OverturnServer.class)
class SignedEntryApiTest {

    private String address;
    private JdbcClient jdbc;
    private Device tablet;
    private String job;
    private JsonNode key;

    /** Marit was here, then handed over to Juno. */
    @BeforeEach
    void aDeviceThatWasHandedOver(OverturnServer.Running server) {
        address = server.address();
        jdbc = server.context().getBean(JdbcClient.class);
        job = "/api/jobs/" + new ApiClient(address).openJob("Signed van", "sinks", "primary-piston-cup");
        tablet = new Device(address);
        key = tablet.signIn("Marit Osei").get("entryKey");
        tablet.signIn("Juno Vale");
    }

    private static Map<String, Object> note(String text) {
        Map<String, Object> note = new LinkedHashMap<>();
        note.put("text", text);
        note.put("entryId", UUID.randomUUID().toString());
        return note;
    }

    /** By another way than the server's: keys in order, as RFC 8785 has it for texts alone. */
    private static String signature(JsonNode key, String path, Map<String, Object> said) throws Exception {
        Mac mac = Mac.getInstance("HmacSHA256");
        mac.init(new SecretKeySpec(
                Base64.getUrlDecoder().decode(key.get("secret").asString()), "HmacSHA256"));
        String text = path + "\n" + ApiClient.json(new TreeMap<>(said));
        return key.get("id").asString() + "."
                + Base64.getUrlEncoder()
                        .withoutPadding()
                        .encodeToString(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
    }

    private Answer sent(Device from, Map<String, Object> said, String signature) {
        Map<String, Object> body = new LinkedHashMap<>(said);
        body.put("sequence", 2);
        body.put("takenSecondsAgo", 3600);
        return from.post(job + "/notes", body, "Entry-Signature", signature);
    }

    @Test
    void itKeepsWhoWroteItWhoeverIsSignedInByNow() throws Exception {
        Map<String, Object> said = note("written before the hand-over: 4,5 mm über");
        Answer answer = sent(tablet, said, signature(key, job + "/notes", said));
        assertEquals(200, answer.status(), answer.raw().body());
        assertEquals(
                "marit-osei",
                answer.body().get("entries").get(2).get("personId").asString());
        sent(tablet, said, signature(key, job + "/notes", said));
        assertEquals(3, tablet.get(job).body().get("entries").size(), "sent again it is there once");
    }

    @Test
    void alteredMovedOrFromAnotherDeviceItIsRefused() throws Exception {
        Map<String, Object> said = note("as it was written");
        String signature = signature(key, job + "/notes", said);
        Map<String, Object> altered = new LinkedHashMap<>(said);
        altered.put("text", "as somebody would have it");
        sent(tablet, altered, signature).assertRefused(403, "signature-does-not-fit");
        sent(tablet, said, signature(key, "/api/jobs/" + UUID.randomUUID() + "/notes", said))
                .assertRefused(403, "signature-does-not-fit");
        Device other = new Device(address);
        other.signIn("Juno Vale");
        sent(other, said, signature).assertRefused(403, "signature-does-not-fit");
        for (String nonsense : new String[] {
            "", "x", UUID.randomUUID() + ".AAAA", key.get("id").asString() + ".%%"
        }) {
            sent(tablet, said, nonsense).assertRefused(403, "signature-does-not-fit");
        }
        assertEquals(2, tablet.get(job).body().get("entries").size(), "nothing of it is in the log");
    }

    /** Two tabs of one browser: in the other one somebody else has signed in. */
    @Test
    void aPageThatTakesItselfForSomebodyElseWritesNothing() {
        Map<String, Object> body = note("from a tab that does not know");
        body.put("sequence", 2);
        tablet.post(job + "/notes", body, "Acting-As", "marit-osei").assertRefused(401, "somebody-else-is-signed-in");
        assertEquals(
                200, tablet.post(job + "/notes", body, "Acting-As", "juno-vale").status());
    }

    @Test
    void whatItsWriterMayNotDoIsRefusedWhoeverSendsIt() throws Exception {
        Device lead = new Device(address);
        JsonNode apprentices = lead.signIn("Juno Vale").get("entryKey");
        lead.signIn("Ines Quill");
        Map<String, Object> said = new LinkedHashMap<>(
                Map.of("why", "no time", "entryId", UUID.randomUUID().toString()));
        Map<String, Object> body = new LinkedHashMap<>(said);
        body.put("sequence", 2);
        lead.post(job + "/withdrawal", body, "Entry-Signature", signature(apprentices, job + "/withdrawal", said))
                .assertRefused(403, "not-allowed");
    }

    @Test
    void whoeverWorksHereNoMoreSignsNothingMore() throws Exception {
        Device owner = People.owner(address, jdbc);
        String name = "Gone " + UUID.randomUUID();
        People.added(owner, address, name, "technician");
        Device device = new Device(address);
        JsonNode gone = device.post("/api/session", Map.of("name", name, "password", People.PASSWORD))
                .body()
                .get("entryKey");
        device.signIn("Juno Vale");
        owner.put(
                "/api/people/" + People.idOf(owner, name),
                Map.of("role", "technician", "qualified", false, "active", false));
        Map<String, Object> said = note("from before");
        sent(device, said, signature(gone, job + "/notes", said)).assertRefused(403, "signature-does-not-fit");
    }
}
