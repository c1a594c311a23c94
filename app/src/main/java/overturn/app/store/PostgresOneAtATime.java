package overturn.app.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Repository;
import overturn.app.workshop.OneAtATime;

/** By an advisory lock of PostgreSQL, which goes with its connection: a server that is killed holds none. */
@Repository
class PostgresOneAtATime implements OneAtATime {

    private final DataSource source;

    PostgresOneAtATime(DataSource source) {
        this.source = source;
    }

    @Override
    public boolean unlessAnotherDoes(String name, Runnable work) {
        try (Connection connection = source.getConnection()) {
            if (!asked(connection, "select pg_try_advisory_lock(hashtext(?))", name)) {
                return false;
            }
            try {
                work.run();
            } finally {
                asked(connection, "select pg_advisory_unlock(hashtext(?))", name);
            }
            return true;
        } catch (SQLException e) {
            throw new DataAccessResourceFailureException("Nobody can be asked who does " + name, e);
        }
    }

    private static boolean asked(Connection connection, String sql, String name) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            statement.setString(1, name);
            try (ResultSet row = statement.executeQuery()) {
                return row.next() && row.getBoolean(1);
            }
        }
    }
}
