package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.app.vehicle.Vehicle;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Jobs of every family as earlier versions wrote them: this one folds each log to the same readings and opens every
 * job. The files are added to and never changed; {@code -Dgolden.write=name} writes what the database holds as a new
 * one.
 */
@ExtendWith(OverturnServer.class)
class GoldenLogTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String FOLDER = "/overturn/golden/";
    private static final List<String> FILES = List.of("2026-11-27.json", "2026-11-29.json");
    /** Jobs that went on behind their verdict. */
    private static final String SECOND_HALF = "2026-11-29.json";

    /** Kinds whose report was drawn: once each, since that takes longest. */
    private final Set<String> reported = new HashSet<>();

    private ApiClient api;
    private JdbcClient jdbc;

    @BeforeEach
    void connect(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        jdbc = server.context().getBean(JdbcClient.class);
    }

    private void insert(UUID job, List<Map<String, Object>> rows) {
        jdbc.sql("insert into job (id, log_opened_at) values (:id, now())")
                .param("id", job)
                .update();
        JsonNode opened = JSON.readTree(rows.get(0).get("body").toString());
        if (opened.has("vehicle")) {
            String name = opened.get("vehicle").asString();
            jdbc.sql("""
                            insert into vehicle (id, known_since, name, layout_id) values (:id, now(), :name, :layout)
                            on conflict (id) do nothing
                            """)
                    .param(
                            "id",
                            opened.has("vehicleId")
                                    ? UUID.fromString(opened.get("vehicleId").asString())
                                    : Vehicle.idOf(name))
                    .param("name", name)
                    .param("layout", opened.get("layoutId").asString())
                    .update();
        }
        for (Map<String, Object> row : rows) {
            jdbc.sql("""
                            insert into log_entry (id, job_id, sequence, log_entered_at, log_taken_at, person_id, kind, body_version, body)
                            values (:id, :job, :sequence, cast(:at as timestamptz), cast(:takenAt as timestamptz), 'juno-vale', :kind, :version, cast(:body as jsonb))
                            """)
                    .param("id", row.get("id"))
                    .param("job", job)
                    .param("sequence", row.get("sequence"))
                    .param("at", row.get("at"))
                    .param("takenAt", row.getOrDefault("takenAt", row.get("at")))
                    .param("kind", row.get("kind"))
                    .param("version", row.get("version"))
                    .param("body", row.get("body"))
                    .update();
        }
    }

    private static Map<String, Object> row(int sequence, String kind, int version, String body) {
        return Map.of(
                "id",
                UUID.randomUUID(),
                "sequence",
                sequence,
                "at",
                Instant.now().toString(),
                "kind",
                kind,
                "version",
                version,
                "body",
                body);
    }

    /** The entries of a golden job under ids of their own, wherever one names another. */
    private static List<Map<String, Object>> rows(JsonNode job) {
        Map<String, UUID> ids = new HashMap<>();
        job.get("entries").forEach(e -> {
            if (e.has("id")) {
                ids.put(e.get("id").asString(), UUID.randomUUID());
            }
        });
        List<Map<String, Object>> rows = new ArrayList<>();
        for (JsonNode e : job.get("entries")) {
            String body = e.get("body").toString();
            for (Map.Entry<String, UUID> id : ids.entrySet()) {
                body = body.replace(id.getKey(), id.getValue().toString());
            }
            Map<String, Object> row = new HashMap<>(row(
                    e.get("sequence").asInt(),
                    e.get("kind").asString(),
                    e.get("bodyVersion").asInt(),
                    body));
            if (e.has("id")) {
                row.put("id", ids.get(e.get("id").asString()));
                row.put("at", e.get("at").asString());
                row.put("takenAt", e.get("takenAt").asString());
            }
            rows.add(row);
        }
        return rows;
    }

    private static JsonNode golden(String file) throws IOException {
        try (InputStream in = GoldenLogTest.class.getResourceAsStream(FOLDER + file)) {
            return JSON.readTree(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    @Test
    void everyJobOfEveryEarlierVersionOpensWithTheSameReadings() throws IOException {
        for (String file : FILES) {
            JsonNode jobs = golden(file);
            assertTrue(jobs.size() >= 7, "every family");
            for (JsonNode job : jobs) {
                UUID id = UUID.randomUUID();
                insert(id, rows(job));
                ApiClient.Answer opened = api.get("/api/jobs/" + id);
                assertEquals(200, opened.status(), opened.raw().body());
                List<String> read = opened.body()
                        .get("entries")
                        .valueStream()
                        .filter(e -> e.get("understood").asBoolean()
                                && e.get("kind").asString().equals("reading-taken"))
                        .map(GoldenLogTest::told)
                        .toList();
                assertEquals(
                        job.get("readings")
                                .valueStream()
                                .map(JsonNode::asString)
                                .toList(),
                        read,
                        file + " " + job.get("layoutId"));
                assertTrue(
                        opened.body()
                                .get("entries")
                                .valueStream()
                                .allMatch(e -> e.get("understood").asBoolean()),
                        "this version understands all of it");
                if (job.has("stage")) {
                    assertEquals(
                            job.get("stage").asString(),
                            opened.body().get("stage").asString(),
                            file + " " + id);
                    assertEquals(job.get("done").asInt(), stepsDone(opened.body()), file + " " + job.get("layoutId"));
                }
            }
        }
    }

    private static int stepsDone(JsonNode job) {
        return (int) job.at("/repair/steps")
                .valueStream()
                .filter(step -> step.has("done"))
                .count();
    }

    /**
     * Every text of every kind of entry behind the verdict, put as a word that a later version does not know any more:
     * the job opens with its report, and no other entry is set apart for it.
     */
    @Test
    void aWordThatIsRetiredBehindTheVerdictBreaksNothing() throws IOException {
        Set<String> tried = new HashSet<>();
        for (JsonNode job : golden(SECOND_HALF)) {
            for (int at = 1; at < job.get("entries").size(); at++) {
                JsonNode entry = job.get("entries").get(at);
                for (String pointer : texts(entry.get("body"), "")) {
                    String field = entry.get("kind").asString() + pointer.replaceAll("/\\d+", "[]");
                    if (tried.add(field)) {
                        opensWith(job, at, pointer, field);
                    }
                }
            }
        }
        assertTrue(tried.size() > 30, tried::toString);
    }

    private void opensWith(JsonNode job, int at, String pointer, String field) {
        List<Map<String, Object>> rows = rows(job);
        JsonNode body = JSON.readTree(rows.get(at).get("body").toString());
        int slash = pointer.lastIndexOf('/');
        String name = pointer.substring(slash + 1);
        if (body.at(pointer.substring(0, slash)) instanceof ObjectNode object) {
            object.put(name, "retired-word");
        } else {
            ((ArrayNode) body.at(pointer.substring(0, slash))).set(Integer.parseInt(name), "retired-word");
        }
        rows.get(at).put("body", body.toString());
        UUID id = UUID.randomUUID();
        insert(id, rows);
        ApiClient.Answer opened = api.get("/api/jobs/" + id);
        assertEquals(200, opened.status(), field + ": " + opened.raw().body());
        if (reported.add(rows.get(at).get("kind").toString())) {
            assertEquals(200, api.bytes("/api/jobs/" + id + "/report").statusCode(), field);
        }
        List<String> lost = opened.body()
                .get("entries")
                .valueStream()
                .filter(e -> !e.get("understood").asBoolean()
                        && !e.get("id").asString().equals(rows.get(at).get("id").toString()))
                .map(e -> e.get("sequence").asString() + " " + e.get("kind").asString())
                .toList();
        assertTrue(
                lost.isEmpty() || rows.get(at).get("kind").equals("verdict-accepted"), field + " took along " + lost);
    }

    /** Where texts stand in a body. */
    private static List<String> texts(JsonNode node, String at) {
        if (node.isString()) {
            return List.of(at);
        }
        List<String> all = new ArrayList<>();
        node.properties().forEach(p -> all.addAll(texts(p.getValue(), at + "/" + p.getKey())));
        for (int i = 0; node.isArray() && i < node.size(); i++) {
            all.addAll(texts(node.get(i), at + "/" + i));
        }
        return all;
    }

    /** A reading in one line: the test, what was seen or each figure in the core's unit. */
    private static String told(JsonNode entry) {
        String figures = entry.get("figures")
                .valueStream()
                .map(f -> f.has("coreValue") ? f.get("coreValue").asString() : "-")
                .reduce((a, b) -> a + " " + b)
                .orElse("");
        return entry.get("procedureId").asString() + " "
                + (entry.has("observed") ? entry.get("observed").asString() : figures) + " "
                + entry.get("trust").asString();
    }

    @Test
    void aRetiredTestABrokenBodyAndAnEntryFromLaterBreakNeitherJobNorBay() {
        UUID job = UUID.randomUUID();
        insert(
                job,
                List.of(
                        row(
                                1,
                                "job-opened",
                                1,
                                "{\"vehicle\":\"Retired van\",\"layoutId\":\"tarn-box-van\",\"complaint\":\"sinks\",\"hunchId\":\"retired-hunch\",\"mayBeMoved\":false}"),
                        row(
                                2,
                                "reading-taken",
                                1,
                                "{\"procedureId\":\"characterise\",\"figures\":null,\"observed\":\"sinks\",\"rigSetup\":\"eye@characterise\",\"trust\":\"NORMAL\"}"),
                        row(
                                3,
                                "reading-taken",
                                2,
                                "{\"procedureId\":\"retired-test\",\"observed\":\"odd\",\"rigSetup\":\"eye\",\"trust\":\"NORMAL\"}"),
                        row(
                                4,
                                "reading-taken",
                                2,
                                "{\"procedureId\":\"reservoir\",\"observed\":\"retired-option\",\"rigSetup\":\"eye\",\"trust\":\"NORMAL\"}"),
                        row(5, "test-set-aside", 1, "{\"procedureId\":\"retired-test\",\"why\":\"no\"}"),
                        row(
                                6,
                                "verdict-accepted",
                                1,
                                "{\"remedyId\":\"retired-remedy\",\"grade\":\"PROVEN\",\"probability\":0.99,\"why\":\"\"}"),
                        row(7, "holograph-made", 1, "{\"any\":1}"),
                        row(8, "note-written", 7, "{\"text\":\"later\"}")));
        ApiClient.Answer opened = api.get("/api/jobs/" + job);
        assertEquals(200, opened.status(), opened.raw().body());
        assertEquals(
                List.of(true, true, false, false, false, false, false, false),
                opened.body()
                        .get("entries")
                        .valueStream()
                        .map(e -> e.get("understood").asBoolean())
                        .toList());
        assertEquals(1, opened.body().get("assessment").get("river").size() - 1, "they weigh nothing");
        assertEquals(200, api.get("/api/jobs").status());
        assertEquals(
                200,
                api.post("/api/jobs/" + job + "/readings", ApiClient.stamped(8, ApiClient.freePlay("4", "mm")))
                        .status(),
                "and the job goes on");
        assertEquals(
                1, api.get("/api/jobs?search=retired%20van").body().get("found").asInt());
        UUID later = UUID.randomUUID();
        insert(later, List.of(row(1, "job-opened", 9, "{}")));
        ApiClient.Answer unreadable = api.get("/api/jobs/" + later);
        assertEquals(409, unreadable.status());
        assertTrue(
                unreadable.body().get("type").asString().endsWith("job-not-readable"),
                unreadable.raw().body());
    }

    /**
     * Jobs that the other tests of this run left, as they stand in the store: with {@code -Dgolden.stages=true} one of
     * each stage behind the verdict and each circuit, else one or two of each layout.
     */
    @Test
    @EnabledIfSystemProperty(named = "golden.write", matches = ".+")
    void write() throws IOException {
        boolean stages = Boolean.getBoolean("golden.stages");
        List<Map<String, Object>> jobs = new ArrayList<>();
        List<UUID> ids = jdbc.sql(stages ? """
                        select job_id from (select job_id, row_number() over (partition by stage, layout_id order by sequence desc) place from job_summary
                                             where stage not in ('tracing', 'comeback', 'given-up')) ranked where place <= 1
                        """ : """
                        select job_id from (select job_id, row_number() over (partition by layout_id order by readings desc, vehicle) place from job_summary
                                             where readings between 2 and 20 and vehicle like 'Api %') ranked where place <= 2
                        """).query(UUID.class).list();
        for (UUID id : ids) {
            JsonNode opened = api.get("/api/jobs/" + id).body();
            List<Map<String, Object>> entries = jdbc.sql(
                            "select id, log_entered_at, log_taken_at, sequence, kind, body_version, body from log_entry where job_id = :id order by sequence")
                    .param("id", id)
                    .query((row, n) -> Map.<String, Object>of(
                            "id",
                            row.getString("id"),
                            "at",
                            row.getObject("log_entered_at", OffsetDateTime.class)
                                    .toString(),
                            "takenAt",
                            row.getObject("log_taken_at", OffsetDateTime.class).toString(),
                            "sequence",
                            row.getInt("sequence"),
                            "kind",
                            row.getString("kind"),
                            "bodyVersion",
                            row.getInt("body_version"),
                            "body",
                            JSON.readTree(row.getString("body"))))
                    .list();
            jobs.add(Map.of(
                    "layoutId",
                    opened.get("layoutId").asString(),
                    "stage",
                    opened.get("stage").asString(),
                    "done",
                    stepsDone(opened),
                    "entries",
                    entries,
                    "readings",
                    opened.get("entries")
                            .valueStream()
                            .filter(e -> e.get("kind").asString().equals("reading-taken"))
                            .map(GoldenLogTest::told)
                            .toList()));
        }
        Files.writeString(
                Path.of("src/test/resources" + FOLDER + System.getProperty("golden.write") + ".json"),
                JSON.writeValueAsString(jobs));
    }
}
