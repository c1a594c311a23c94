package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.app.support.ApiClient;
import overturn.app.support.Device;
import overturn.app.support.OwnCluster;
import overturn.app.support.ServerProcess;
import tools.jackson.databind.JsonNode;

/**
 * A workshop as an earlier version left it (a dump of its demo, one for each version that landed; the next is added
 * before it lands) is taken over by this one: nothing of its logs changes, every job opens, closed ones stand in the
 * record.
 */
class UpgradeTest {

    private static final Path DUMPS = Path.of("src/test/resources/dumps");
    private static final String LOGS =
            "select md5(string_agg(e::text, '|' order by e.job_id, e.sequence)) from log_entry e";
    private static final String CLOSED =
            "select count(*) from job_summary where stage in ('released', 'given-up', 'comeback')";

    private OwnCluster cluster;
    private ServerProcess server;

    @AfterEach
    void gone() throws Exception {
        if (server != null) {
            server.close();
        }
        cluster.close();
    }

    static List<Path> dumps() throws IOException {
        try (Stream<Path> all = Files.list(DUMPS)) {
            return all.sorted().toList();
        }
    }

    @ParameterizedTest
    @MethodSource("dumps")
    void aWorkshopOfAnEarlierVersionIsTakenOver(Path dump) throws Exception {
        cluster = new OwnCluster();
        cluster.said("use_database; { echo 'set role overturn_owner;'; zcat " + dump.toAbsolutePath()
                + " | grep -v 'COMMENT ON EXTENSION'; } | dump_tool psql -q -v ON_ERROR_STOP=1 -d overturn >/dev/null");
        String logs = cluster.asked(LOGS);
        int jobs = Integer.parseInt(cluster.asked("select count(*) from job"));
        assertTrue(jobs > 5);
        server = ServerProcess.begin(
                "127.0.0.1",
                "upgraded.log",
                cluster.environment(),
                "--overturn.demo=false",
                "--overturn.operator-token=" + ApiClient.OPERATOR);
        assertTrue(server.isUp(), "see target/upgraded.log");
        String address = "http://127.0.0.1:" + server.port();
        Device owner = ownerBy(address);
        JsonNode bay = owner.get("/api/jobs?stage=all&most=200").body();
        assertEquals(jobs, bay.get("jobs").size());
        for (JsonNode line : bay.get("jobs")) {
            JsonNode job = owner.get("/api/jobs/" + line.get("id").asString()).body();
            assertFalse(job.get("assessment").get("suspects").isEmpty(), line.toString());
            assertFalse(job.has("setApartFrom"), "every entry is understood: " + line);
        }
        assertEquals(logs, cluster.asked(LOGS), "nothing that was written is touched");
        int closed = Integer.parseInt(cluster.asked(CLOSED));
        JsonNode record = owner.get("/api/record").body();
        for (int tries = 0; tries < 60 && record.get("found").asInt() < closed; tries++) {
            Thread.sleep(500);
            record = owner.get("/api/record").body();
        }
        assertTrue(closed > 0);
        assertEquals(closed, record.get("found").asInt());
        assertEquals("", cluster.said("use_database; findings overturn"), "every chain is whole");
    }

    private static Device ownerBy(String address) {
        String path = new ApiClient(address)
                .asOperator("POST", "/api/owner-link?another=true")
                .body()
                .get("path")
                .asString();
        Device device = new Device(address);
        assertEquals(
                200,
                device.post(
                                "/api/session/password",
                                Map.of(
                                        "token",
                                        path.substring(path.indexOf('#') + 1),
                                        "name",
                                        "Nora Held",
                                        "password",
                                        "north pier at low tide"))
                        .status());
        return device;
    }
}
