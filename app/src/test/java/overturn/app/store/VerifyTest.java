package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.OverturnServer;

/**
 * Ten thousand entries, and somebody who owns the tables: whatever is changed behind the application's back is found
 * and named. All of it in a transaction that is taken back.
 */
@ExtendWith(OverturnServer.class)
class VerifyTest {

    private static final String JOB = "00000000-0000-4000-8000-0000000000";

    private Connection owner;
    private Statement sql;

    @BeforeEach
    void tenThousandEntries() throws SQLException {
        owner = DriverManager.getConnection(
                System.getenv("OVERTURN_DB_URL"),
                System.getenv("OVERTURN_DB_OWNER"),
                System.getenv("OVERTURN_DB_OWNER_PASSWORD"));
        owner.setAutoCommit(false);
        sql = owner.createStatement();
        sql.execute("create temp table heads (job_id uuid, sequence integer, hash text) on commit drop");
        sql.execute("""
                insert into job (id, log_opened_at)
                select ('%s' || lpad(j::text, 2, '0'))::uuid, now() from generate_series(0, 99) j
                """.formatted(JOB));
        sql.execute("""
                insert into log_entry (id, job_id, sequence, log_entered_at, person_id, kind, body)
                select gen_random_uuid(), ('%s' || lpad(j::text, 2, '0'))::uuid, n, now() + n * interval '1 second', 'juno-vale',
                       case when n = 1 then 'job-opened' else 'note-written' end,
                       jsonb_build_object('text', 'entry ' || n, 'vehicle', 'Tarn SK ' || j)
                  from generate_series(0, 99) j, generate_series(1, 100) n
                 order by j, n
                """.formatted(JOB));
        sql.execute("set constraints all immediate");
        sql.execute("alter table log_entry disable trigger user");
        sql.execute("alter table entry_beside disable trigger user");
    }

    @AfterEach
    void takenBack() throws SQLException {
        owner.rollback();
        owner.close();
    }

    private void writeDownHeads() throws SQLException {
        sql.execute("""
                insert into heads
                select distinct on (job_id) job_id, sequence, hash from log_entry order by job_id, sequence desc
                """);
    }

    private List<String> found() throws SQLException, IOException {
        List<String> found = new ArrayList<>();
        try (ResultSet rows = sql.executeQuery(Files.readString(Path.of("../scripts/verify.sql")))) {
            while (rows.next()) {
                found.add(rows.getString(1));
            }
        }
        return found;
    }

    private void changed(String change) throws SQLException {
        assertTrue(sql.executeUpdate(change.replace("$JOB", JOB)) > 0, change);
    }

    @Test
    void whatWasNotTouchedIsSound() throws Exception {
        writeDownHeads();
        assertEquals(List.of(), found());
    }

    @Test
    void aByteThatWasChangedIsNamed() throws Exception {
        changed(
                "update log_entry set body = jsonb_set(body, '{text}', '\"entry 4O\"') where job_id = '$JOB07' and sequence = 40");
        assertEquals(List.of("job " + JOB + "07, entry 40 (note-written): not as it was written"), found());
    }

    /** Whoever changes an entry and its hash has to change every hash behind it, and then the heads tell. */
    @Test
    void aChainThatWasForgedToItsEndIsToldByTheHeads() throws Exception {
        writeDownHeads();
        changed("update log_entry set person_id = 'ines-quill' where job_id = '$JOB07' and sequence = 100");
        changed("update log_entry e set hash = entry_hash(e) where job_id = '$JOB07' and sequence = 100");
        List<String> found = found();
        assertEquals(1, found.size(), found.toString());
        assertTrue(found.get(0).startsWith("job " + JOB + "07, entry 100: was written down as "), found.get(0));
    }

    @Test
    void aTailThatWasCutIsNamedByTheHeads() throws Exception {
        writeDownHeads();
        changed("delete from log_entry where job_id = '$JOB11' and sequence > 90");
        List<String> found = found();
        assertEquals(1, found.size(), found.toString());
        assertTrue(
                found.get(0).startsWith("job " + JOB + "11, entry 100: was written down as ")
                        && found.get(0).endsWith("is gone"),
                found.get(0));
    }

    @Test
    void oneThatWasTakenOutOfTheMiddleIsNamedWithoutHeads() throws Exception {
        changed("delete from log_entry where job_id = '$JOB12' and sequence = 50");
        assertEquals(
                List.of(
                        "job " + JOB + "12, entry 50: missing",
                        "job " + JOB + "12, entry 51 (note-written): does not follow the entry before it"),
                found());
    }

    @Test
    void twoThatWereSwappedBetweenJobsAreNamed() throws Exception {
        changed("""
                update log_entry e
                   set body = other.body
                  from log_entry other
                 where e.sequence = 30 and other.sequence = 31
                   and e.job_id = '$JOB20' and other.job_id = '$JOB21'""");
        changed("""
                update log_entry
                   set job_id = case job_id when '$JOB22' then '$JOB23' else '$JOB22' end::uuid, sequence = sequence + 1000
                 where job_id in ('$JOB22', '$JOB23') and sequence = 60""");
        changed("update log_entry set sequence = sequence - 1000 where sequence > 1000");
        List<String> found = found();
        assertTrue(
                found.contains("job " + JOB + "20, entry 30 (note-written): not as it was written"), found.toString());
        for (String job : List.of("22", "23")) {
            assertTrue(
                    found.contains("job " + JOB + job + ", entry 60 (note-written): not as it was written")
                            && found.contains("job " + JOB + job
                                    + ", entry 60 (note-written): does not follow the entry before it"),
                    found.toString());
        }
    }

    @Test
    void whatLiesBesideIsNeitherChangedNorErasedUnnoticed() throws Exception {
        changed("""
                update entry_beside b set body = '{"vehicle": "Tarn SK 666"}'
                  from log_entry e where e.id = b.entry_id and e.job_id = '$JOB30'""");
        changed("""
                delete from entry_beside b using log_entry e where e.id = b.entry_id and e.job_id = '$JOB31'""");
        assertEquals(
                List.of(
                        "job " + JOB + "30, entry 1: what lies beside it is not as it was written",
                        "job " + JOB + "31, entry 1: what lay beside it is gone, and no entry says who erased it"),
                found());
    }
}
