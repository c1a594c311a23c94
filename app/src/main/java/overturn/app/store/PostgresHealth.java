package overturn.app.store;

import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.workshop.StoreHealth;

/** Asks PostgreSQL whether this role may add to the log and the server takes writes. */
@Repository
class PostgresHealth implements StoreHealth {

    private final JdbcClient jdbc;

    PostgresHealth(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public boolean takesWrites() {
        try {
            return jdbc.sql("""
                            select not pg_is_in_recovery() and current_setting('default_transaction_read_only') = 'off'
                               and has_table_privilege('log_entry', 'insert')
                            """).query(Boolean.class).single();
        } catch (DataAccessException e) {
            return false;
        }
    }
}
