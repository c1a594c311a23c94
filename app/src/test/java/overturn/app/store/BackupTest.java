package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Arrays;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.app.support.Shell;

/** A workshop is written down and brought back by the commands of the machine, in a cluster of its own. */
@ExtendWith(OverturnServer.class)
class BackupTest {

    private static final String PROGRAMS = "PG_BIN=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -1); ";
    private static final String STATE = "select md5(string_agg(hash, ',' order by job_id, sequence)) from log_entry";
    private static Path home;
    private static Shell shell;

    /** The database of these tests, copied into a cluster as {@code start} makes one. */
    @BeforeAll
    static void aClusterWithTheJobsOfTheseTests(OverturnServer.Running server) throws Exception {
        new ApiClient(server.address()).openJob("Kept van", "sinks", "primary-piston-cup");
        home = Files.createTempDirectory("overturn-backup");
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwxr-xr-x"));
        shell = new Shell(home);
        URI database = URI.create(System.getenv("OVERTURN_DB_URL").substring("jdbc:".length()));
        Shell.Said made = run("start_database >/dev/null; mkdir -p $VAR/log; "
                + "PGPASSWORD=$OVERTURN_DB_OWNER_PASSWORD $PG_BIN/pg_dump -Fc -h 127.0.0.1 -p " + database.getPort()
                + " -U $OVERTURN_DB_OWNER -f $VAR/first.dump "
                + database.getPath().substring(1)
                + "; dump_tool pg_restore -d overturn $VAR/first.dump");
        assertEquals(0, made.code(), made.text());
    }

    @AfterAll
    static void gone() throws IOException, InterruptedException {
        run("stop_database; rm -rf \"$CLUSTER\"; rm -rf \"$VAR\"/log");
    }

    private static Shell.Said run(String script) throws IOException, InterruptedException {
        return shell.run(PROGRAMS + script, Map.of());
    }

    private static String asked(String sql) throws IOException, InterruptedException {
        Shell.Said said = run("use_database; keeper_sql \"" + sql + "\" overturn");
        assertEquals(0, said.code(), said.text());
        return said.text();
    }

    @Test
    void whatWasWrittenDownComesBackWholeAndWhatWasThereIsKept() throws Exception {
        Path file = home.resolve("monday.backup");
        Shell.Said written = run("backup " + file);
        assertEquals(0, written.code(), written.text());
        assertTrue(Files.size(file) > 10_000);
        assertEquals("rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(file)));
        String before = asked(STATE);
        long jobs = Long.parseLong(asked("select count(*) from job"));
        assertEquals(jobs, Files.readAllLines(Path.of(file + ".heads.csv")).size());

        asked("insert into job (id, log_opened_at) values (gen_random_uuid(), now())");
        asked("alter table log_entry disable trigger user");
        asked("delete from entry_beside; delete from log_entry where sequence > 1");
        asked("alter table log_entry enable trigger user");
        assertNotEquals(before, asked(STATE), "a mistake was made");
        Shell.Said back = run("restore " + file);
        assertEquals(0, back.code(), back.text());
        assertEquals(before, asked(STATE));
        assertEquals(jobs, Long.parseLong(asked("select count(*) from job")));
        assertEquals(0, run("verify_logs " + file + ".heads.csv").code());
        Shell.Said kept = run("use_database; keeper_sql 'select count(*) from job' overturn_before");
        assertEquals(Long.toString(jobs + 1), kept.text());
        assertEquals(
                "permission denied",
                run("use_database; PGPASSWORD=$APP_PASSWORD psql -qtA -h 127.0.0.1 -p $DB_PORT -U overturn -d overturn"
                                + " -c 'delete from log_entry' || true")
                        .text()
                        .replaceAll(".*(permission denied).*", "$1"),
                "the server may add and read, as before");
    }

    @Test
    void aFileThatIsNoBackupChangesNothing() throws Exception {
        String before = asked(STATE);
        Path file = home.resolve("spoilt.backup");
        assertEquals(0, run("backup " + file).code());
        byte[] whole = Files.readAllBytes(file);
        Files.write(file, Arrays.copyOf(whole, whole.length / 2));
        assertEquals(7, run("restore " + file).code());
        Files.writeString(file, "no backup");
        assertEquals(7, run("restore " + file).code());
        assertEquals(2, run("restore " + home.resolve("nowhere")).code());
        assertEquals(before, asked(STATE));
    }

    /** A workshop whose log somebody tampered with is not left without backups for that. */
    @Test
    void aTamperedLogIsWrittenDownWithAWarningAndComesBackOnlyWhenThatIsSaid() throws Exception {
        Path whole = home.resolve("whole.backup");
        assertEquals(0, run("backup " + whole).code());
        asked("alter table log_entry disable trigger user");
        asked("update log_entry set person_id = 'tobias-renn' where sequence = 1");
        asked("alter table log_entry enable trigger user");
        Path file = home.resolve("tampered.backup");
        Shell.Said written = run("backup " + file);
        assertEquals(0, written.code(), written.text());
        assertTrue(written.text().contains("not as it was written"), written.text());
        Shell.Said refused = run("restore " + file);
        assertEquals(7, refused.code(), refused.text());
        assertTrue(refused.text().contains("--anyway"), refused.text());
        assertEquals(0, run("restore " + file + " --anyway").code());
        assertEquals(0, run("restore " + whole).code());
        assertEquals(0, run("verify_logs").code(), "put right by the one before");
    }
}
