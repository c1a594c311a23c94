package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;

/** Who is let in, and what the pages may do. */
@ExtendWith(OverturnServer.class)
class DoorTest {

    @Test
    void pagesMayRunOnlyTheirOwnScripts(OverturnServer.Running server) {
        ApiClient.Answer page = new ApiClient(server.address()).get("/");
        String policy =
                page.raw().headers().firstValue("Content-Security-Policy").orElse("");
        assertEquals(200, page.status());
        assertTrue(policy.contains("default-src 'none'") && policy.contains("script-src 'self';"), policy);
        assertFalse(page.raw().body().contains("<script>"), "no inline script");
        assertEquals(
                "nosniff",
                page.raw().headers().firstValue("X-Content-Type-Options").orElse(""));
    }

    @Test
    void writesFromAnotherOriginAreRefused(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        assertEquals(
                403,
                api.postText("/api/jobs", "{}", "Origin", "http://elsewhere.invalid")
                        .status());
        assertEquals(403, api.postText("/api/jobs", "{}", "Origin", "null").status());
        assertEquals(
                422, api.postText("/api/jobs", "{}", "Origin", server.address()).status(), "its own pages are heard");
    }

    @Test
    void aForeignHostNameIsRefused(OverturnServer.Running server) throws IOException {
        URI address = URI.create(server.address());
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            socket.getOutputStream()
                    .write("GET /api/jobs HTTP/1.1\r\nHost: workshop.invalid\r\nConnection: close\r\n\r\n"
                            .getBytes(StandardCharsets.US_ASCII));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertTrue(answer.startsWith("HTTP/1.1 403"), answer);
        }
    }

    @Test
    void unknownAddressesOfTheApiAnswerInItsOwnForm(OverturnServer.Running server) {
        ApiClient.Answer answer = new ApiClient(server.address()).get("/api/nothing");
        assertEquals(404, answer.status());
        assertTrue(answer.raw().headers().firstValue("Content-Type").orElse("").startsWith("application/problem+json"));
    }
}
