package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;
import tools.jackson.databind.JsonNode;

/** The call sequence of docs/api.md: a machine client, for every family, from a new job to its verdict. */
@ExtendWith(OverturnServer.class)
class ApiSequenceTest {

    private static final int MOST_TESTS = 16;

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "tarn-box-van, low-assist-supply, 1",
        "ardle-mail-trike, excess-shoe-clearance, 2",
        "corvane-flatbed, low-pump-flow, 2",
        "brack-tug-clutch, clutch-mechanical, 1",
        "pellow-saloon-clutch, air-in-high-loop, 2",
        "wisp-courier-brake, hole-clogged, 1",
        "wisp-courier-clutch, slave-seal-weeping, 1"
    })
    void aMachineClientIsLedToTheVerdict(String layoutId, String hidden, long seed, OverturnServer.Running server) {
        Layout layout = Presets.layout(layoutId);
        Suspect suspect = SuspectCatalogue.of(layout).stream()
                .filter(s -> s.id().equals(hidden))
                .findFirst()
                .orElseThrow();
        SplittableRandom random = new SplittableRandom(seed);
        ProcedureCatalogue procedures = ProcedureCatalogue.of(layout);
        HiddenVehicle vehicle = HiddenVehicle.of(
                        Simulator.of(layout),
                        VehicleUnknowns.draw(random),
                        suspect.physics().at(0.6, layout, random),
                        1)
                .after(procedures.intake());
        ApiClient api = new ApiClient(server.address());
        String jobId = UUID.randomUUID().toString();
        String behaviour = ((Observed) vehicle.read(procedures.intake(), random)).option();
        Map<String, Object> opening = new HashMap<>(Map.of(
                "jobId",
                jobId,
                "entryId",
                UUID.randomUUID(),
                "readingId",
                UUID.randomUUID(),
                "personId",
                "juno-vale",
                "vehicle",
                "Api " + layoutId,
                "layoutId",
                layoutId,
                "complaint",
                "not as it was",
                "behaviour",
                behaviour,
                "hunchId",
                "nothing-wrong",
                "mayBeMoved",
                false));
        opening.put("age", "OLD");
        assertEquals(201, api.post("/api/jobs", opening).status());
        String path = "/api/jobs/" + jobId;
        everyTestSaysWhatItNeeds(api.get(path + "/tests").body());
        JsonNode now = api.get(path).body();
        List<String> done = new ArrayList<>();
        while (done.size() < MOST_TESTS
                && now.get("assessment").get("anotherTestPays").asBoolean()) {
            JsonNode next = now.get("assessment").get("next");
            Procedure procedure =
                    procedures.find(next.get("procedureId").asString()).orElseThrow();
            assertTrue(next.get("minutes").asDouble() > 0);
            now = api.post(
                            path + "/readings",
                            reading(
                                    procedure,
                                    vehicle.read(procedure, random),
                                    now,
                                    next.get("anotherRig").asBoolean()))
                    .body();
            done.add(procedure.id());
        }
        JsonNode verdict = now.get("assessment").get("verdict");
        assertEquals(suspect.remedy().id(), verdict.get("remedyId").asString(), done.toString());
        assertTrue(List.of("PROVEN", "PROBABLE").contains(verdict.get("grade").asString()), done + verdict.toString());
        assertEquals(
                hidden,
                now.get("assessment").get("suspects").get(0).get("suspectId").asString());
        assertFalse(verdict.get("overturners").isEmpty(), "never without what would overturn it");
    }

    private static void everyTestSaysWhatItNeeds(JsonNode tests) {
        assertTrue(tests.size() > 30);
        for (JsonNode test : tests) {
            boolean observation = !test.get("options").isEmpty();
            assertTrue(observation != !test.get("figures").isEmpty(), "options or figures: " + test.get("id"));
            for (JsonNode figure : test.get("figures")) {
                assertTrue(
                        figure.get("least").asDouble() < figure.get("most").asDouble()
                                && !figure.get("units").isEmpty(),
                        test.get("id").asString());
            }
        }
    }

    private static Map<String, Object> reading(
            Procedure procedure, ReadingValue value, JsonNode now, boolean anotherRig) {
        List<Map<String, String>> figures = new ArrayList<>();
        if (value instanceof Figures taken) {
            for (int k = 0; k < taken.taken().size(); k++) {
                var quantity = taken.taken().get(k).orElseThrow();
                figures.add(Map.of(
                        "id",
                        ((Series) procedure.spec()).figures().get(k).id(),
                        "text",
                        quantity.text(),
                        "unit",
                        quantity.unit().symbol()));
            }
        }
        return Map.of(
                "entryId",
                UUID.randomUUID(),
                "sequence",
                now.get("sequence").asInt(),
                "personId",
                "juno-vale",
                "procedureId",
                procedure.id(),
                "figures",
                figures,
                "observed",
                value instanceof Observed seen ? seen.option() : "",
                "rigCheck",
                "sound",
                "anotherRig",
                anotherRig);
    }
}
