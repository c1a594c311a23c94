package overturn.app.config;

import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.apache.coyote.Constants;
import org.apache.coyote.Processor;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.coyote.http11.Http11Processor;
import org.apache.tomcat.util.net.AbstractEndpoint.Handler.SocketState;
import org.apache.tomcat.util.net.SocketWrapperBase;

/**
 * HTTP/1.1 whose requests have to come in within a time. The container itself only limits the pause between two bytes,
 * so that one byte at a time keeps a connection for hours. What a request takes while it is answered, or told events,
 * does not count; a body has a time of its own ({@link BodyLimitFilter}).
 */
public final class TimedHttp11Protocol extends Http11NioProtocol {

    /**
     * Time from the first byte, a blank line included, to the end of the headers, or to the end of a body that was
     * refused, s.
     */
    static final int MOST_SECONDS = 15;
    /** Pause between two bytes, and from a connection to its first byte, ms. */
    private static final int MOST_PAUSE_MILLIS = 10_000;
    /** Open connections; a workshop has some dozens. */
    private static final int MOST_CONNECTIONS = 1000;

    private static final int LOOK_EVERY_SECONDS = 2;

    private final Map<SocketWrapperBase<?>, Coming> coming = new ConcurrentHashMap<>();
    private final ScheduledExecutorService watch =
            Executors.newSingleThreadScheduledExecutor(TimedHttp11Protocol::thread);

    /** Made by the container, by name. */
    public TimedHttp11Protocol() {
        setConnectionTimeout(MOST_PAUSE_MILLIS);
        setMaxConnections(MOST_CONNECTIONS);
    }

    /** A request that is not answered yet, since when, and who reads it. */
    private record Coming(long sinceNanos, Http11Processor reader) {

        boolean late() {
            int stage = reader.getRequest().getRequestProcessor().getStage();
            boolean answering = stage == Constants.STAGE_PREPARE
                    || stage == Constants.STAGE_SERVICE
                    || stage == Constants.STAGE_ENDOUTPUT;
            return !answering
                    && !reader.isAsync()
                    && System.nanoTime() - sinceNanos > TimeUnit.SECONDS.toNanos(MOST_SECONDS);
        }
    }

    private static Thread thread(Runnable work) {
        Thread thread = new Thread(work, "slow-requests");
        thread.setDaemon(true);
        return thread;
    }

    @Override
    protected Processor createProcessor() {
        return new Http11Processor(this, adapter) {
            @Override
            public SocketState service(SocketWrapperBase<?> connection) throws IOException {
                coming.merge(
                        connection,
                        new Coming(System.nanoTime(), this),
                        (before, now) -> new Coming(before.sinceNanos, this));
                int answered = getRequest().getRequestProcessor().getRequestCount();
                SocketState state = SocketState.CLOSED;
                try {
                    state = super.service(connection);
                    return state;
                } finally {
                    boolean unanswered = getRequest().getRequestProcessor().getRequestCount() == answered;
                    if (!unanswered || state == SocketState.CLOSED) {
                        coming.remove(connection);
                    }
                }
            }
        };
    }

    @Override
    public void start() throws Exception {
        super.start();
        watch.scheduleWithFixedDelay(this::closeLate, LOOK_EVERY_SECONDS, LOOK_EVERY_SECONDS, TimeUnit.SECONDS);
    }

    @Override
    public void stop() throws Exception {
        watch.shutdownNow();
        super.stop();
    }

    private void closeLate() {
        coming.forEach((connection, request) -> {
            if (connection.isClosed() || request.late()) {
                coming.remove(connection);
                connection.close();
            }
        });
    }
}
