package overturn.app.support;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import overturn.app.support.ApiClient.Answer;
import tools.jackson.databind.JsonNode;

/** The half of a job after the verdict, done through the API. */
public final class RepairFlow {

    private static final long A_NIGHT_AND_A_DAY = 20;

    private final ApiClient api;
    private final String job;
    private final String personId;
    private long hoursAgo;
    /** As the last answer told it; asked for where nothing was told yet. */
    private JsonNode told;

    /** @param job path of the job below the API */
    public RepairFlow(ApiClient api, String job) {
        this(api, job, "tobias-renn");
    }

    /** The same by somebody else. */
    public RepairFlow(ApiClient api, String job, String personId) {
        this.api = api;
        this.job = job;
        this.personId = personId;
    }

    /** A sinking pedal diagnosed down to its master cylinder the day before, and accepted. */
    public static RepairFlow acceptedMaster(ApiClient api) {
        String job = "/api/jobs/" + api.openJob("Tarn SK 71", "sinks", "primary-piston-cup");
        RepairFlow flow = new RepairFlow(api, job).done(A_NIGHT_AND_A_DAY);
        assertEquals(
                "renew-master",
                flow.now()
                        .get("assessment")
                        .get("verdict")
                        .get("remedyIds")
                        .get(0)
                        .asString());
        return flow.accept();
    }

    /** Path of the job below the API. */
    public String job() {
        return job;
    }

    /** Accepts the verdict as it stands, with a reason. */
    public RepairFlow accept() {
        JsonNode verdict = now().get("assessment").get("verdict");
        Answer answer = post(
                "verdict",
                Map.of(
                        "remedyIds",
                        verdict.get("remedyIds")
                                .valueStream()
                                .map(JsonNode::asString)
                                .toList(),
                        "grade",
                        verdict.get("grade").asString(),
                        "why",
                        "the ferry leaves at six"));
        assertEquals(200, answer.status(), answer.body().toString());
        return this;
    }

    public JsonNode now() {
        told = api.get(personId, job).body();
        return told;
    }

    /** Everything from here on was done so long ago, on a device that waited for the line. */
    public RepairFlow done(long hours) {
        hoursAgo = hours;
        return this;
    }

    public Answer post(String what, Map<String, Object> fields) {
        return postAs(personId, what, fields);
    }

    /** The same as somebody else. */
    public Answer postAs(String personId, String what, Map<String, Object> fields) {
        int sequence = (told == null ? now() : told).get("sequence").asInt();
        Map<String, Object> body = ApiClient.stamped(sequence, fields);
        body.put("personId", personId);
        if (hoursAgo > 0) {
            body.put("takenSecondsAgo", 3600 * hoursAgo);
        }
        Answer answer = api.post(job + "/" + what, body);
        told = answer.status() == 200 ? answer.body() : null;
        return answer;
    }

    /** How a gate of proving stands. */
    public static String gateState(JsonNode job, String gate) {
        return repair(job)
                .get("gates")
                .valueStream()
                .filter(g -> g.get("id").asString().equals(gate))
                .findFirst()
                .orElseThrow()
                .get("state")
                .asString();
    }

    public static JsonNode repair(JsonNode job) {
        return job.get("repair");
    }

    public static List<String> ids(JsonNode array, String field) {
        return array.valueStream().map(n -> n.get(field).asString()).toList();
    }

    /** Figures that a step asks for: as listed, or any where nothing is. */
    private static List<Map<String, Object>> figures(JsonNode step) {
        List<Map<String, Object>> figures = new ArrayList<>();
        step.get("asks").forEach(asked -> {
            Map<String, Object> figure = new HashMap<>();
            figure.put("id", asked.get("id").asString());
            figure.put(
                    "text",
                    asked.has("listed") ? Double.toString(asked.get("listed").asDouble()) : "7");
            figure.put("unit", "mm");
            figures.add(figure);
        });
        return figures;
    }

    /** Ticks every step that is asked, figures as listed. */
    public void tickAll() {
        tickUpTo("");
    }

    /** Ticks the first so many steps. */
    public void tickSome(int count) {
        List<JsonNode> open = repair(now())
                .get("steps")
                .valueStream()
                .filter(step -> !step.get("optional").asBoolean() && !step.has("done"))
                .toList();
        tickUpTo(open.get(Math.min(count, open.size() - 1)).get("key").asString());
    }

