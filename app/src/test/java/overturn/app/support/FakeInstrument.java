package overturn.app.support;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.concurrent.Executors;
import java.util.function.DoubleFunction;
import java.util.function.IntFunction;

/** An instrument whose clock runs faster than ours, so that a hold of a minute takes seconds. */
public final class FakeInstrument implements AutoCloseable {

    private static final int LINES_PER_SECOND = 50;

    private final HttpServer server;

    /** @param line what it says each time, by number; null to say nothing more */
    public FakeInstrument(IntFunction<String> line) throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.setExecutor(Executors.newCachedThreadPool());
        server.createContext("/stream", exchange -> {
            exchange.sendResponseHeaders(200, 0);
            try (OutputStream out = exchange.getResponseBody()) {
                for (int n = 0; line.apply(n) != null; n++) {
                    out.write((line.apply(n) + "\n").getBytes(StandardCharsets.UTF_8));
                    out.flush();
                    Thread.sleep(1000 / LINES_PER_SECOND);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        server.start();
    }

    /**
     * One that shows a figure against its own clock.
     *
     * @param fast how many of its seconds pass in one of ours
     * @param value by its clock; null where it has dropped out
     */
    public static FakeInstrument showing(double fast, DoubleFunction<Double> value) throws IOException {
        return new FakeInstrument(n -> {
            double seconds = n * fast / LINES_PER_SECOND;
            Double shown = value.apply(seconds);
            return shown == null
                    ? String.format(Locale.ROOT, "{\"seconds\":%.2f}", seconds)
                    : String.format(Locale.ROOT, "{\"seconds\":%.2f,\"value\":%.2f}", seconds, shown);
        });
    }

    public int port() {
        return server.getAddress().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
