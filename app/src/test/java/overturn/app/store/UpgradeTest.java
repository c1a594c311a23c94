package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.app.support.ApiClient;
import overturn.app.support.Device;
import overturn.app.support.ServerProcess;
import overturn.app.support.Shell;
import tools.jackson.databind.JsonNode;

/**
 * A workshop as an earlier version left it (a dump of its demo, one for each version that landed; the next is added
 * before it lands) is taken over by this one: nothing of its logs changes, every job opens, closed ones stand in the
 * record.
 */
class UpgradeTest {

    private static final String PROGRAMS = "PG_BIN=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -1); ";
    private static final Path DUMPS = Path.of("src/test/resources/dumps");
    private static final String LOGS =
            "select md5(string_agg(e::text, '|' order by e.job_id, e.sequence)) from log_entry e";
    private static final String CLOSED =
            "select count(*) from job_summary where stage in ('released', 'given-up', 'comeback')";

    private Shell shell;
    private ServerProcess server;

    @AfterEach
    void gone() throws Exception {
        if (server != null) {
            server.close();
        }
        shell.run(PROGRAMS + "use_database; halt_cluster \"$CLUSTER\"; rm -rf \"$CLUSTER\"");
    }

    static List<Path> dumps() throws IOException {
        try (Stream<Path> all = Files.list(DUMPS)) {
            return all.sorted().toList();
        }
    }

    private String said(String script) throws Exception {
        Shell.Said said = shell.run(PROGRAMS + script);
        assertEquals(0, said.code(), said.text());
        return said.text();
    }

    private String asked(String sql) throws Exception {
        return said("use_database; keeper_sql \"" + sql + "\" overturn");
    }

    @ParameterizedTest
    @MethodSource("dumps")
    void aWorkshopOfAnEarlierVersionIsTakenOver(Path dump) throws Exception {
        Path home = Files.createTempDirectory("overturn-upgrade");
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwxr-xr-x"));
        shell = new Shell(home);
        said("CLUSTER=\"$(cluster_home)/postgres\"; SETTINGS=\"$VAR/database.env\"; KEEPER_PASSWORD=$(random_password);"
                + " APP_PASSWORD=$(random_password); OWNER_PASSWORD=$(random_password); OPERATOR_TOKEN=x; DEMO_PASSWORD=x; DEMO_PIN=1;"
                + " DB_PORT=$(free_port 55217); write_settings \"$SETTINGS\"; make_cluster \"$CLUSTER\" \"$KEEPER_PASSWORD\" >/dev/null;"
                + " run_cluster \"$CLUSTER\" \"$DB_PORT\" >/dev/null; make_database;"
                + " { echo 'set role overturn_owner;'; zcat " + dump.toAbsolutePath()
                + " | grep -v 'COMMENT ON EXTENSION'; } | dump_tool psql -q -v ON_ERROR_STOP=1 -d overturn >/dev/null");
        String[] told = said("use_database; echo $DB_PORT $APP_PASSWORD $OWNER_PASSWORD")
                .split(" ");
        String logs = asked(LOGS);
        int jobs = Integer.parseInt(asked("select count(*) from job"));
        assertTrue(jobs > 5);
        server = ServerProcess.begin(
                "127.0.0.1",
                "upgraded.log",
                Map.of(
                        "OVERTURN_DB_URL",
                        "jdbc:postgresql://127.0.0.1:" + told[0] + "/overturn",
                        "OVERTURN_DB_USER",
                        "overturn",
                        "OVERTURN_DB_PASSWORD",
                        told[1],
                        "OVERTURN_DB_OWNER",
                        "overturn_owner",
                        "OVERTURN_DB_OWNER_PASSWORD",
                        told[2]),
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
        assertEquals(logs, asked(LOGS), "nothing that was written is touched");
        int closed = Integer.parseInt(asked(CLOSED));
        JsonNode record = owner.get("/api/record").body();
        for (int tries = 0; tries < 60 && record.get("found").asInt() < closed; tries++) {
            Thread.sleep(500);
            record = owner.get("/api/record").body();
        }
        assertTrue(closed > 0);
        assertEquals(closed, record.get("found").asInt());
        assertEquals("", said("use_database; findings overturn"), "every chain is whole");
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