    /** Ticks steps in their order, up to and without one. */
    public void tickUpTo(String key) {
        List<JsonNode> together = new ArrayList<>();
        for (JsonNode step : repair(now()).get("steps")) {
            if (step.get("key").asString().equals(key)) {
                break;
            }
            if (!step.has("done")
                    && !step.has("already")
                    && !step.get("optional").asBoolean()
                    && !step.get("id").asString().equals("bleed-end")) {
                if (!step.get("asks").isEmpty()) {
                    tick(together);
                }
                together.add(step);
            }
        }
        tick(together);
    }

    /** Steps done in one go, as a visit is; only the first may ask for figures. */
    private void tick(List<JsonNode> steps) {
        if (steps.isEmpty()) {
            return;
        }
        List<String> keys =
                steps.stream().map(step -> step.get("key").asString()).toList();
        Answer answer = post(
                "work-steps",
                Map.of("key", keys.get(0), "figures", figures(steps.get(0)), "also", keys.subList(1, keys.size())));
        assertEquals(200, answer.status(), answer.body().toString());
        steps.clear();
    }

    /** Does what the sheet says with a circuit that runs clear at once. */
    public void bleed() {
        JsonNode sheet = repair(now()).get("sheet");
        for (int turn = 0; turn < 120 && !sheet.get("done").asBoolean(); turn++) {
            Answer answer = sheet.get("topUpNow").asBoolean()
                    ? post("levels", Map.of("text", "max"))
                    : sheet.get("restFirst").asBoolean()
                            ? post("rests", Map.of())
                            : post(
                                    "strokes",
                                    Map.of(
                                            "endId",
                                            sheet.get("next").asString(),
                                            "count",
                                            5,
                                            "bubbles",
                                            "none",
                                            "colour",
                                            "clear"));
            assertEquals(200, answer.status(), answer.body().toString());
            sheet = repair(answer.body()).get("sheet");
        }
        assertTrue(sheet.get("done").asBoolean());
    }

    /** Passes every check of a gate: looks by themselves, measurements by a reading of a sound vehicle. */
    public void pass(String gate) {
        for (JsonNode check : checks(now(), gate)) {
            String id = check.get("id").asString();
            if (check.has("testId")) {
                measure(check.get("testId").asString(), 0);
            } else {
                Answer answer = post("checks", Map.of("checkId", id, "outcome", "passed"));
                assertEquals(200, answer.status(), answer.body().toString());
            }
            assertEquals("passed", outcome(told == null ? now() : told, id), id);
        }
    }

    /** The checks of a gate. */
    public static List<JsonNode> checks(JsonNode job, String gate) {
        return repair(job)
                .get("gates")
                .valueStream()
                .filter(g -> g.get("id").asString().equals(gate))
                .flatMap(g -> g.get("checks").valueStream())
                .toList();
    }

    /** The outcome of a check; empty while it has none. */
    public static String outcome(JsonNode job, String check) {
        return repair(job)
                .get("gates")
                .valueStream()
                .flatMap(g -> g.get("checks").valueStream())
                .filter(c -> c.get("id").asString().equals(check) && c.has("outcome"))
                .map(c -> c.get("outcome").asString())
                .findFirst()
                .orElse("");
    }

    /**
     * What a sound vehicle reads in a test, figure by figure: in the middle of its band.
     *
     * @param more how far above it the last figure lies, core unit
     */
    public List<Map<String, Object>> soundFigures(String test, double more) {
        List<Map<String, Object>> figures = new ArrayList<>();
        JsonNode all = api.get(job + "/tests/" + test).body().get("figures");
        all.forEach(figure -> {
            JsonNode sound = figure.get("bands").get(0);
            double middle = (sound.get("low").asDouble() + sound.get("high").asDouble()) / 2;
            boolean last = figures.size() == all.size() - 1;
            figures.add(Map.of(
                    "id",
                    figure.get("id").asString(),
                    "text",
                    String.format(Locale.ROOT, "%.1f", middle + (last ? more : 0)),
                    "unit",
                    figure.get("unit").asString()));
        });
        return figures;
    }

    /** Reads a test as a sound vehicle would, but for its last figure. */
    public Answer measure(String test, double more) {
        Answer answer = post(
                "readings",
                Map.of("procedureId", test, "figures", soundFigures(test, more), "rigCheck", "sound", "observed", ""));
        assertEquals(200, answer.status(), answer.body().toString());
        return answer;
    }

    /** Everything up to the release that waits for the next-day checks. */
    public void releaseConditionally() {
        tickAll();
        bleed();
        proveAndRelease();
    }

    /** The gates up to the road, and the release. */
    public void proveAndRelease() {
        pass("chocks");
        pass("yard");
        pass("road");
        Answer answer = post("release", Map.of("conditional", true));
        assertEquals(200, answer.status(), answer.body().toString());
    }
}
