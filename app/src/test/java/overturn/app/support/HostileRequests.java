package overturn.app.support;

import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Supplier;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Requests made by chance from the description of the API: every path and method, bodies that would fit and are then
 * spoiled in one to four places, addresses, content types and sizes that no page would send. The same seed gives the
 * same requests.
 */
public final class HostileRequests {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    /**
     * Beyond some two megabytes the container cuts the connection in the middle of the body, so that its answer may not
     * be read.
     */
    private static final int MOST_CHARACTERS = 1_000_000;
    /** Its answer never ends. */
    private static final String STREAM = "/api/events";

    private static final List<String> METHODS = List.of("GET", "POST", "PUT", "DELETE", "PATCH", "OPTIONS", "HEAD");
    private static final List<String> TYPES = List.of(
            "application/json",
            "application/json",
            "application/json",
            "application/json",
            "application/json;charset=utf-8",
            "text/plain",
            "application/xml",
            "application/",
            "application/json;charset=utf-16",
            "application/x-www-form-urlencoded",
            "multipart/form-data; boundary=x",
            "*/*",
            ";");
    private static final List<String> PIECES = List.of(
            "",
            " ",
            "%00",
            "%ED%A0%80",
            "..",
            "%2e%2e%2f",
            "%",
            "null",
            "-1",
            "1e9",
            "%F0%9F%94%A6",
            "'",
            "%22",
            "%5C",
            "a".repeat(900),
            "%0A",
            "tarn-box-van",
            "free-play",
            "reservoir",
            "travel",
            "open",
            "closed",
            "2026-11-27T00%3A00%3A00Z_x");

    private final SplittableRandom random;
    private final String address;
    private final JsonNode description;
    private final String layout;
    private final List<Operation> operations = new ArrayList<>();
    private final List<String> jobIds;
    private final Consumer<HttpRequest.Builder> signedIn;

    private record Operation(String path, String method, JsonNode body, JsonNode parameters) {}

    /** A request and what it is, for whoever has to look into it. */
    public record Hostile(HttpRequest request, String told) {}

    /**
     * Requests against a server.
     *
     * @param description of the API (OpenAPI)
     * @param layout a sound layout file, to be spoiled
     * @param jobIds jobs that the addresses may name
     * @param signedIn has a request come from somebody who is signed in
     */
    public HostileRequests(
            long seed,
            String address,
            JsonNode description,
            String layout,
            List<String> jobIds,
            Consumer<HttpRequest.Builder> signedIn) {
        this.signedIn = signedIn;
        this.random = new SplittableRandom(seed);
        this.address = address;
        this.description = description;
        this.layout = layout;
        this.jobIds = List.copyOf(jobIds);
        description.get("paths").properties().stream()
                .filter(path -> !path.getKey().equals(STREAM))
                .forEach(path -> path.getValue()
                        .properties()
                        .forEach(method -> operations.add(new Operation(
                                path.getKey(),
                                method.getKey().toUpperCase(java.util.Locale.ROOT),
                                method.getValue()
                                        .path("requestBody")
                                        .path("content")
                                        .path("application/json")
                                        .path("schema"),
                                method.getValue().path("parameters")))));
    }

    /** How many operations there are. */
    public int operations() {
        return operations.size();
    }

    /** The next request; every operation comes in turn. */
    public Hostile next(int number) {
        while (true) {
            Operation operation = operations.get(number % operations.size());
            String target = address + path(operation) + query(operation);
            try {
                String body = body(operation);
                HttpRequest.Builder request =
                        HttpRequest.newBuilder(URI.create(target)).timeout(java.time.Duration.ofSeconds(30));
                signedIn.accept(request);
                String method = chance(20) ? pick(METHODS) : operation.method;
                String type = chance(8) ? pick(TYPES) : "application/json";
                if (!type.isEmpty()) {
                    request.header("Content-Type", type);
                }
                if (chance(15)) {
                    request.header("Accept", pick(TYPES));
                }
                request.method(
                        method,
                        method.equals("GET") || method.equals("HEAD") ? BodyPublishers.noBody() : publisher(body));
                return new Hostile(
                        request.build(),
                        method + " " + target + " " + type + " "
                                + (body.length() > 2000 ? body.substring(0, 2000) + "…" : body));
            } catch (IllegalArgumentException notARequest) {
                number = random.nextInt(operations.size());
            }
        }
    }

    private HttpRequest.BodyPublisher publisher(String body) {
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        if (chance(60) && bytes.length > 0) {
            bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
        }
        byte[] sent = bytes;
        return chance(30)
                ? BodyPublishers.fromPublisher(BodyPublishers.ofByteArray(sent))
                : BodyPublishers.ofByteArray(sent);
    }

    private boolean chance(int oneIn) {
        return random.nextInt(oneIn) == 0;
    }

