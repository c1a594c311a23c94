package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.ForeignFile;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A file with an entry of every kind, spoilt in every field in turn: what is refused leaves nothing behind, and what is
 * taken can be opened, printed and taken along again. A bounded number here; {@code ./overturn attack} tries all.
 */
@ExtendWith(OverturnServer.class)
class HostileFilesTest {

    private static final int FILES = Integer.getInteger("hostile.files", 25);
    private static final long SEED = Long.getLong("hostile.seed", 20261129);
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final List<JsonNode> SPOILT = List.of(
            NODES.nullNode(),
            NODES.stringNode(""),
            NODES.stringNode("\u0001\u001b"),
            NODES.stringNode("x".repeat(100_000)),
            NODES.stringNode("+999999999-01-01T00:00:00Z"),
            NODES.stringNode("2199-01-01T00:00:00Z"),
            NODES.stringNode("never heard of"),
            NODES.numberNode(-1),
            NODES.numberNode(1e308),
            NODES.numberNode(new BigInteger("9".repeat(60))),
            NODES.booleanNode(true),
            NODES.arrayNode().add(NODES.nullNode()),
            NODES.objectNode());

    private static String text;
    private ApiClient api;

    /** A place in the file, and what is done there. */
    private record Spoiling(String told, Runnable act) {}

    @BeforeEach
    void written(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        if (text == null) {
            text = ForeignFile.ofEveryKind(api).toString();
        }
    }

    private static void places(JsonNode node, String at, List<Spoiling> all) {
        if (node instanceof ObjectNode object) {
            for (String name : new ArrayList<>(object.propertyNames())) {
                String here = at + "/" + name;
                all.add(new Spoiling(here + " is gone", () -> object.remove(name)));
                SPOILT.forEach(value -> all.add(new Spoiling(
                        here + " = "
                                + value.toString()
                                        .substring(
                                                0, Math.min(40, value.toString().length())),
                        () -> object.set(name, value))));
                places(object.get(name), here, all);
            }
            all.add(new Spoiling(at + " knows more", () -> object.put("unheardOf", 1)));
        } else if (node instanceof ArrayNode array) {
            for (int i = 0; i < array.size(); i++) {
                places(array.get(i), at + "/" + i, all);
            }
            all.add(new Spoiling(at + " holds null", () -> array.add(NODES.nullNode())));
        }
    }

    /** One entry left out, or another one struck, a strike and a struck entry among them; sequences are mended. */
    private static void orders(ObjectNode file, List<Spoiling> all) {
        ArrayNode entries = (ArrayNode) file.get("entries");
        for (int i = 1; i < entries.size(); i++) {
            int at = i;
            all.add(new Spoiling("without entry " + at, () -> {
                entries.remove(at);
                for (int k = at; k < entries.size(); k++) {
                    ((ObjectNode) entries.get(k)).put("sequence", k + 1);
                }
            }));
            all.add(new Spoiling(
                    "entry " + at + " is struck",
                    () -> strike(entries, entries.get(at).get("id").asString())));
        }
        all.add(new Spoiling("a strike strikes itself", () -> {
            strike(entries, entries.get(1).get("id").asString());
            ObjectNode last = (ObjectNode) entries.get(entries.size() - 1);
            ((ObjectNode) last.get("body")).put("struckId", last.get("id").asString());
        }));
    }

    private static void strike(ArrayNode entries, String id) {
        ObjectNode strike = (ObjectNode) entries.get(entries.size() - 1).deepCopy();
        strike.put("id", UUID.randomUUID().toString());
        strike.put("sequence", entries.size() + 1);
        strike.put("kind", "entry-struck");
        strike.put("bodyVersion", 1);
        strike.putObject("body").put("struckId", id).put("why", "not so");
        entries.add(strike);
    }

    /** Only the spoilings of one file are of that file, so that they are made anew for each. */
    private static List<Spoiling> spoilings(ObjectNode file) {
        List<Spoiling> all = new ArrayList<>();
        file.propertyNames().stream()
                .filter(name -> !name.equals("layout"))
                .toList()
                .forEach(name -> {
                    places(file.get(name), "/" + name, all);
                });
        orders(file, all);
        return all;
    }

