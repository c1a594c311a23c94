package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;

/** Whoever sends one byte at a time is shut out, and nobody else waits for it. */
@ExtendWith(OverturnServer.class)
class SlowRequestsTest {

    private static final String HOST = "Host: 127.0.0.1\r\n";
    private static final List<String> BEGINNINGS = List.of(
            "G",
            "GET / HTTP/1.1\r\n" + HOST + "X",
            "\r\n",
            "POST /api/jobs HTTP/1.1\r\n" + HOST + "Content-Type: application/json\r\nContent-Length: 500\r\n\r\n{");
    private static final Duration LONGEST = Duration.ofSeconds(45);

    /** Sends a beginning, then a byte every second, until the server closes; returns how that ended. */
    private static boolean shutOut(String address, String beginning) {
        URI uri = URI.create(address);
        try (Socket socket = new Socket(uri.getHost(), uri.getPort())) {
            socket.setSoTimeout(1_000);
            socket.getOutputStream().write(beginning.getBytes(StandardCharsets.UTF_8));
            for (Instant end = Instant.now().plus(LONGEST); Instant.now().isBefore(end); ) {
                try {
                    if (socket.getInputStream().read() < 0) {
                        return true;
                    }
                } catch (SocketTimeoutException stillOpen) {
                    socket.getOutputStream()
                            .write(
                                    beginning.equals("\r\n")
                                            ? "\r\n".getBytes(StandardCharsets.UTF_8)
                                            : new byte[] {' '});
                }
            }
            return false;
        } catch (IOException closed) {
            return true;
        }
    }

    @Test
    void headersBlankLinesAndBodiesHaveTheirTimeAndOthersAreServedMeanwhile(OverturnServer.Running server)
            throws InterruptedException {
        ExecutorService threads = Executors.newFixedThreadPool(10 * BEGINNINGS.size());
        try {
            List<CompletableFuture<Boolean>> slow = new ArrayList<>();
            for (int i = 0; i < 10; i++) {
                BEGINNINGS.forEach(beginning ->
                        slow.add(CompletableFuture.supplyAsync(() -> shutOut(server.address(), beginning), threads)));
            }
            ApiClient api = new ApiClient(server.address());
            while (slow.stream().anyMatch(one -> !one.isDone())) {
                assertEquals(200, api.get("/api/jobs").status());
                Thread.sleep(200);
            }
            assertTrue(slow.stream().allMatch(CompletableFuture::join));
        } finally {
            threads.shutdownNow();
        }
    }
}
