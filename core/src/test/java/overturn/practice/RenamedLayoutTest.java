package overturn.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.Intake;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec;
import overturn.measurement.ReadingSpec.Series;
import overturn.planning.Workshop;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleNeeds;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;
import overturn.verdict.Assessment;

/**
 * Nothing is derived from how a part is called: a layout whose parts all have other names has the same suspects, tests,
 * predictions and assessment.
 */
@Tag("slow")
class RenamedLayoutTest {

    private static final long[] SEEDS = {1, 2, 3};

    /** A layout with every part called otherwise, and its old names by the new ones. */
    private record Renamed(Layout layout, Map<String, String> oldNames) {

        static Renamed of(LayoutFile file, long seed) {
            SplittableRandom random = new SplittableRandom(seed);
            Map<String, String> names = new HashMap<>();
            file.components()
                    .forEach(part -> names.put(
                            part.id(), "part-" + Long.toString(random.nextLong(36L * 36 * 36 * 36 * 36), 36)));
            String json = LayoutFiles.write(file);
            for (String field : List.of("id", "from", "to")) {
                for (Map.Entry<String, String> name : names.entrySet()) {
                    json = json.replace(
                            "\"" + field + "\":\"" + name.getKey() + "\"",
                            "\"" + field + "\":\"" + name.getValue() + "\"");
                }
            }
            assertEquals(names.size(), new HashSet<>(names.values()).size());
            return new Renamed(
                    LayoutFiles.read(json).layout(),
                    names.entrySet().stream().collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey)));
        }

        String old(String name) {
            return oldNames.getOrDefault(name, name);
        }
    }

    static List<LayoutFile> presets() {
        return Presets.files();
    }

    private static String told(Procedure procedure, Renamed renamed) {
        ReadingSpec spec = procedure.spec();
        String read = spec instanceof Series series
                ? series.figures().stream()
                        .map(f -> renamed.old(f.id()) + f.dimension() + f.least() + f.most() + f.noiseSd())
                        .toList()
                        .toString()
                : spec.toString();
        return procedure.id()
                + procedure.minutes()
                + procedure.needs()
                + procedure.rigSetup()
                + procedure.steps().size()
                + new java.util.TreeSet<>(procedure.observes())
                + read;
    }

    @ParameterizedTest
    @MethodSource("presets")
    void suspectsAndTestsAreTheSame(LayoutFile preset) {
        Layout plain = preset.layout();
        Renamed unchanged = new Renamed(plain, Map.of());
        for (long seed : SEEDS) {
            Renamed renamed = Renamed.of(preset, seed);
            List<Suspect> before = SuspectCatalogue.of(plain);
            List<Suspect> after = SuspectCatalogue.of(renamed.layout());
            assertEquals(
                    before.stream()
                            .map(s -> s.id() + s.remedy() + s.frequency() + s.places())
                            .toList(),
                    after.stream()
                            .map(s -> s.id()
                                    + s.remedy()
                                    + s.frequency()
                                    + s.places().stream().map(renamed::old).toList())
                            .toList(),
                    "seed " + seed);
            assertEquals(
                    ProcedureCatalogue.of(plain).all().stream()
                            .map(p -> told(p, unchanged))
                            .toList(),
                    ProcedureCatalogue.of(renamed.layout()).all().stream()
                            .map(p -> told(p, renamed))
                            .toList(),
                    "seed " + seed);
            assertEquals(
                    ProcedureCatalogue.of(plain).cutSets().stream()
                            .map(c -> c.procedure().id())
                            .toList(),
                    ProcedureCatalogue.of(renamed.layout()).cutSets().stream()
                            .map(c -> c.procedure().id())
                            .toList(),
                    "seed " + seed);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"tarn-box-van", "ardle-mail-trike", "wisp-courier-clutch"})
    void predictionsAndAssessmentAreTheSame(String presetId) {
        LayoutFile preset = Presets.find(presetId).orElseThrow();
        LayoutModel plain = LayoutModel.of(preset.layout());
        LayoutModel renamed = LayoutModel.of(Renamed.of(preset, SEEDS[0]).layout());
        List<Reading> readings = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(7);
        Suspect suspect = plain.suspects().get(3);
        HiddenVehicle vehicle = HiddenVehicle.of(
                        plain.simulator(),
                        VehicleUnknowns.draw(random),
                        suspect.physics().at(0.6, plain.layout(), random),
                        1)
                .after(plain.procedures().intake());
        plain.procedures().all().stream()
                .limit(6)
                .forEach(p -> readings.add(new Reading(
                        p.id(), p.id(), vehicle.read(p, random), p.rigSetup(), overturn.measurement.RigTrust.PROVEN)));
        Assessment before =
                Assessment.of(plain, Intake.UNKNOWN, readings, VehicleNeeds.SEAT, Set.of(), Workshop.WELL_EQUIPPED);
        Assessment after =
                Assessment.of(renamed, Intake.UNKNOWN, readings, VehicleNeeds.SEAT, Set.of(), Workshop.WELL_EQUIPPED);
        plain.suspects()
                .forEach(s -> assertEquals(
                        before.history().now().probability(s.id()),
                        after.history().now().probability(s.id()),
                        1e-6,
                        s.id()));
        assertEquals(before.verdict().cure(), after.verdict().cure());
        assertEquals(before.verdict().grade(), after.verdict().grade());
        assertEquals(
                before.next().map(p -> p.procedure().id()),
                after.next().map(p -> p.procedure().id()));
    }
}
