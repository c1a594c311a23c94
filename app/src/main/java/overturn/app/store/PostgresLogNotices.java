package overturn.app.store;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.stereotype.Component;
import overturn.app.job.LogNotices;
import overturn.app.job.StrokeCall;

/**
 * Tells and listens to the notices of PostgreSQL, listening on a connection of its own, that no pooler may share; one
 * that is lost is made anew, and listeners are told that they may have missed some.
 */
@Component
class PostgresLogNotices implements LogNotices, DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(PostgresLogNotices.class);
    private static final int WAIT_MILLIS = 1_000;
    /** So long entries wait to be announced together; nobody sees it. Chosen. */
    private static final int TOGETHER_MILLIS = 20;

    private static final String ENTRIES = "log_entry";
    private static final String CALLS = "stroke_call";

    private final DriverManagerDataSource source;
    private final JdbcClient jdbc;
    private final List<Listener> listeners = new CopyOnWriteArrayList<>();
    private final Thread thread = new Thread(this::listenAlways, "log-notices");
    private final Map<UUID, Integer> toTell = new HashMap<>();
    private final ScheduledExecutorService teller =
            Executors.newSingleThreadScheduledExecutor(PostgresLogNotices::teller);
    private volatile boolean ended;

    PostgresLogNotices(
            @Value("${overturn.notices-url:${spring.datasource.url}}") String url,
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
    public void grown(UUID jobId, int sequence) {
        boolean first;
        synchronized (toTell) {
            first = toTell.isEmpty();
            toTell.merge(jobId, sequence, Math::max);
        }
        if (first) {
            tellIn(TOGETHER_MILLIS);
        }
    }

    private void tellIn(long millis) {
        try {
            teller.schedule(this::tellGrown, millis, TimeUnit.MILLISECONDS);
        } catch (RejectedExecutionException e) {
            LOG.debug("The server ends");
        }
    }

    /** Everything that has grown since, in one transaction; what cannot be told is told later. */
    private void tellGrown() {
        Map<UUID, Integer> grown;
        synchronized (toTell) {
            grown = Map.copyOf(toTell);
            toTell.clear();
        }
        try {
            jdbc.sql("select pg_notify(:channel, text) from unnest(:texts) text")
                    .param("channel", ENTRIES)
                    .param(
                            "texts",
                            grown.entrySet().stream()
                                    .map(job -> job.getKey() + " " + job.getValue())
                                    .toArray(String[]::new))
                    .query((row, n) -> n)
                    .list();
        } catch (DataAccessException e) {
            LOG.warn("Entries are announced later: {}", e.getMessage());
            synchronized (toTell) {
                grown.forEach((jobId, sequence) -> toTell.merge(jobId, sequence, Math::max));
            }
            tellIn(WAIT_MILLIS);
        }
    }

    private static Thread teller(Runnable work) {
        Thread thread = new Thread(work, "log-teller");
        thread.setDaemon(true);
        return thread;
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
        teller.shutdownNow();
        thread.interrupt();
    }
}
