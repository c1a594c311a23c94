package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.app.support.Shell;
import overturn.app.workshop.Backups.LastBackup;

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

    /** Made once in its time, told where the bay reads it, and told too where it could not be made. */
    @Test
    void backupsAreMadeByThemselvesAndAFailureIsTold() throws Exception {
        Path folder = home.resolve("kept");
        Map<String, String> there = Map.of("OVERTURN_BACKUP_FOLDER", folder.toString());
        BackupStatusFile status =
                new BackupStatusFile(home.resolve("backup.status").toString());
        assertTrue(status.last().isEmpty(), "none was made yet");
        Shell.Said made = shell.run(PROGRAMS + "scheduled_backup 24", there);
        assertEquals(0, made.code(), made.text());
        LastBackup first = status.last().orElseThrow();
        assertTrue(first.good() && Files.exists(Path.of(first.message())), first.toString());
        assertEquals(24, first.everyHours());
        assertEquals(0, shell.run(PROGRAMS + "scheduled_backup 24", there).code());
        assertEquals(first, status.last().orElseThrow(), "not again before its time");
        Path file = home.resolve("no-folder");
        Files.writeString(file, "in the way");
        Shell.Said failed =
                shell.run(PROGRAMS + "scheduled_backup 0", Map.of("OVERTURN_BACKUP_FOLDER", file.toString()));
        assertNotEquals(0, failed.code());
        LastBackup last = status.last().orElseThrow();
        assertFalse(last.good());
        assertTrue(last.message().contains("no-folder"), last.message());
        assertEquals(first.lastGoodAt(), last.lastGoodAt(), "when the last good one was made is still known");
    }

    /** Two days whole, then one a day for a week, one a week for five, one a month for a year. */
    @Test
    void oldBackupsAreThrownAwayButForOneADayAWeekAMonth() throws Exception {
        Path folder = Files.createDirectories(home.resolve("many"));
        LocalDate today = LocalDate.now(ZoneOffset.UTC);
        for (int ago = 0; ago < 500; ago++) {
            for (String hour : List.of("060000", "180000")) {
                String name = "overturn-" + today.minusDays(ago).format(DateTimeFormatter.BASIC_ISO_DATE) + "-" + hour;
                Files.writeString(folder.resolve(name + ".dump"), "");
                Files.writeString(folder.resolve(name + ".dump.heads.csv"), "");
            }
        }
        Files.writeString(folder.resolve("notes.txt"), "not ours");
        Files.writeString(folder.resolve("overturn-by-hand.dump"), "not ours");
        Shell.Said pruned = shell.run("prune_backups " + folder);
        assertEquals(0, pruned.code(), pruned.text());
        List<String> left;
        try (Stream<Path> files = Files.list(folder)) {
            left = files.map(f -> f.getFileName().toString()).sorted().toList();
        }
        List<LocalDate> days = left.stream()
                .filter(name -> name.matches("overturn-[0-9]{8}-[0-9]{6}[.]dump"))
                .map(name -> LocalDate.parse(name.substring(9, 17), DateTimeFormatter.BASIC_ISO_DATE))
                .toList();
        for (int ago = 0; ago < 7; ago++) {
            LocalDate day = today.minusDays(ago);
            assertEquals(ago < 2 ? 2 : 1, days.stream().filter(day::equals).count(), "of " + ago + " days ago");
        }
        assertTrue(days.size() <= 4 + 5 + 5 + 12, days.toString());
        assertEquals(12, days.stream().map(YearMonth::from).distinct().count(), days.toString());
        assertTrue(left.contains("notes.txt") && left.contains("overturn-by-hand.dump"));
        assertEquals(
                days.size(),
                left.stream().filter(name -> name.endsWith(".heads.csv")).count());
    }
}
