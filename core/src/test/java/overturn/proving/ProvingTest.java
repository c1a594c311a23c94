package overturn.proving;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.proving.Proving.Blocker;
import overturn.proving.Proving.Outcome;
import overturn.proving.Proving.State;

/** Gates open one by one, and nothing goes out with anything on, off, moved, missing or failed. */
class ProvingTest {

    private static Map<String, Outcome> passed(List<Check> checks, Gate upTo) {
        Map<String, Outcome> outcomes = new HashMap<>();
        checks.stream().filter(c -> c.gate().compareTo(upTo) <= 0).forEach(c -> outcomes.put(c.id(), Outcome.PASSED));
        return outcomes;
    }

    @Test
    void eachGateOpensTheNext() {
        List<Check> checks = Checks.of(Presets.TARN_BOX_VAN);
        Proving fresh = Proving.of(checks, Map.of(), List.of());
        assertEquals(State.OPEN, fresh.at(Gate.CHOCKS).state());
        assertEquals(State.SHUT, fresh.at(Gate.YARD).state());
        Proving yard = Proving.of(checks, passed(checks, Gate.CHOCKS), List.of());
        assertEquals(State.PASSED, yard.at(Gate.CHOCKS).state());
        assertEquals(State.OPEN, yard.at(Gate.YARD).state());
        Proving conditional = Proving.of(checks, passed(checks, Gate.ROAD), List.of());
        assertTrue(conditional.mayBeReleasedConditionally() && !conditional.mayBeReleased());
        assertTrue(Proving.of(checks, passed(checks, Gate.NEXT_DAY), List.of()).mayBeReleased());
    }

    @Test
    void aFailureClosesAllAboveIt() {
        List<Check> checks = Checks.of(Presets.TARN_BOX_VAN);
        Map<String, Outcome> outcomes = passed(checks, Gate.NEXT_DAY);
        outcomes.put("holds-sixty", Outcome.FAILED);
        Proving proving = Proving.of(checks, outcomes, List.of());
        assertEquals(State.FAILED, proving.at(Gate.CHOCKS).state());
        assertEquals(List.of("holds-sixty"), proving.at(Gate.CHOCKS).failed());
        assertEquals(State.SHUT, proving.at(Gate.ROAD).state());
        assertFalse(proving.mayBeReleasedConditionally());
    }

    @Test
    void whatIsStillFittedShutsEveryGateAndIsNamed() {
        List<Check> checks = Checks.of(Presets.TARN_BOX_VAN);
        Blocker plug = new Blocker(Blocker.Kind.ON_VEHICLE, "plug@front-pipe");
        Proving proving = Proving.of(checks, passed(checks, Gate.NEXT_DAY), List.of(plug));
        assertEquals(List.of(plug), proving.at(Gate.CHOCKS).blockers());
        assertTrue(proving.gates().stream().allMatch(g -> g.state() == State.SHUT));
        assertFalse(proving.mayBeReleased());
    }

    /** Every layout: whatever is missing, failed or on, no random state of a job is released. */
    @Test
    void noRandomJobIsReleasedWithAnythingOpen() {
        SplittableRandom random = new SplittableRandom(21);
        List<List<Check>> byLayout = Presets.all().stream().map(Checks::of).toList();
        for (int n = 0; n < 10_000; n++) {
            List<Check> checks = byLayout.get(random.nextInt(byLayout.size()));
            Map<String, Outcome> outcomes = new HashMap<>();
            boolean allPassed = true;
            boolean roadPassed = true;
            for (Check check : checks) {
                int drawn = random.nextInt(40);
                if (drawn > 1) {
                    outcomes.put(check.id(), Outcome.PASSED);
                } else if (drawn == 1) {
                    outcomes.put(check.id(), Outcome.FAILED);
                }
                allPassed &= drawn > 1;
                roadPassed &= drawn > 1 || drawn == 0 && check.gate() == Gate.NEXT_DAY;
            }
            List<Blocker> blockers = new ArrayList<>();
            if (random.nextInt(4) == 0) {
                blockers.add(new Blocker(Blocker.Kind.ON_VEHICLE, "adjuster@rear-left"));
            }
            Proving proving = Proving.of(checks, outcomes, blockers);
            assertEquals(allPassed && blockers.isEmpty(), proving.mayBeReleased());
            assertEquals(roadPassed && blockers.isEmpty(), proving.mayBeReleasedConditionally());
        }
    }

    @Test
    void everyTestThatACheckReadsExistsOnItsLayout() {
        for (Layout layout : Presets.all()) {
            ProcedureCatalogue tests = ProcedureCatalogue.of(layout);
            Checks.of(layout)
                    .forEach(c -> c.testId()
                            .ifPresent(id -> assertTrue(
                                    tests.find(id).isPresent(), layout.id() + " " + c.id() + " reads " + id)));
        }
    }

    @Test
    void aClutchIsNotStoppedWithAndALeverHasNoParkingBrake() {
        List<String> clutch = Checks.of(Presets.layout("brack-tug-clutch")).stream()
                .map(Check::id)
                .toList();
        assertTrue(clutch.contains("gears-quiet") && !clutch.contains("hard-stop") && !clutch.contains("lamp-off"));
        List<String> lever = Checks.of(Presets.layout("wisp-courier-brake")).stream()
                .map(Check::id)
                .toList();
        assertTrue(lever.contains("stands-safe") && !lever.contains("parking-brake-proven"));
        assertTrue(
                Checks.of(Presets.layout("corvane-flatbed")).stream().anyMatch(c -> c.id().equals("steering-again")));
    }
}
