package overturn.app.api.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;
import tools.jackson.databind.JsonNode;

/** Calculators, circuits and notes over HTTP; and a job begun on every preset. */
@ExtendWith(OverturnServer.class)
class BenchApiTest {

    private static Map<String, Object> calculation(String layoutId, Object... inputs) {
        List<Map<String, Object>> typed = new java.util.ArrayList<>();
        for (int i = 0; i < inputs.length; i += 3) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("id", inputs[i]);
            one.put("text", inputs[i + 1]);
            one.put("unit", inputs[i + 2]);
            typed.add(one);
        }
        return Map.of("layoutId", layoutId, "columns", List.of(Map.of("inputs", List.of()), Map.of("inputs", typed)));
    }

    private static double output(Answer answer, int column, String id) {
        for (JsonNode output : answer.body().get("columns").get(column).get("outputs")) {
            if (output.get("id").asString().equals(id)) {
                return output.get("value").asDouble();
            }
        }
        throw new AssertionError(id + " is not in " + answer.raw().body());
    }

    @Test
    void mixedUnitsAreTakenAndColumnsStandSideBySide(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        Answer answer = api.post(
                "/api/calculators/pressure",
                calculation("tarn-box-van", "bore", "15/16 in", "mm", "force", "67,44 lbf", "N"));
        assertEquals(200, answer.status(), answer.raw().body());
        assertEquals(22.5, output(answer, 0, "pressure"), 0.1);
        assertEquals(22.5, output(answer, 1, "pressure"), 0.1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "bore | 900 | mm | columns.1.bore | 8 to 60 mm",
                "bore | wide | mm | columns.1.bore | a number",
                "bore | 1 | bar | columns.1.bore.unit | one of [mm",
                "moon | 1 | mm | columns.1.moon | one of [force",
                "bore | 99 | in | columns.1.bore | 0.315 to 2.362 in"
            })
    void everyInputThatCannotBeIsNamedWithItsRange(
            String id, String text, String unit, String field, String allowed, OverturnServer.Running server) {
        Answer answer = new ApiClient(server.address())
                .post("/api/calculators/pressure", calculation("tarn-box-van", id, text, unit));
        assertEquals(422, answer.status(), answer.raw().body());
        JsonNode finding = answer.body().get("findings").get(0);
        assertEquals(field, finding.get("field").asString());
        assertTrue(finding.get("allowed").asString().contains(allowed), finding.toString());
    }

    @Test
    void whatIsNotThereIsSaidSo(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        assertEquals(
                404,
                api.post("/api/calculators/moon", calculation("tarn-box-van")).status());
        assertEquals(
                404,
                api.post("/api/calculators/assist", calculation("brack-tug-clutch"))
                        .status(),
                "no assist, no calculator for it");
        assertEquals(404, api.get("/api/calculators?layoutId=moon").status());
        assertEquals(404, api.get("/api/calculators").status());
        assertEquals(404, api.get("/api/layouts/moon").status());
        assertEquals(
                422,
                api.post("/api/calculators/pressure", Map.of("layoutId", "tarn-box-van", "columns", List.of()))
                        .status());
        assertEquals(
                422,
                api.post("/api/calculators/pressure", Map.of("layoutId", "tarn-box-van"))
                        .status());
    }

    @Test
    void aLayoutGoesOutAsAFileAndComesBackUnderAnotherName(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String schema = api.get("/api/layout-schema").raw().body();
        assertTrue(schema.contains("urn:overturn:layout:1"));
        String file = api.get("/api/layouts/tarn-box-van").raw().body();
        assertEquals(Presets.find("tarn-box-van").orElseThrow(), LayoutFiles.read(file));
        String own = file.replace("\"id\":\"tarn-box-van\"", "\"id\":\"tarn-round-trip\"")
                .replace("\"boreMm\":23.81", "\"boreMm\":25.4");
        Answer checked = api.postText("/api/layouts/check", own);
        assertEquals(200, checked.status(), checked.raw().body());
        assertEquals(200, api.postText("/api/layouts", own).status());
        assertEquals(200, api.postText("/api/layouts", own).status(), "the same again changes nothing");
        Answer other = api.postText("/api/layouts", own.replace("\"boreMm\":25.4", "\"boreMm\":22.2"));
        assertEquals(422, other.status());
        assertEquals("id", other.body().get("findings").get(0).get("field").asString());
        assertTrue(api.get("/api/layouts/tarn-round-trip").raw().body().contains("25.4"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"boreMm\":23.81 | \"boreMm\":900 | components.2.boreMm",
                "\"to\":\"modulator\" | \"to\":\"moon\" | front-inlet",
                "\"kind\":\"master\" | \"kind\":\"moon\" | components.2.kind",
                "{ | [ | ''"
            })
    void aLayoutThatCannotBeIsRefusedByField(String from, String to, String field, OverturnServer.Running server) {
        String file = LayoutFiles.write(Presets.find("tarn-box-van").orElseThrow());
        Answer answer = new ApiClient(server.address())
                .postText("/api/layouts/check", file.replaceFirst(java.util.regex.Pattern.quote(from), to));
        assertEquals(422, answer.status(), answer.raw().body());
        boolean named = false;
        for (JsonNode finding : answer.body().get("findings")) {
            named |= finding.get("field").asString().equals(field);
        }
        assertTrue(named, answer.raw().body());
    }

    @Test
    void aNoteStandsInTheLogWithItsInputsAndIsIdempotent(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String job = api.openJob("Tarn SK 90", "sinks", "rod-gap-too-large");
        Map<String, Object> note = new LinkedHashMap<>(ApiClient.stamped(
                2,
                Map.of(
                        "text",
                        "turned out",
                        "calculatorId",
                        "free-play",
                        "inputs",
                        List.of(Map.of("id", "measured", "text", "9", "unit", "mm")))));
        Answer written = api.post("/api/jobs/" + job + "/notes", note);
        assertEquals(200, written.status(), written.raw().body());
        JsonNode entry = written.body().get("entries").get(2).get("note");
        assertEquals("9", entry.get("inputs").get(0).get("text").asString());
        assertEquals("rod-clearance", entry.get("outputs").get(0).get("id").asString());
        assertEquals(2.25, entry.get("outputs").get(0).get("value").asDouble(), 1e-9);
        assertEquals(
                3,
                api.post("/api/jobs/" + job + "/notes", note)
                        .body()
                        .get("entries")
                        .size());
        note.put("entryId", UUID.randomUUID().toString());
        assertEquals(
                4,
                api.post("/api/jobs/" + job + "/notes", note)
                        .body()
                        .get("sequence")
                        .asInt(),
                "of an older log, it goes behind what stands");
        note.put("text", " ");
        assertEquals(422, api.post("/api/jobs/" + job + "/notes", note).status());
    }

    /** Three proposed tests on every preset, answered by a simulated vehicle: nothing is refused, the belief moves. */
    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void aJobIsBegunOnEveryPreset(Layout layout, OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        ProcedureCatalogue procedures = ProcedureCatalogue.of(layout);
        Suspect hidden = SuspectCatalogue.of(layout).get(1);
        SplittableRandom random = new SplittableRandom(11);
        HiddenVehicle vehicle = HiddenVehicle.of(
                Simulator.of(layout),
                VehicleUnknowns.draw(random),
                hidden.physics().at(0.6, layout, random),
                1);
        Map<String, Object> intake = ApiClient.intake("On " + layout.id(), "sinks", hidden.id());
        intake.put("layoutId", layout.id());
        Answer job = api.post("/api/jobs", intake);
        assertEquals(201, job.status(), job.raw().body());
        double before = share(job.body(), hidden.id());
        for (int sequence = 2; sequence < 5; sequence++) {
            Procedure next = procedures
                    .find(job.body()
                            .get("assessment")
                            .get("next")
                            .get("procedureId")
                            .asString())
                    .orElseThrow();
            assertEquals(
                    200,
                    api.get("/api/jobs/" + intake.get("jobId") + "/tests/" + next.id())
                            .status());
            job = api.post(
                    "/api/jobs/" + intake.get("jobId") + "/readings",
                    ApiClient.stamped(sequence, body(next, vehicle.read(next, random))));
            assertEquals(200, job.status(), next.id() + " " + job.raw().body());
        }
        assertTrue(Math.abs(share(job.body(), hidden.id()) - before) > 1e-4);
    }

    private static double share(JsonNode job, String suspectId) {
        for (JsonNode suspect : job.get("assessment").get("suspects")) {
            if (suspect.get("suspectId").asString().equals(suspectId)) {
                return suspect.get("probability").asDouble();
            }
        }
        return 0;
    }

    private static Map<String, Object> body(Procedure test, ReadingValue value) {
        if (value instanceof ReadingValue.Observed observed) {
            return Map.of("procedureId", test.id(), "rigCheck", "sound", "observed", observed.option());
        }
        List<Map<String, String>> figures = new java.util.ArrayList<>();
        Series series = (Series) test.spec();
        for (int k = 0; k < series.figures().size(); k++) {
            figures.add(Map.of(
                    "id",
                    series.figures().get(k).id(),
                    "text",
                    ((ReadingValue.Figures) value).taken().get(k).orElseThrow().text(),
                    "unit",
                    series.figures().get(k).dimension().coreUnit().symbol()));
        }
        return Map.of("procedureId", test.id(), "rigCheck", "sound", "figures", figures);
    }
}
