package overturn.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.measurement.ReadingSpec;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.Nature;
import overturn.simulation.VehicleUnknowns;
import overturn.support.Models;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Assessment;
import overturn.verdict.Grade;
import overturn.verdict.Verdict;

/**
 * The walks that the trade knows come out of the planner; none is written down anywhere. Three vehicles have a fault of
 * the walk's kind; on each the walk's own question has to come, and the remedy at the end of at least two.
 */
@Tag("slow")
class WalksTest {

    private static final int VEHICLES = 3;

    private static Stream<Arguments> walks() {
        return Stream.of(
                Arguments.of(
                        "drag",
                        "pellow-saloon",
                        "slides-seized",
                        2,
                        Set.of(
                                "wheel-drag",
                                "slides-moved",
                                "ends-by-hand",
                                "drag-with-engine",
                                "toe-lift",
                                "loosen-master",
                                "vent-supply",
                                "crack-end-screw")),
                Arguments.of(
                        "drag of a lever",
                        "wisp-courier-brake",
                        "hole-clogged",
                        3,
                        Set.of("hole-probed", "wheel-drag", "toe-lift", "spout", "gravity-flow")),
                Arguments.of(
                        "soft",
                        "tarn-box-van",
                        "air-in-front-end",
                        2,
                        Set.of("hoses-clamped", "front-screws", "front-screws-tapped", "port-plugs", "outlet-plugs")),
                Arguments.of(
                        "sink",
                        "tarn-box-van",
                        "primary-piston-cup",
                        1,
                        Set.of("hold-gentle", "hold-medium", "hold-and-stop", "hold-running")),
                Arguments.of(
                        "hard pedal",
                        "tarn-box-van",
                        "low-assist-supply",
                        1,
                        Set.of("vacuum-tee", "vacuum-recovery", "assist-drop", "reserve-strokes")),
                Arguments.of(
                        "hard pedal, pump",
                        "corvane-flatbed",
                        "low-pump-flow",
                        2,
                        Set.of("pump-gauge", "assist-drop", "reserve-strokes")),
                Arguments.of("return", "wisp-courier-brake", "input-binding", 1, Set.of("return-time", "pivot-felt")),
                Arguments.of(
                        "clutch",
                        "brack-tug-clutch",
                        "clutch-mechanical",
                        1,
                        Set.of("slave-stroke", "held-in-gear", "frees-at")),
                Arguments.of(
                        "clutch, high loop",
                        "pellow-saloon-clutch",
                        "air-in-high-loop",
                        1,
                        Set.of("loop-lifted", "connector-plug", "slave-tapped")),
                Arguments.of(
                        "leak",
                        "tarn-box-van",
                        "end-seal-weeping",
                        1,
                        Set.of("raised-walk", "ends-papered", "joints-papered")),
                Arguments.of(
                        "leak of a clutch",
                        "wisp-courier-clutch",
                        "slave-seal-weeping",
                        1,
                        Set.of("raised-walk", "ends-papered")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("walks")
    void theWalkEmerges(String walk, String layoutId, String hidden, long seed, Set<String> ownQuestions) {
        LayoutModel model = Models.of(layoutId);
        model.warmUp();
        Suspect suspect = model.suspects().get(model.indexOf(hidden));
        int right = 0;
        for (long vehicle = seed; vehicle < seed + VEHICLES; vehicle++) {
            PlanFollower.Diagnosis done = diagnosed(model, suspect, vehicle);
            List<String> tests =
                    done.readings().stream().map(r -> r.procedureId()).toList();
            right += done.assessment().verdict().remedy() == suspect.remedy()
                            && done.assessment().verdict().grade() != Grade.OPEN
                    ? 1
                    : 0;
            List<String> kinds =
                    tests.stream().map(id -> id.split(Procedure.PLACES)[0]).toList();
            assertTrue(
                    !Collections.disjoint(kinds, ownQuestions), walk + " asks one of " + ownQuestions + ": " + tests);
            assertTrue(
                    tests.indexOf("reservoir") < 4 && tests.indexOf("dry-walk") < 4,
                    walk + " looks before it measures: " + tests);
            firstOpeningComesAfterSomethingShut(model, walk, tests);
            whatIsSaidAgrees(model, walk, done.assessment());
        }
        assertTrue(right >= VEHICLES - 1, walk + ": right on " + right + " of " + VEHICLES);
    }

    private static PlanFollower.Diagnosis diagnosed(LayoutModel model, Suspect suspect, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        HiddenVehicle vehicle = HiddenVehicle.of(
                model.simulator(),
                VehicleUnknowns.draw(random),
                suspect.physics().at(0.6, model.layout(), random),
                1);
        return new PlanFollower(model).diagnose(vehicle, random);
    }

    /**
     * What carries a verdict does not, exactly reckoned, speak against what is suspected, and what would overturn it is
     * a reading that can be taken and speaks for something else.
     */
    private static void whatIsSaidAgrees(LayoutModel model, String walk, Assessment assessment) {
        Verdict verdict = assessment.verdict();
        BeliefHistory history = assessment.history();
        boolean borne = verdict.carriers().isEmpty()
                || verdict.suspects().isEmpty()
                || verdict.carriers().stream()
                        .anyMatch(carrier -> verdict.suspects().stream()
                                .anyMatch(suspect ->
                                        history.oddsFactor(history.readings().indexOf(carrier), suspect.id()) >= 1));
        assertTrue(borne, walk + ": all that carries " + verdict.remedy() + " speaks against it");
        for (Verdict.Overturner one : verdict.overturners()) {
            assertTrue(!verdict.remedies().contains(one.rival()), walk + ": " + one);
            ReadingSpec spec =
                    model.procedures().find(one.procedureId()).orElseThrow().spec();
            assertTrue(
                    spec instanceof ReadingSpec.Observation seen
                            ? one.option().filter(seen.options()::contains).isPresent()
                            : ((ReadingSpec.Series) spec)
                                    .figures().stream()
                                            .anyMatch(f -> one.figureId()
                                                    .filter(f.id()::equals)
                                                    .isPresent()),
                    walk + ": " + one);
        }
    }

    /** Nothing is opened before at least two tests that open nothing. */
    private static void firstOpeningComesAfterSomethingShut(LayoutModel model, String walk, List<String> tests) {
        List<Procedure> procedures = tests.stream()
                .map(id -> model.procedures().find(id).orElseThrow())
                .toList();
        for (int i = 0; i < procedures.size(); i++) {
            if (procedures.get(i).nature() == Nature.ISOLATING) {
                assertTrue(i >= 3, walk + " isolates too soon: " + tests);
                return;
            }
        }
    }

    /** What nobody would do: to condemn the dearest part on the complaint alone. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("walks")
    void theComplaintAloneIsNeverAVerdict(
            String walk, String layoutId, String hidden, long seed, Set<String> ownQuestions) {
        LayoutModel model = Models.of(layoutId);
        SplittableRandom random = new SplittableRandom(seed);
        Suspect suspect = model.suspects().get(model.indexOf(hidden));
        HiddenVehicle vehicle = HiddenVehicle.of(
                model.simulator(),
                VehicleUnknowns.draw(random),
                suspect.physics().at(0.6, model.layout(), random),
                1);
        PlanFollower.Diagnosis first = new PlanFollower(model).diagnose(vehicle, random, 0);
        assertEquals(Grade.OPEN, first.assessment().verdict().grade(), walk);
        assertTrue(first.assessment().next().isPresent());
        assertTrue(first.assessment().verdict().remedy() != Remedy.LOOK_ELSEWHERE
                || first.assessment().verdict().probability() < 0.5);
    }
}
