package overturn.app.support;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/** A lesson gone through by the API. */
public final class ExerciseFlow {

    private final ApiClient api;
    private final String personId;
    private final String id;

    /** Sets a lesson for somebody. */
    public ExerciseFlow(ApiClient api, String personId, String lessonId) {
        this(api, personId, UUID.randomUUID());
        api.post(personId, "/api/practice/exercises", Map.of("exerciseId", id, "lessonId", lessonId));
    }

    /** One that was set for somebody. */
    public ExerciseFlow(ApiClient api, String personId, UUID id) {
        this.api = api;
        this.personId = personId;
        this.id = id.toString();
    }

    public String id() {
        return id;
    }

    private String exercise() {
        return "/api/practice/exercises/" + id;
    }

    private static Map<String, Object> entry() {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("entryId", UUID.randomUUID().toString());
        return body;
    }

    /** Opens its job with what the driver tells. */
    public ExerciseFlow open() {
        JsonNode told = api.get(personId, exercise()).body();
        String layoutId = told.get("line").get("layoutId").asString();
        Map<String, Object> intake =
                ApiClient.intake("Practice: " + layoutId, told.get("felt").asString(), "fluid-low");
        intake.put("jobId", id);
        intake.put("layoutId", layoutId);
        intake.remove("personId");
        api.post(personId, "/api/jobs", intake);
        return this;
    }

    /** Has a test done on the vehicle and enters what it showed. */
    public ExerciseFlow test(String procedureId) {
        Map<String, Object> asked = entry();
        asked.put("procedureId", procedureId);
        JsonNode shown = api.post(personId, exercise() + "/tests", asked).body();
        Map<String, Object> reading = entry();
        reading.put("procedureId", procedureId);
        reading.put("rigCheck", shown.get("rigCheck").asString());
        reading.put(
                "sequence",
                api.get(personId, "/api/jobs/" + id).body().get("sequence").asInt());
        if (shown.hasNonNull("observed")) {
            reading.put("observed", shown.get("observed").asString());
        } else {
            reading.put("figures", shown.get("figures"));
        }
        api.post(personId, "/api/jobs/" + id + "/readings", reading);
        return this;
    }

    /** How sure this person is of a remedy, per cent. */
    public ExerciseFlow sure(String remedyId, int percent) {
        Map<String, Object> sure = entry();
        sure.put("remedyId", remedyId);
        sure.put("percent", percent);
        api.post(personId, exercise() + "/sure", sure);
        return this;
    }

    /** Ends it. */
    public ExerciseFlow end() {
        api.post(personId, exercise() + "/end", entry());
        return this;
    }
}
