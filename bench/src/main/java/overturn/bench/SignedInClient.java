package overturn.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;

/** A client of a running server, signed in as the lead of the demo. */
final class SignedInClient {

    private static final Duration CONNECTS_WITHIN = Duration.ofSeconds(10);

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .connectTimeout(CONNECTS_WITHIN)
            .build();

    /**
     * @param address of the server
     * @throws IllegalStateException if the password of the demo, in DEMO_PASSWORD, does not fit
     */
    SignedInClient(String address) throws IOException, InterruptedException {
        URI session = URI.create(address + "/api/session");
        send(HttpRequest.newBuilder(session));
        HttpResponse<String> answer = send(HttpRequest.newBuilder(session)
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString("{\"name\":\"ines-quill\",\"password\":\"%s\"}"
                        .formatted(System.getenv().getOrDefault("DEMO_PASSWORD", "")))));
        if (answer.statusCode() != 200) {
            throw new IllegalStateException("Not signed in: " + answer.body());
        }
    }

    HttpResponse<String> send(HttpRequest.Builder request) throws IOException, InterruptedException {
        return send(request, BodyHandlers.ofString());
    }

    /** Sends a request whose answer is taken in another way. */
    <T> HttpResponse<T> send(HttpRequest.Builder request, HttpResponse.BodyHandler<T> body)
            throws IOException, InterruptedException {
        return http.send(proven(request), body);
    }

    /** The same without waiting for its answer. */
    <T> CompletableFuture<HttpResponse<T>> sendAsync(HttpRequest.Builder request, HttpResponse.BodyHandler<T> body) {
        return http.sendAsync(proven(request), body);
    }

    private HttpRequest proven(HttpRequest.Builder request) {
        cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .forEach(token -> request.setHeader("X-XSRF-TOKEN", token));
        return request.build();
    }
}
