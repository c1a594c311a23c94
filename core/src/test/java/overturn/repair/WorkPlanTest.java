package overturn.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.ProcedureCatalogue;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** Every remedy of every layout has a plan that can be done, and that leaves nothing behind. */
class WorkPlanTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;

    private record Case(Layout layout, Remedy remedy, String place) {
        WorkPlan plan() {
            return WorkPlan.of(layout, List.of(remedy), Map.of(remedy, place));
        }

        @Override
        public String toString() {
            return remedy + " at " + place + " of " + layout.id();
        }
    }

    private static List<Case> all() {
        List<Case> all = new ArrayList<>();
        for (Layout layout : Presets.all()) {
            SuspectCatalogue.of(layout).stream()
                    .map(Suspect::remedy)
                    .distinct()
                    .forEach(remedy ->
                            WorkPlan.places(layout, remedy).forEach(place -> all.add(new Case(layout, remedy, place))));
        }
        return all;
    }

    private static WorkPlan plan(Layout layout, Remedy... remedies) {
        return WorkPlan.of(layout, List.of(remedies), Map.of());
    }

    private static boolean has(WorkPlan plan, String step) {
        return plan.steps().stream().anyMatch(s -> s.id().equals(step));
    }

    /**
     * What is put on comes off, what is moved is set back, and never before it was put on or moved, by a test or a
     * step.
     */
    @Test
    void nothingIsLeftOnOffOrMovedAtTheEndOfAnyPlan() {
        Set<String> byTests = Presets.all().stream()
                .flatMap(layout -> ProcedureCatalogue.of(layout).all().stream())
                .flatMap(test -> test.steps().stream())
                .flatMap(step -> step.fits().stream())
                .map(item -> item.split("@")[0])
                .collect(Collectors.toSet());
        for (Case one : all()) {
            Map<String, Integer> on = new HashMap<>();
            for (WorkStep step : one.plan().steps()) {
                step.fits().forEach(item -> on.merge(item, 1, Integer::sum));
                step.moves().forEach(item -> on.merge(item, 1, Integer::sum));
                List<String> back = new ArrayList<>(step.takesOff());
                back.addAll(step.setsBack());
                for (String item : back) {
                    boolean there = on.getOrDefault(item, 0) > 0;
                    assertTrue(
                            there || byTests.contains(item.split("@")[0]), one + ": " + step.key() + " undoes " + item);
                    on.merge(item, there ? -1 : 0, Integer::sum);
                }
            }
            on.keySet().removeIf(item -> item.startsWith("do-not-drive-tag"));
            on.forEach((item, left) -> assertEquals(0, left, one + " leaves " + item));
        }
    }

    @Test
    void everyPlanLooksAtWhatMadeItFail() {
        for (Case one : all()) {
            assertTrue(
                    one.plan().steps().stream().anyMatch(s -> s.section() == Section.BEYOND),
                    one + " looks no further");
        }
    }

    /** Cautions that handbook and trade ask for at the step where the hand is. */
    @Test
    void whereItCanHurtSomebodyTheStepHasItsCaution() {
        Map<String, String> needed = Map.ofEntries(
                Map.entry("hold", "chocks"),
                Map.entry("raise", "stands"),
                Map.entry("crack-nuts", "pressure"),
                Map.entry("crack-line", "pressure"),
                Map.entry("crack-joint", "pressure"),
                Map.entry("cap-pipes", "open-circuit"),
                Map.entry("cap-line", "open-circuit"),
                Map.entry("bleed-end", "screw"),
                Map.entry("fill", "fluid"),
                Map.entry("linings-out", "lining-dust"),
                Map.entry("drum-off", "lining-dust"),
                Map.entry("drum-on", "drum-first"),
                Map.entry("piston-out", "piston-flies"),
                Map.entry("apart", "spring-flies"),
                Map.entry("gearbox-out", "gearbox-falls"),
                Map.entry("slave-off", "slave-unborne"),
                Map.entry("lines-off", "steering-too"),
                Map.entry("accumulator-off", "accumulator"),
                Map.entry("routine-run", "routine"),
                Map.entry("reach-back", "preload"),
                Map.entry("spend-reserve", "open-circuit"),
                Map.entry("bench-strokes", "face-shield"),
                Map.entry("end-off", "end-hangs"));
        Set<String> seen = new HashSet<>();
        for (Case one : all()) {
            for (WorkStep step : one.plan().steps()) {
                if (needed.containsKey(step.id())) {
                    seen.add(step.id());
                    assertEquals(Optional.of(needed.get(step.id())), step.cautionId(), one + ": " + step.key());
                }
            }
        }
        assertEquals(needed.keySet(), seen, "every one of them is in some plan");
    }

    @Test
    void everyStepIsAtAPartOfTheLayoutAndEveryTestItNamesExists() {
        for (Case one : all()) {
            ProcedureCatalogue tests = ProcedureCatalogue.of(one.layout());
            for (WorkStep step : one.plan().steps()) {
                assertEquals(step.place(), one.layout().component(step.place()).id());
                step.testId()
                        .ifPresent(id -> assertTrue(tests.find(id).isPresent(), one + ": " + step.key() + " is " + id));
                assertTrue(step.minutes() > 0);
            }
        }
    }

    @Test
    void aMasterIsComparedBledOnTheBenchSetAndAllEndsAreBled() {
        WorkPlan plan = plan(TARN, Remedy.RENEW_MASTER);
        List<Section> sections =
                plan.steps().stream().map(WorkStep::section).distinct().toList();
        assertEquals(sections.stream().sorted().toList(), sections);
        assertTrue(has(plan, "bench-strokes") && has(plan, "output-rod-set") && has(plan, "switch-set"));
        assertEquals(
                TARN.ends().size(),
                plan.steps().stream().filter(s -> s.id().equals("bleed-end")).count());
        Asked bore = plan.find("compare-bore@master").orElseThrow().asks().get(1);
        assertTrue(bore.differs(22.2) && !bore.differs(TARN.master().boreMm()));
    }

    @Test
    void aMasterWithAScrewOfItsOwnIsBledThereBeforeTheEnds() {
        WorkPlan own = plan(Presets.layout("corvane-flatbed"), Remedy.BLEED_MASTER);
        List<String> ids = own.steps().stream().map(WorkStep::id).toList();
        assertTrue(has(own, "master-screw-bled") && !has(own, "master-ports-bled"), ids.toString());
        assertTrue(ids.indexOf("master-screw-bled") < ids.indexOf("bleed-end"), ids.toString());
        WorkPlan without = plan(TARN, Remedy.BLEED_MASTER);
        assertTrue(has(without, "master-ports-bled") && !has(without, "master-screw-bled"));
        WorkPlan oneAxle = plan(Presets.layout("corvane-flatbed"), Remedy.BLEED_REAR);
        assertFalse(has(oneAxle, "master-screw-bled"), "the master stayed shut");
    }

    @Test
    void onlyWhatThisVehicleNeeds() {
        assertFalse(has(plan(TARN, Remedy.SET_LAMP_SWITCH), "bleed-end"));
        WorkPlan lever = plan(Presets.layout("wisp-courier-brake"), Remedy.CLEAN_MASTER);
        assertTrue(has(lever, "reach-set") && !has(lever, "spend-reserve") && !has(lever, "wheel-off"));
        WorkPlan concentric = plan(Presets.layout("pellow-saloon-clutch"), Remedy.RENEW_SLAVE);
        assertTrue(has(concentric, "gearbox-out"));
        WorkPlan outside = plan(Presets.layout("brack-tug-clutch"), Remedy.RENEW_SLAVE);
        assertFalse(has(outside, "gearbox-out"));
        WorkPlan oneEnd = WorkPlan.of(TARN, List.of(Remedy.RESEAL_END), Map.of(Remedy.RESEAL_END, "rear-left"));
        assertEquals(
                1,
                oneEnd.steps().stream().filter(s -> s.id().equals("bleed-end")).count());
    }

    @Test
    void whatTwoRemediesShareIsDoneOnce() {
        WorkPlan both = plan(TARN, Remedy.RENEW_MASTER, Remedy.BLEED_FRONT);
        WorkPlan alone = plan(TARN, Remedy.RENEW_MASTER);
        assertEquals(
                both.steps().size(),
                new HashSet<>(both.steps().stream().map(WorkStep::key).toList()).size());
        assertTrue(both.minutes()
                < alone.minutes() + plan(TARN, Remedy.BLEED_FRONT).minutes() - 20);
    }
}
