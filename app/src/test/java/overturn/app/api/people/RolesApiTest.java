package overturn.app.api.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.people.Act;
import overturn.app.people.Role;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.Device;
import overturn.app.support.OverturnServer;
import overturn.app.support.People;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;
import tools.jackson.databind.JsonNode;

/** Every act by every role, signed out, and from a device that is no shop tablet any more. */
@ExtendWith(OverturnServer.class)
class RolesApiTest {

    /** What an act looks like on the wire; refused for its role it is 403, otherwise anything else. */
    private interface Tried {
        Answer by(Device device);
    }

    private static final Map<Role, Device> DEVICES = new EnumMap<>(Role.class);
    private static final Map<Act, Tried> ACTS = new EnumMap<>(Act.class);
    private static String address;
    private static String job;
    private static String anothersEntry;
    private static Device owner;

    @BeforeAll
    static void onePersonOfEachRole(OverturnServer.Running server) {
        address = server.address();
        JdbcClient jdbc = server.context().getBean(JdbcClient.class);
        owner = People.owner(address, jdbc);
        for (Role role : Role.values()) {
            String name = "Role " + role.id() + " " + UUID.randomUUID();
            DEVICES.put(role, People.added(owner, address, name, role.id()));
            owner.put(
                    "/api/people/" + People.idOf(owner, name),
                    Map.of("role", role.id(), "qualified", true, "active", true));
        }
        ApiClient api = new ApiClient(address);
        job = "/api/jobs/" + api.openJob("Van of roles", "sinks", "primary-piston-cup");
        JsonNode noted = api.post(job + "/notes", ApiClient.stamped(2, Map.of("text", "by Tobias")))
                .body();
        anothersEntry = noted.get("entries").get(2).get("id").asString();
        String layout = LayoutFiles.write(Presets.find("wisp-courier-clutch").orElseThrow());
        ACTS.put(Act.WORK, d -> write(d, "/notes", Map.of("text", "seen")));
        ACTS.put(Act.ACCEPT_PROVEN, d -> write(d, "/verdict", verdict("PROVEN")));
        ACTS.put(Act.ACCEPT_UNPROVEN, d -> write(d, "/verdict", verdict("OPEN")));
        ACTS.put(Act.ORDER, d -> write(d, "/parts", Map.of("part", "Master", "state", "ordered")));
        ACTS.put(Act.STRIKE_ANOTHERS, d -> write(d, "/strikes", Map.of("struckId", anothersEntry, "why", "a slip")));
        ACTS.put(Act.GIVE_UP_JOB, d -> write(d, "/withdrawal", Map.of("why", "")));
        ACTS.put(Act.SECOND_CHECK, d -> write(d, "/second-checks", Map.of()));
        ACTS.put(Act.RELEASE, d -> write(d, "/release", Map.of("conditional", true)));
        JsonNode file = api.get(job + "/file").body();
        ACTS.put(Act.TAKE_IN_JOB_FILE, d -> d.post("/api/job-files", file));
        ACTS.put(Act.SAVE_LAYOUT, d -> d.post("/api/layouts", Map.of("no", layout)));
        ACTS.put(Act.WITHDRAW_LAYOUT, d -> d.post("/api/layouts/never-saved/withdrawal", Map.of()));
        ACTS.put(Act.TELL_WORKSHOP, d -> d.put("/api/workshop", Map.of("version", -1)));
        ACTS.put(Act.LOOK_AFTER_SERVER, d -> d.get("/api/openapi"));
        ACTS.put(
                Act.SET_EXERCISE,
                d -> d.post(
                        "/api/practice/exercises",
                        Map.of("exerciseId", UUID.randomUUID(), "personIds", List.of("nobody-here"))));
        ACTS.put(Act.SEE_PEOPLE, d -> d.get("/api/people"));
        ACTS.put(Act.ENROL_TABLET, d -> d.delete("/api/tablets/" + UUID.randomUUID()));
        ACTS.put(Act.MANAGE_PEOPLE, d -> d.post("/api/people", Map.of("name", "", "role", "pope")));
        ACTS.put(Act.ERASE_DATA, d -> d.post("/api/vehicles/" + UUID.randomUUID() + "/erasure", Map.of("why", "")));
        ACTS.put(Act.REGISTER_INSTRUMENT, d -> d.post("/api/instruments", Map.of("serial", "none", "name", "")));
        ACTS.put(Act.MANAGE_TOKENS, d -> d.post("/api/tokens", Map.of("name", "", "scopes", List.of())));
    }

