package overturn.app.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Repository;
import overturn.app.workshop.OneAtATime;

/**
 * By an advisory lock of PostgreSQL, which goes with its transaction: a server that is killed holds none, and a pooler
 * between server and database may give the connection to another once the work is done.
 */
@Repository
class PostgresOneAtATime implements OneAtATime {

    private final DataSource source;

    PostgresOneAtATime(DataSource source) {
        this.source = source;
    }

    @Override
    public boolean unlessAnotherDoes(String name, Runnable work) {
        try (Connection connection = source.getConnection()) {
            connection.setAutoCommit(false);
            try {
                if (!isFree(connection, name)) {
                    return false;
                }
                work.run();
            } finally {
                connection.rollback();
            }
            return true;
        } catch (SQLException e) {
            throw new DataAccessResourceFailureException("Nobody can be asked who does " + name, e);
        }
    }

    private static boolean isFree(Connection connection, String name) throws SQLException {
        try (PreparedStatement statement =
                connection.prepareStatement("select pg_try_advisory_xact_lock(hashtext(?))")) {
            statement.setString(1, name);
            try (ResultSet row = statement.executeQuery()) {
                return row.next() && row.getBoolean(1);
            }
        }
    }
}