    private <T> T pick(List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    private String path(Operation operation) {
        StringBuilder path = new StringBuilder();
        for (String part : operation.path.substring(1).split("/")) {
            path.append('/')
                    .append(
                            !part.startsWith("{")
                                    ? part
                                    : part.equals("{id}") && operation.path.startsWith("/api/jobs") && !chance(6)
                                            ? pick(jobIds)
                                            : pick(PIECES));
        }
        return path.toString();
    }

    private String query(Operation operation) {
        StringBuilder query = new StringBuilder();
        operation.parameters.forEach(parameter -> {
            if (parameter.path("in").asString("").equals("query") && !chance(3)) {
                query.append(query.isEmpty() ? "?" : "&")
                        .append(parameter.get("name").asString())
                        .append('=')
                        .append(
                                chance(3)
                                        ? pick(PIECES)
                                        : URLEncoder.encode(
                                                pick(List.of("juno-vale", "tarn-box-van", "open", "5", "van")),
                                                StandardCharsets.UTF_8));
            }
        });
        return query.toString();
    }

    private String body(Operation operation) {
        if (operation.method.equals("GET")) {
            return "";
        }
        if (chance(40)) {
            return pick(List.of(
                    "",
                    "null",
                    "[]",
                    "{",
                    "\"x\"",
                    "1e999",
                    "[".repeat(3_000),
                    "{\"a\":".repeat(600),
                    "x".repeat(70_000),
                    "\u0000"));
        }
        JsonNode sound = operation.path.startsWith("/api/layouts") && !operation.path.contains("withdrawal")
                ? MAPPER.readTree(layout)
                : made(operation.body, "");
        for (int i = random.nextInt(4); i >= 0; i--) {
            sound = spoiled(sound);
        }
        String text = MAPPER.writeValueAsString(sound);
        return text.length() <= MOST_CHARACTERS ? text : text.substring(0, MOST_CHARACTERS);
    }

    /** A value that fits a schema, with ids and words that the server knows. */
    private JsonNode made(JsonNode schema, String name) {
        JsonNode own = schema.has("$ref")
                ? description.at(schema.get("$ref").asString().substring(1))
                : schema;
        switch (own.path("type").asString("object")) {
            case "object": {
                ObjectNode made = NODES.objectNode();
                own.path("properties").properties().forEach(p -> made.set(p.getKey(), made(p.getValue(), p.getKey())));
                return made;
            }
            case "array": {
                ArrayNode made = NODES.arrayNode();
                for (int i = random.nextInt(3); i > 0; i--) {
                    made.add(made(own.get("items"), name));
                }
                return made;
            }
            case "integer":
                return NODES.numberNode(pick(List.of(0, 1, 2, 3)));
            case "number":
                return NODES.numberNode(12.5);
            case "boolean":
                return NODES.booleanNode(random.nextBoolean());
            default:
                return NODES.stringNode(known(name));
        }
    }

    private String known(String name) {
        Map<String, Supplier<String>> words = Map.of(
                "personId",
                () -> "juno-vale",
                "layoutId",
                () -> "tarn-box-van",
                "procedureId",
                () -> pick(List.of("free-play", "reservoir", "dry-walk", "port-plugs")),
                "unit",
                () -> "mm",
                "rigCheck",
                () -> "sound",
                "behaviour",
                () -> "sinks",
                "hunchId",
                () -> "primary-piston-cup",
                "calculatorId",
                () -> "travel",
                "id",
                () -> pick(List.of("play", "travel", "force")),
                "text",
                () -> pick(List.of("4", "15/16", "12,5")));
        return words.getOrDefault(
                        name,
                        () -> name.endsWith("Id") ? new UUID(random.nextLong(), random.nextLong()).toString() : "word")
                .get();
    }

    private JsonNode spoiled(JsonNode sound) {
        List<Runnable> places = new ArrayList<>();
        collect(sound, places);
        if (places.isEmpty()) {
            return hostile();
        }
        pick(places).run();
        return sound;
    }

    private void collect(JsonNode node, List<Runnable> places) {
        if (node instanceof ObjectNode object) {
            new ArrayList<>(object.properties()).forEach(p -> {
                places.add(() -> object.set(p.getKey(), hostile()));
                places.add(() -> object.set(p.getKey(), hostile()));
                places.add(() -> object.remove(p.getKey()));
                collect(p.getValue(), places);
            });
            places.add(() -> object.set(pick(List.of("unheardOf", "\u0000", "\uD800", "__proto__")), hostile()));
        } else if (node instanceof ArrayNode array) {
            places.add(() -> array.add(hostile()));
            places.add(() -> {
                JsonNode one = array.isEmpty() ? hostile() : array.get(0);
                for (int i = 0; i < 400; i++) {
                    array.add(one.deepCopy());
                }
            });
            for (int i = 0; i < array.size(); i++) {
                int at = i;
                places.add(() -> array.set(at, hostile()));
                collect(array.get(i), places);
            }
        }
    }

    private JsonNode hostile() {
        return switch (random.nextInt(24)) {
            case 0 -> NODES.nullNode();
            case 1 -> NODES.stringNode("\u0000");
            case 2 -> NODES.stringNode("x\uD800");
            case 3 -> NODES.stringNode("\uDC00");
            case 4 -> NODES.stringNode(" ".repeat(20_000));
            case 5 -> NODES.stringNode("1" + " ".repeat(20_000) + "x");
            case 6 -> NODES.stringNode("9".repeat(5_000));
            case 7 -> NODES.numberNode(1e308);
            case 8 -> NODES.numberNode(-1e308);
            case 9 -> NODES.numberNode(Long.MIN_VALUE);
            case 10 -> NODES.numberNode(new java.math.BigInteger("9".repeat(400)));
            case 11 -> NODES.numberNode(0);
            case 12 -> NODES.numberNode(-1);
            case 13 -> NODES.numberNode(2.7);
            case 14 -> NODES.arrayNode();
            case 15 -> NODES.arrayNode().add(NODES.nullNode());
            case 16 -> NODES.objectNode();
            case 17 -> NODES.booleanNode(true);
            case 18 -> NODES.stringNode("");
            case 19 -> NODES.stringNode("'; drop table log_entry; --");
            case 20 -> NODES.stringNode("<script>alert(1)</script>");
            case 21 -> NODES.stringNode("1e400");
            case 22 -> NODES.stringNode("٣ mm");
            default -> NODES.stringNode(jobIds.get(0));
        };
    }
}