    private static Map<String, Object> verdict(String grade) {
        return Map.of("remedyIds", List.of("renew-master"), "grade", grade, "why", "");
    }

    /** Behind what stands, so that nothing but the role refuses it. */
    private static Answer write(Device device, String what, Map<String, Object> said) {
        Map<String, Object> body = new LinkedHashMap<>(said);
        body.put("entryId", UUID.randomUUID().toString());
        JsonNode told = device.get(job).body();
        body.put("sequence", told.has("sequence") ? told.get("sequence").asInt() : 2);
        return device.post(job + what, body);
    }

    @Test
    void everyCellOfTheTableHolds() {
        assertEquals(ACTS.keySet(), java.util.EnumSet.allOf(Act.class), "every act is tried");
        List<String> wrong = new ArrayList<>();
        ACTS.forEach((act, tried) -> DEVICES.forEach((role, device) -> {
            boolean refused = tried.by(device).status() == 403;
            if (refused == act.allows(role)) {
                wrong.add(act + " as " + role + (refused ? " is refused" : " is let through"));
            }
        }));
        assertEquals(List.of(), wrong);
    }

    @Test
    void nobodyDoesAnythingSignedOutOrFromATabletThatWasWithdrawn() {
        Device lead = new Device(address);
        lead.signIn("Ines Quill");
        String name = "Lost " + UUID.randomUUID();
        lead.post("/api/tablets", Map.of("name", name, "password", ApiClient.PASSWORD));
        lead.get("/api/tablets")
                .body()
                .valueStream()
                .filter(t -> t.get("name").asString().equals(name))
                .forEach(t -> lead.delete("/api/tablets/" + t.get("id").asString()));
        lead.delete("/api/session");
        Device stranger = new Device(address);
        ACTS.forEach((act, tried) -> {
            assertEquals(401, tried.by(stranger).status(), act + " signed out");
            assertEquals(401, tried.by(lead).status(), act + " from a lost tablet");
        });
    }

    @Test
    void releaseAsksForTheMarkWhateverTheRole() {
        Device unmarked = People.added(owner, address, "Unmarked " + UUID.randomUUID(), "owner");
        Answer refused = write(unmarked, "/release", Map.of("conditional", true));
        refused.assertRefused(403, "not-allowed");
        assertTrue(refused.body().get("detail").asString().contains("qualified"));
    }

    @Test
    void onesOwnEntryAnybodyStrikes() {
        Device apprentice = DEVICES.get(Role.APPRENTICE);
        JsonNode noted = write(apprentice, "/notes", Map.of("text", "mistyped")).body();
        String own = noted.get("entries")
                .get(noted.get("entries").size() - 1)
                .get("id")
                .asString();
        assertEquals(
                200,
                write(apprentice, "/strikes", Map.of("struckId", own, "why", "typo"))
                        .status());
    }

    /** The table in the documents is the one that is enforced. */
    @Test
    void theTableInTheDocumentsIsThatOfTheProgram() throws IOException {
        String document = Files.readString(Path.of("../docs/people.md"));
        for (Act act : Act.values()) {
            String cells = Arrays.stream(Role.values())
                    .map(role -> act.allows(role) ? act == Act.RELEASE ? "marked" : "yes" : "–")
                    .reduce("`" + act.id() + "`", (row, cell) -> row + " | " + cell);
            assertTrue(
                    document.replaceAll(" +", " ").contains("| " + cells + " |"),
                    "docs/people.md lacks: | " + cells + " |");
        }
    }
}
