package overturn.app.support;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Job files as another workshop would have written them: nothing of them has an id that is here. */
public final class ForeignFile {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static final Pattern UUIDS = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");

    private ForeignFile() {}

    /** The file of a job that is here. */
    public static ObjectNode of(ApiClient api, String jobId) {
        return anew(api.get("/api/jobs/" + jobId + "/file").raw().body());
    }

    /** The same file with other ids. */
    public static ObjectNode anew(String file) {
        JsonNode tree = JSON.readTree(file);
        Map<String, String> ids = new HashMap<>();
        UnaryOperator<String> other =
                id -> ids.computeIfAbsent(id, any -> UUID.randomUUID().toString());
        List<String> all = new ArrayList<>(
                List.of(tree.get("id").asString(), tree.get("vehicle").get("id").asString()));
        tree.get("entries").forEach(e -> all.add(e.get("id").asString()));
        tree.get("vehicle").get("facts").forEach(f -> all.add(f.get("id").asString()));
        Set<String> own = new HashSet<>(all);
        return (ObjectNode) JSON.readTree(UUIDS.matcher(file)
                .replaceAll(found -> own.contains(found.group()) ? other.apply(found.group()) : found.group()));
    }

    /** A job with an entry of every kind, released until the next day. */
    public static ObjectNode ofEveryKind(ApiClient api) {
        String id = api.openJob("Tarn of every kind", "sinks", "primary-piston-cup");
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id).done(1);
        taken(
                flow,
                "walks",
                Map.of("spots", List.of(Map.of("componentId", "master", "state", "damp")), "restDry", false));
        taken(flow, "set-aside", Map.of("procedureId", "spout", "why", "no lamp here"));
        taken(flow, "readings", ApiClient.freePlay("4,5", "mm"));
        taken(
                flow,
                "readings",
                Map.of(
                        "procedureId",
                        "port-plugs",
                        "figures",
                        List.of(Map.of("id", "travel", "text", "12", "unit", "mm")),
                        "rigCheck",
                        "sound"));
        JsonNode job = flow.now();
        taken(
                flow,
                "take-off",
                Map.of(
                        "items",
                        job.get("status")
                                .get("onOffMoved")
                                .valueStream()
                                .map(JsonNode::asString)
                                .toList()));
        taken(flow, "notes", Map.of("text", "from the bench", "calculatorId", "travel", "inputs", List.of()));
        taken(flow, "photos", Map.of("image", picture("jpg"), "caption", "a wet boot"));
        String reading = flow.now()
                .get("entries")
                .valueStream()
                .filter(e -> "reading-taken".equals(e.get("kind").asString()))
                .reduce((first, last) -> last)
                .orElseThrow()
                .get("id")
                .asString();
        taken(
                flow,
                "traces",
                Map.of(
                        "readingId",
                        reading,
                        "instrument",
                        "Logger",
                        "unit",
                        "mm",
                        "fromSeconds",
                        -1,
                        "stepSeconds",
                        0.5,
                        "values",
                        List.of(0, 4.5, 30, 31)));
        taken(flow, "parts", Map.of("part", "master", "state", "ordered", "note", "from the mainland"));
        JsonNode entries = flow.now().get("entries");
        taken(flow, "strikes", Map.of("struckId", entries.get(1).get("id").asString(), "why", "told wrong"));
        flow.accept();
        taken(flow, "bleeding", Map.of("bleedMethod", "wedged", "bleedOrder", "nearest-first"));
        flow.releaseConditionally();
        return of(api, id);
    }

    private static void taken(RepairFlow flow, String what, Map<String, Object> fields) {
        ApiClient.Answer answer = flow.post(what, fields);
        assertEquals(200, answer.status(), () -> what + ": " + answer.raw().body());
    }

    /** A small picture in a format of this Java, in base64. */
    public static String picture(String format) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(new BufferedImage(3, 2, BufferedImage.TYPE_INT_RGB), format, out);
            return Base64.getEncoder().encodeToString(out.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
