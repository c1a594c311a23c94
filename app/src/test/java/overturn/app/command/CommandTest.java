package overturn.app.command;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import overturn.app.support.Shell;
import overturn.app.support.Shell.Said;

/**
 * The command's own scripts: settings are data, only our own processes are ended, and a server that ends by itself
 * comes back.
 */
class CommandTest {

    private static final String SUPERVISE = Shell.ROOT + "/scripts/supervise.sh";

    @TempDir
    Path var;

    private Shell shell;

    @BeforeEach
    void makeShell() {
        shell = new Shell(var);
    }

    private static void until(String what, BooleanSupplier holds) throws InterruptedException {
        for (Instant end = Instant.now().plus(Duration.ofSeconds(30)); !holds.getAsBoolean(); Thread.sleep(50)) {
            assertTrue(Instant.now().isBefore(end), what);
        }
    }

    private static String read(Path file) {
        try {
            return Files.exists(file) ? Files.readString(file).strip() : "";
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void settingsAreReadAsDataAndNeverRun() throws Exception {
        Path settings = Files.writeString(
                var.resolve("database.env"),
                "KEEPER_PASSWORD=abc\nPATH=/nowhere\nAPP_PASSWORD=$(touch " + var + "/ran)\nDB_PORT=1\n");
        Said refused = shell.run("read_settings " + settings);
        assertEquals(4, refused.code(), refused.text());
        assertTrue(
                refused.text().contains("APP_PASSWORD holds something other than letters and digits"), refused.text());
        Files.writeString(
                settings,
                "KEEPER_PASSWORD=abc\nPATH=/nowhere\ntouch " + var + "/ran\nAPP_PASSWORD=def\nDB_PORT=54117\n");
        assertEquals(
                "abc def 54117",
                shell.run("read_settings " + settings + "; echo $KEEPER_PASSWORD $APP_PASSWORD $DB_PORT")
                        .text());
        assertFalse(Files.exists(var.resolve("ran")));
    }

    @Test
    void settingsAreReplacedAsAWholeForTheirOwnerAlone() throws Exception {
        Path settings = Files.writeString(var.resolve("database.env"), "KEEPER_PASSWORD=old\n");
        String values = "KEEPER_PASSWORD=a OWNER_PASSWORD=b APP_PASSWORD=c DB_PORT=7; ";
        assertFalse(
                shell.run(values + "mv() { return 1; }; write_settings " + settings)
                                .code()
                        == 0,
                "interrupted before it was put in place");
        assertEquals("KEEPER_PASSWORD=old", read(settings));
        assertEquals(0, shell.run(values + "write_settings " + settings).code());
        assertEquals("KEEPER_PASSWORD=a\nOWNER_PASSWORD=b\nAPP_PASSWORD=c\nDB_PORT=7", read(settings));
        assertEquals("rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(settings)));
    }

    @Test
    void aClusterThatWasInterruptedWhileItWasMadeIsMadeAgain() throws Exception {
        Files.createDirectories(var.resolve("postgres.new/half"));
        Said made = shell.run("PG_USER_RUN=(fake); fake() { touch \"$3/whole\"; }; chown() { :; }; make_cluster "
                + var.resolve("postgres") + " secret");
        assertEquals(0, made.code(), made.text());
        assertTrue(Files.exists(var.resolve("postgres/whole"))
                && !Files.exists(var.resolve("postgres/half"))
                && !Files.exists(var.resolve("postgres.new")));
        Said failed = shell.run("PG_USER_RUN=(fake); fake() { return 1; }; chown() { :; }; make_cluster "
                + var.resolve("other") + " secret");
        assertFalse(failed.code() == 0);
        assertFalse(Files.exists(var.resolve("other")), "half a cluster is none");
    }

    @Test
    void aStaleNumberNeverEndsAProgramThatIsNotOurs() throws Exception {
        Process other = new ProcessBuilder("sleep", "60").start();
        try {
            Files.writeString(var.resolve("server.pid"), Long.toString(other.pid()));
            Files.writeString(var.resolve("supervisor.pid"), Long.toString(other.pid()));
            Said said = shell.run("if server_runs; then echo runs; else echo down; fi; stop_server");
            assertEquals("down", said.text());
            assertTrue(other.isAlive(), "it only bears the number");
            assertFalse(Files.exists(var.resolve("server.pid")));
            Files.writeString(var.resolve("supervisor.pid"), "-1");
            assertEquals(0, shell.run("stop_server").code(), "nonsense in the file ends nothing");
        } finally {
            other.destroyForcibly();
        }
    }

    /**
     * A server in the place of ours: runs a script each time it is started, and answers when the file of its health is
     * there.
     */
    private Process supervised(String server) throws IOException {
        Path script = Files.writeString(var.resolve("server.sh"), server);
        ProcessBuilder supervisor = new ProcessBuilder(
                        SUPERVISE,
                        var.toString(),
                        "server",
                        "cat " + var.resolve("healthy"),
                        "bash",
                        script.toString(),
                        var.toString())
                .redirectErrorStream(true)
                .redirectOutput(var.resolve("log").toFile());
        supervisor.environment().put("OVERTURN_LOOK_SECONDS", "0.2");
        return supervisor.start();
    }

    @Test
    void aServerOutOfMemoryComesBackByItselfAndItIsSaid() throws Exception {
        Process supervisor = supervised("""
                echo started >>"$1/starts"; touch "$1/healthy"; sleep 1
                [ "$(wc -l <"$1/starts")" -gt 1 ] || exit 3
                exec sleep 60
                """);
        until("started twice", () -> read(var.resolve("starts")).lines().count() == 2);
        until("it is said", () -> read(var.resolve("server.restarts")).endsWith("started again: out of memory"));
        long pid = Long.parseLong(read(var.resolve("server.pid")));
        supervisor.destroy();
        until(
                "both have ended",
                () -> !supervisor.isAlive() && ProcessHandle.of(pid).isEmpty());
    }

    @Test
    void aDeafServerIsStartedAgainAndOneThatNeverCameUpIsNot() throws Exception {
        Process supervisor = supervised("""
                echo started >>"$1/starts"; touch "$1/healthy"
                [ "$(wc -l <"$1/starts")" -gt 1 ] || { sleep 1; rm "$1/healthy"; }
                exec sleep 60
                """);
        until("started twice", () -> read(var.resolve("starts")).lines().count() == 2);
        assertTrue(
                read(var.resolve("server.restarts")).contains("did not answer"), read(var.resolve("server.restarts")));
        supervisor.destroy();
        until("ended", () -> !supervisor.isAlive());
        Files.delete(var.resolve("healthy"));
        Files.delete(var.resolve("starts"));
        Process hopeless = supervised("echo started >>\"$1/starts\"; exit 1");
        until("given up", () -> !hopeless.isAlive());
        assertEquals(1, hopeless.exitValue());
        assertEquals(List.of("started"), read(var.resolve("starts")).lines().toList());
    }

    @Test
    void startWaitsAsLongAsTheServerIsComingUpAndSaysSo() throws Exception {
        String slow =
                "tries=0; server_runs() { [ $tries -lt 60 ]; }; health() { tries=$((tries + 1)); [ $tries -gt 40 ]; }; sleep() { SECONDS=$((SECONDS + 5)); }; wait_until_up";
        Said said = shell.run(slow);
        assertEquals(0, said.code(), said.text());
        assertTrue(
                said.text().contains("still coming up after") && said.text().contains("Overturn is ready"),
                "200 s later: " + said.text());
        Files.createDirectories(var.resolve("log"));
        Files.writeString(var.resolve("log/server.log"), "ERROR no room\n");
        Said dead = shell.run("server_runs() { false; }; wait_until_up");
        assertEquals(6, dead.code());
        assertTrue(dead.text().contains("did not start"), dead.text());
    }
}
