package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.course.Decided;
import overturn.course.JobStage;
import overturn.course.MayMove;
import overturn.course.NextAct;
import overturn.verdict.Grade;

/**
 * The database itself keeps the log append-only; the role that the server works as owns nothing and cannot change that.
 */
@ExtendWith(OverturnServer.class)
class AppendOnlyTest {

    private static String refused(JdbcClient jdbc, String change) {
        return assertThrows(DataAccessException.class, () -> jdbc.sql(change).update(), change)
                .getMostSpecificCause()
                .getMessage();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "update log_entry set person_id = 'juno-vale'",
                "delete from log_entry",
                "truncate log_entry cascade",
                "update saved_layout set id = 'x'",
                "delete from workshop_settings",
                "delete from job",
                "update person set role = 'lead'",
                "delete from layout_withdrawal",
                "update vehicle set layout_id = 'x'",
                "update entry_beside set salt = 'x'",
                "update photo set jpeg = ''",
                "update people_entry set what = 'x'",
                "delete from account",
                "delete from vehicle_entry"
            })
    void theServersRoleMayOnlyAddAndRead(String change, OverturnServer.Running server) {
        new ApiClient(server.address()).openJob("Tarn SK 50", "hard", "low-assist-supply");
        assertTrue(refused(server.context().getBean(JdbcClient.class), change).contains("permission denied"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "alter table log_entry disable trigger all",
                "drop trigger log_entry_is_append_only on log_entry",
                "drop table log_entry cascade",
                "create or replace function refuse_change() returns trigger language plpgsql as 'begin return null; end'",
                "create table own (id int)",
                "set session_replication_role = replica",
                "set role overturn_owner"
            })
    void theServersRoleCannotSwitchTheGuardOff(String change, OverturnServer.Running server) {
        String message = refused(server.context().getBean(JdbcClient.class), change);
        assertTrue(message.contains("must be owner") || message.contains("permission denied"), message);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "update log_entry set person_id = 'juno-vale'",
                "delete from log_entry",
                "truncate log_entry cascade"
            })
    void theOwnerIsRefusedToo(String change) {
        JdbcClient owner = JdbcClient.create(new DriverManagerDataSource(
                System.getenv("OVERTURN_DB_URL"),
                System.getenv("OVERTURN_DB_OWNER"),
                System.getenv("OVERTURN_DB_OWNER_PASSWORD")));
        assertTrue(refused(owner, change).contains("append-only"));
    }

    @Test
    void theServersRoleIsNoSuperuserAndTheClusterChecksItsPages(OverturnServer.Running server) {
        JdbcClient jdbc = server.context().getBean(JdbcClient.class);
        assertEquals(
                false,
                jdbc.sql("select rolsuper or rolcreaterole or rolcreatedb from pg_roles where rolname = current_user")
                        .query(Boolean.class)
                        .single());
        assertEquals(
                "on",
                jdbc.sql("select current_setting('data_checksums')")
                        .query(String.class)
                        .single());
    }

    private static Set<String> names(Enum<?>[] all) {
        return Arrays.stream(all).map(Enum::name).collect(Collectors.toSet());
    }

    /** What the database lets stand in a line of the bay is what the program writes there, no less and no more. */
    @Test
    void theListsOfTheDatabaseAreThoseOfTheProgram(OverturnServer.Running server) {
        Map<String, Set<String>> lists = new HashMap<>();
        server.context()
                .getBean(JdbcClient.class)
                .sql("select conname, pg_get_constraintdef(oid) as list from pg_constraint"
                        + " where conrelid = 'job_summary'::regclass and contype = 'c'")
                .query((row, at) -> lists.put(
                        row.getString("conname"),
                        Pattern.compile("'([^']+)'")
                                .matcher(row.getString("list"))
                                .results()
                                .map(found -> found.group(1))
                                .collect(Collectors.toSet())))
                .list();
        assertEquals(
                Map.of(
                        "job_summary_stage", Set.copyOf(JobStage.ids()),
                        "job_summary_grade", names(Grade.values()),
                        "job_summary_moved_from_grade", names(Grade.values()),
                        "job_summary_turned_out", names(Decided.TurnedOut.values()),
                        "job_summary_next_kind", names(NextAct.Kind.values()),
                        "job_summary_may_move", names(MayMove.Answer.values())),
                lists);
    }
}
