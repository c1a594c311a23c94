package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;

/** The database itself keeps the log append-only, and the application's role is no more than its owner. */
@ExtendWith(OverturnServer.class)
class AppendOnlyTest {

    @ParameterizedTest
    @ValueSource(strings = {"update log_entry set person_id = 'juno-vale'", "delete from log_entry", "truncate log_entry cascade"})
    void theLogCannotBeChanged(String change, OverturnServer.Running server) {
        new ApiClient(server.address()).openJob("Tarn SK 50", "hard", "low-assist-supply");
        JdbcClient jdbc = server.context().getBean(JdbcClient.class);
        DataAccessException refused = assertThrows(DataAccessException.class, () -> jdbc.sql(change).update());
        assertTrue(refused.getMostSpecificCause().getMessage().contains("append-only"), refused.getMessage());
    }

    @Test
    void theApplicationsRoleIsNoSuperuser(OverturnServer.Running server) {
        JdbcClient jdbc = server.context().getBean(JdbcClient.class);
        assertEquals(false, jdbc.sql("select rolsuper or rolcreaterole or rolcreatedb from pg_roles where rolname = current_user")
                .query(Boolean.class).single());
    }
}
