package overturn.app.support;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import overturn.app.support.ApiClient.Answer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A device that keeps its cookies as a browser does, and proves that its requests come from the server's own pages. */
public final class Device {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private final String address;
    private final Map<String, String> cookies = new ConcurrentHashMap<>();

    /** A device that has opened the first page. */
    public Device(String address) {
        this.address = address;
        get("/api/session");
    }

    public Map<String, String> cookies() {
        return cookies;
    }

    public Answer get(String path) {
        return send(request(path).GET());
    }

    public Answer post(String path, Object body, String... headers) {
        return send(
                request(path)
                        .header("Content-Type", "application/json")
                        .POST(BodyPublishers.ofString(ApiClient.json(body))),
                headers);
    }

    public Answer put(String path, Object body) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .PUT(BodyPublishers.ofString(ApiClient.json(body))));
    }

    public Answer delete(String path) {
        return send(request(path).DELETE());
    }

    /** Signs in by password and returns what the session says. */
    public JsonNode signIn(String name) {
        Answer answer = post("/api/session", Map.of("name", name, "password", ApiClient.PASSWORD));
        assertEquals(200, answer.status(), answer.raw().body());
        return answer.body();
    }

    /** Has a request come from this device. */
    public void sign(HttpRequest.Builder request) {
        request.setHeader("Cookie", header());
        if (cookies.containsKey("XSRF-TOKEN")) {
            request.setHeader("X-XSRF-TOKEN", cookies.get("XSRF-TOKEN"));
        }
    }

    public String header() {
        return cookies.entrySet().stream()
                .map(cookie -> cookie.getKey() + "=" + cookie.getValue())
                .collect(Collectors.joining("; "));
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path));
    }

    private Answer send(HttpRequest.Builder request, String... headers) {
        if (!cookies.isEmpty()) {
            sign(request);
        }
        for (int i = 0; i < headers.length; i += 2) {
            request.setHeader(headers[i], headers[i + 1]);
        }
        Answer answer = answered(request.build());
        answer.raw().headers().allValues("Set-Cookie").stream()
                .map(cookie -> cookie.split(";")[0].split("=", 2))
                .forEach(pair -> cookies.put(pair[0], pair[1]));
        return answer;
    }

    static Answer answered(HttpRequest request) {
        try {
            HttpResponse<String> raw = HTTP.send(request, HttpResponse.BodyHandlers.ofString());
            boolean json = raw.headers().firstValue("Content-Type").orElse("").contains("json");
            return new Answer(raw.statusCode(), json ? MAPPER.readTree(raw.body()) : MAPPER.nullNode(), raw);
        } catch (IOException e) {
            throw new IllegalStateException("No answer from " + request.uri(), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