    @Test
    void whatIsTakenCanBeOpenedAndWhatIsRefusedLeavesNothing(OverturnServer.Running server) {
        JdbcClient jdbc = server.context().getBean(JdbcClient.class);
        int possible = spoilings(ForeignFile.anew(text)).size();
        List<Integer> order = new ArrayList<>(
                java.util.stream.IntStream.range(0, possible).boxed().toList());
        Collections.shuffle(order, new Random(SEED));
        Map<Integer, Integer> statuses = new TreeMap<>();
        List<String> faults = new ArrayList<>();
        for (int which : order.subList(0, Math.min(FILES, possible))) { // the number of a value is its place in SPOILT
            ObjectNode file = ForeignFile.anew(text);
            String id = file.get("id").asString();
            Spoiling spoiling = spoilings(file).get(which);
            spoiling.act().run();
            Answer answer = api.post("/api/job-files", file);
            statuses.merge(answer.status(), 1, Integer::sum);
            if (answer.status() == 201) {
                opens(answer.body().get("id").asString(), spoiling.told(), faults);
            } else if (answer.status() != 422 && answer.status() != 400 && answer.status() != 413) {
                faults.add(spoiling.told() + ": " + answer.raw().body());
            } else if (!jdbc.sql("select 1 from job where id::text = :id")
                    .param("id", id)
                    .query()
                    .listOfRows()
                    .isEmpty()) {
                faults.add(spoiling.told() + " was refused and written");
            }
        }
        System.out.printf(
                "%d of %d spoilt job files, seed %d: %s%n", Math.min(FILES, possible), possible, SEED, statuses);
        assertEquals(List.of(), faults.stream().limit(5).toList());
        assertTrue(statuses.containsKey(422) && statuses.containsKey(201), "some are refused, some taken: " + statuses);
    }

    private void opens(String id, String told, List<String> faults) {
        for (String view : List.of("", "/file", "/readings.csv")) {
            Answer answer = api.get("/api/jobs/" + id + view);
            if (answer.status() != 200) {
                faults.add(told + ": GET " + view + " " + answer.status());
            }
        }
        if (api.bytes("/api/jobs/" + id + "/report").statusCode() != 200) {
            faults.add(told + ": no report");
        }
        Answer again = api.post("/api/job-files", ForeignFile.of(api, id));
        if (again.status() != 201) {
            faults.add(told + ": cannot be taken along again: " + again.raw().body());
        }
    }

    @Test
    void aFileOfOpeningVerdictAndReleaseIsNotReleased() {
        ObjectNode file = ForeignFile.anew(text);
        ArrayNode entries = (ArrayNode) file.get("entries");
        for (int i = entries.size() - 1; i > 0; i--) {
            if (!List.of("verdict-accepted", "job-released")
                    .contains(entries.get(i).get("kind").asString())) {
                entries.remove(i);
            }
        }
        file.putArray("attachments");
        for (int i = 0; i < entries.size(); i++) {
            ((ObjectNode) entries.get(i)).put("sequence", i + 1);
        }
        assertEquals(3, entries.size());
        Answer taken = api.post("/api/job-files", file);
        assertEquals(201, taken.status(), taken.raw().body());
        assertEquals("accepted", taken.body().get("stage").asString());
    }

    @Test
    void whoComesInAFileIsNobodyOfThisWorkshop() {
        ObjectNode file = ForeignFile.anew(text);
        file.putArray("people")
                .addObject()
                .put("id", "tobias-renn")
                .put("name", "Tobias Renn")
                .put("role", "elsewhere");
        ((ArrayNode) file.get("people"))
                .addObject()
                .put("id", "marit-osei")
                .put("name", "Marit Osei")
                .put("role", "lead");
        Answer taken = api.post("/api/job-files", file);
        assertEquals(201, taken.status(), taken.raw().body());
        taken.body()
                .get("entries")
                .forEach(e -> assertTrue(e.get("personId").asString().startsWith("elsewhere-")));
    }

    @Test
    void aFileOfMillionsOfGapsOrThousandsOfEntriesIsRefusedAtOnce() {
        String gaps = text.replaceFirst("\"facts\":\\[\\]", "\"facts\":[" + "{},".repeat(3_000_000) + "{}]");
        assertEquals(422, api.postText("/api/job-files", gaps).status());
        ObjectNode file = ForeignFile.anew(text);
        ArrayNode entries = (ArrayNode) file.get("entries");
        JsonNode reading = entries.valueStream()
                .filter(e -> e.get("kind").asString().equals("reading-taken"))
                .findFirst()
                .orElseThrow();
        while (entries.size() < 1_000) {
            ObjectNode more = (ObjectNode) reading.deepCopy();
            more.put("id", UUID.randomUUID().toString()).put("sequence", entries.size() + 1);
            entries.add(more);
        }
        api.post("/api/job-files", file).assertRefused(422, "input-not-allowed");
    }
}
