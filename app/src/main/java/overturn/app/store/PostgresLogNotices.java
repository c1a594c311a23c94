package overturn.app.store;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.stereotype.Component;
import overturn.app.job.LogNotices;
import overturn.app.job.StrokeCall;

/**
 * Listens to the notices of PostgreSQL on a connection of its own; one that is lost is made anew, and listeners are
 * told that they may have missed some.
 */
@Component
class PostgresLogNotices implements LogNotices, DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(PostgresLogNotices.class);
    private static final int WAIT_MILLIS = 1_000;
    private static final String ENTRIES = "log_entry";
    private static final String CALLS = "stroke_call";

    private final DriverManagerDataSource source;
    private final JdbcClient jdbc;
    private final List<Listener> listeners = new CopyOnWriteArrayList<>();
    private final Thread thread = new Thread(this::listenAlways, "log-notices");
    private volatile boolean ended;

    PostgresLogNotices(
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password,
            JdbcClient jdbc) {
        this.jdbc = jdbc;
        this.source = new DriverManagerDataSource(url, user, password);
        thread.setDaemon(true);
        thread.start();
    }

    @Override
    public void listen(Listener listener) {
        listeners.add(listener);
    }

    @Override
    public void call(StrokeCall call) {
        jdbc.sql("select pg_notify(:channel, :text)")
                .param("channel", CALLS)
                .param("text", call.text())
                .query((row, n) -> n)
                .list();
    }

    private void listenAlways() {
        while (!ended) {
            try (Connection connection = source.getConnection();
                    Statement statement = connection.createStatement()) {
                statement.execute("listen " + ENTRIES);
                statement.execute("listen " + CALLS);
                listeners.forEach(Listener::missed);
                while (!ended) {
                    tell(connection.unwrap(PGConnection.class).getNotifications(WAIT_MILLIS));
                }
            } catch (SQLException | RuntimeException e) {
                LOG.warn("Entries are not announced just now: {}", e.getMessage());
                rest();
            }
        }
    }

    private void tell(PGNotification[] notices) {
        for (PGNotification notice : notices == null ? new PGNotification[0] : notices) {
            if (notice.getName().equals(CALLS)) {
                StrokeCall call = StrokeCall.of(notice.getParameter());
                listeners.forEach(listener -> listener.called(call));
            } else {
                String[] parts = notice.getParameter().split(" ");
                listeners.forEach(listener -> listener.grown(UUID.fromString(parts[0]), Integer.parseInt(parts[1])));
            }
        }
    }

    private void rest() {
        try {
            Thread.sleep(WAIT_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void destroy() {
        ended = true;
        thread.interrupt();
    }
}
