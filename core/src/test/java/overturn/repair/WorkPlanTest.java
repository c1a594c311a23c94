package overturn.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.Needed;
import overturn.support.Everywhere;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** Every remedy of every layout has a plan that can be done, and that leaves nothing behind. */
class WorkPlanTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;

    /** @param plan in the usual ways */
    private record Case(Layout layout, Remedy remedy, String place, WorkPlan plan) {
        Case(Layout layout, Remedy remedy, String place) {
            this(layout, remedy, place, WorkPlan.of(layout, List.of(remedy), Map.of(remedy, place)));
        }

        @Override
        public String toString() {
            return remedy + " at " + place + " of " + layout.id();
        }
    }

    private static final List<Case> ALL = all();

    private static List<Case> all() {
        List<Case> all = new ArrayList<>();
        for (Layout layout : Presets.all()) {
            Stream.concat(SuspectCatalogue.of(layout).stream().map(Suspect::remedy), Stream.of(Remedy.SET_ROD))
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

    /** As usual, and each school on which the plan depends in each of its other ways. */
    private static List<WorkSchools> schools(WorkPlan usual) {
        List<WorkSchools> all = new ArrayList<>(List.of(WorkSchools.USUAL));
        for (School school : usual.schools()) {
            school.ways().stream().skip(1).forEach(way -> all.add(WorkSchools.USUAL.with(school, way)));
        }
        return all;
    }

    private static List<WorkStep> required(WorkPlan plan) {
        return plan.steps().stream().filter(step -> !step.optional()).toList();
    }

    @Test
    void itIsNotAskedWhereWhatIsDoneAtAllItsParts() {
        for (Remedy both : List.of(Remedy.ADJUST_SHOES, Remedy.BLEED_FRONT, Remedy.BLEED_REAR)) {
            assertTrue(WorkPlan.isForAll(TARN, both), both.id());
        }
        for (Remedy one : List.of(Remedy.RESEAL_END, Remedy.RENEW_HOSES, Remedy.RENEW_LININGS, Remedy.SWAP_ENDS)) {
            assertFalse(WorkPlan.isForAll(TARN, one), one.id());
        }
        Layout onePair = Presets.all().stream()
                .filter(layout -> WorkPlan.places(layout, Remedy.SWAP_ENDS).size() == 2)
                .findFirst()
                .orElseThrow();
        assertTrue(WorkPlan.isForAll(onePair, Remedy.SWAP_ENDS), "these two are all there are to be swapped");
    }

    @Test
    void aPlanForAllPartsWorksAtEachOfThemWhereverItIsAskedFor() {
        for (Case one : ALL) {
            List<String> places = WorkPlan.places(one.layout(), one.remedy());
            Set<String> worked = new HashSet<>();
            one.plan().steps().stream()
                    .filter(step ->
                            List.of(Section.FIT, Section.SET, Section.BLEED).contains(step.section()))
                    .forEach(step -> worked.add(step.place()));
            if (places.size() > 1 && WorkPlan.isForAll(one.layout(), one.remedy())) {
                assertTrue(worked.containsAll(places), one.toString());
            }
        }
    }

    @Test
    void aCableIsSlackenedWhereAParkingBrakeIs() {
        int plans = 0;
        for (Case one : ALL) {
            for (WorkStep step : one.plan().steps()) {
                if (step.id().equals("cable-slack") && one.remedy() == Remedy.ADJUST_SHOES) {
                    plans++;
                    assertTrue(
                            one.layout().all(DrumEnd.class).stream()
                                    .anyMatch(drum -> drum.id().equals(step.place()) && drum.parkingBrake()),
                            one.toString());
                }
            }
        }
        assertTrue(plans > 0);
    }

    /** Whatever is done only where it applies is done, or all of it is left out. */
    @Test
    @Tag("slow")
    void everyPlanOfEveryRemedyLayoutAndSchoolCanBeDoneByHand() {
        int plans = 0;
        Set<String> seen = new HashSet<>();
        for (Case one : ALL) {
            WorkPlan usual = one.plan();
            boolean allWays = Everywhere.presets().contains(one.layout());
            for (WorkSchools schools : allWays ? schools(usual) : List.of(WorkSchools.USUAL)) {
                plans++;
                WorkPlan plan =
                        WorkPlan.of(one.layout(), List.of(one.remedy()), Map.of(one.remedy(), one.place()), schools);
                String what = one + ", " + schools.chosen();
                assertEquals(List.of(), Hand.plays(plan.steps()), what);
                assertEquals(List.of(), Hand.plays(required(plan)), what + ", where nothing optional applies");
                assertEquals(List.of(), unmet(plan.steps()), what);
                assertEquals(List.of(), unmet(required(plan)), what + ", where nothing optional applies");
                plan.steps().forEach(step -> seen.add(step.id()));
            }
        }
        assertTrue(plans > (Everywhere.every() ? 3_000 : 1_500), plans + " plans");
        Set<String> never = new HashSet<>(Hand.hazards());
        never.removeAll(seen);
        assertEquals(Set.of(), never, "every hazard that is played is in some plan");
    }

    /** Two remedies at once, as they are accepted for two faults; on one circuit of each family. */
    @Test
    @Tag("slow")
    void everyTwoRemediesAreOnePlanThatCanBeDone() {
        for (Layout layout : Everywhere.presets()) {
            List<Remedy> remedies = SuspectCatalogue.of(layout).stream()
                    .map(Suspect::remedy)
                    .distinct()
                    .toList();
            for (Remedy first : remedies) {
                for (Remedy second : remedies) {
                    if (first != second) {
                        WorkPlan plan = plan(layout, first, second);
                        String what = first + " and " + second + " of " + layout.id();
                        assertEquals(List.of(), Hand.plays(required(plan)), what);
                        assertEquals(List.of(), unmet(plan.steps()), what);
                    }
                }
            }
        }
    }

    /** What a step needs and is not so when its turn has come. */
    private static List<String> unmet(List<WorkStep> steps) {
        Set<String> so = new HashSet<>();
        List<String> unmet = new ArrayList<>();
        for (WorkStep step : steps) {
            step.needs().stream()
                    .filter(need -> so.contains(need.state()) != need.so())
                    .forEach(need -> unmet.add(step.key() + " needs " + need));
            step.makes().forEach(made -> {
                if (made.so()) {
                    so.add(made.state());
                } else {
                    so.remove(made.state());
                }
            });
        }
        return unmet;
    }

    @Test
    void aStepThatIsMovedIsNoticed() {
        List<WorkStep> moved = new ArrayList<>(plan(TARN, Remedy.CLEAN_MASTER).steps());
        WorkStep lips =
                moved.stream().filter(s -> s.id().equals("lips")).findFirst().orElseThrow();
        moved.remove(lips);
        moved.add(
                moved.indexOf(moved.stream()
                        .filter(s -> s.id().equals("alcohol"))
                        .findFirst()
                        .orElseThrow()),
                lips);
        assertFalse(Hand.plays(moved).isEmpty(), "rubber before the wash");
    }

    @Test
    void aConditionThatIsDroppedIsNoticed() {
        List<WorkStep> dropped = plan(TARN, Remedy.SET_OUTPUT_ROD).steps().stream()
                .map(step -> step.id().equals("output-rod-set") ? withoutNeeds(step) : step)
                .toList();
        assertFalse(Hand.plays(WorkOrder.of(dropped)).isEmpty(), "the output rod measured with the master bolted on");
    }

    @Test
    void aCautionThatIsRemovedIsNoticed() {
        List<WorkStep> silent = plan(TARN, Remedy.RENEW_MASTER).steps().stream()
                .map(step -> step.id().equals("crack-nuts") ? withoutCautions(step) : step)
                .toList();
        assertEquals(List.of("crack-nuts@master: without the caution pressure"), Hand.plays(silent));
    }

    private static WorkStep withoutNeeds(WorkStep step) {
        return with(step, step.cautionIds(), List.of());
    }

    private static WorkStep withoutCautions(WorkStep step) {
        return with(step, List.of(), step.needs());
    }

    private static WorkStep with(WorkStep step, List<String> cautions, List<Condition> needs) {
        return new WorkStep(
                step.id(),
                step.section(),
                step.handling(),
                step.place(),
                step.minutes(),
                cautions,
                needs,
                step.makes(),
                step.asks(),
                step.together(),
                step.sheetFigures(),
                step.needed(),
                step.testId(),
                step.optional(),
                step.helper());
    }

    @Test
    void aRecipeThatContradictsItselfIsNamed() {
        StepDraft first = new StepDraft("first", Section.FIT, Handling.FIT, "master", 1)
                .needs(State.TIGHT)
                .makes(State.BOLTED);
        StepDraft second = new StepDraft("second", Section.FIT, Handling.FIT, "master", 1)
                .needs(State.BOLTED)
                .makes(State.TIGHT);
        List<WorkStep> steps = List.of(first.step(Set.of()), second.step(Set.of()));
        String said = assertThrows(IllegalStateException.class, () -> WorkOrder.of(steps))
                .getMessage();
        assertTrue(said.contains("first@master waits for tight@master"), said);
    }

    @Test
    void everyPlanLooksAtWhatMadeItFail() {
        for (Case one : ALL) {
            assertTrue(
                    one.plan().steps().stream().anyMatch(s -> s.section() == Section.BEYOND),
                    one + " looks no further");
        }
    }

    @Test
    void everyStepIsAtAPartOfTheLayoutAndEveryTestItNamesExists() {
        Map<Layout, ProcedureCatalogue> catalogues = new HashMap<>();
        for (Case one : ALL) {
            ProcedureCatalogue tests = catalogues.computeIfAbsent(one.layout(), ProcedureCatalogue::of);
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
        assertTrue(has(plan, "bench-strokes") && has(plan, "output-rod-set") && has(plan, "switch-set"));
        assertEquals(
                TARN.ends().size(),
                plan.steps().stream().filter(WorkStep::bleedsAnEnd).count());
        Asked bore = plan.find("compare-bore@master").orElseThrow().asks().get(1);
        assertTrue(bore.differs(22.2) && !bore.differs(TARN.master().boreMm()));
    }

    /** The chain of a resealed master, as it is done by hand. */
    @Test
    void aResealedMasterIsStrippedWashedMeasuredDecidedAndOnlyThenGetsItsRubber() {
        List<String> ids = plan(TARN, Remedy.CLEAN_MASTER).steps().stream()
                .map(WorkStep::id)
                .toList();
        List<String> chain = List.of(
                "hold",
                "crack-nuts",
                "unbolt-master",
                "apart",
                "alcohol",
                "bore-measured",
                "decide-master",
                "lips",
                "springs-back",
                "bench-strokes",
                "output-rod-set",
                "fit-master",
                "nuts-by-hand",
                "torque-nuts",
                "rod-set",
                "fill",
                "bleed-end",
                "rod-again",
                "set-level",
                "wash");
        assertEquals(chain, ids.stream().filter(chain::contains).distinct().toList());
    }

    @Test
    void whatAWorkshopHasChosenChangesThePlan() {
        Layout lever = Presets.layout("wisp-courier-brake");
        assertTrue(has(plan(lever, Remedy.CLEAN_MASTER), "vehicle-strokes"));
        WorkPlan bench = WorkPlan.of(
                lever, List.of(Remedy.CLEAN_MASTER), Map.of(), WorkSchools.USUAL.with(School.PRIMING, "bench"));
        assertTrue(has(bench, "bench-strokes") && !has(bench, "vehicle-strokes"));
        WorkPlan pipesOff = WorkPlan.of(
                TARN, List.of(Remedy.RENEW_ASSIST), Map.of(), WorkSchools.USUAL.with(School.ASSIST_PIPES, "off"));
        assertTrue(pipesOff.bleeds() && !plan(TARN, Remedy.RENEW_ASSIST).bleeds(), "what was opened is bled");
        WorkPlan resealed = WorkPlan.of(
                TARN, List.of(Remedy.RENEW_MASTER), Map.of(), WorkSchools.USUAL.with(School.REWORK, "reseal"));
        assertTrue(has(resealed, "lips") && !has(resealed, "compare-bore"));
        assertTrue(has(plan(TARN, Remedy.RENEW_ASSIST), "why-renewed"), "a vacuum assist is never resealed");
    }

    @Test
    @Tag("slow")
    void everySchoolChangesThePlansThatDependOnItAndNoOther() {
        Set<School> seen = EnumSet.noneOf(School.class);
        Set<String> once = new HashSet<>();
        List<Case> some = ALL.stream()
                .filter(one -> Everywhere.presets().contains(one.layout()))
                .filter(one -> once.add(one.remedy() + one.layout().id()))
                .toList();
        for (Case one : some) {
            WorkPlan usual = one.plan();
            for (School school : School.values()) {
                boolean changes = school.ways().stream()
                        .skip(1)
                        .anyMatch(way -> !usual.steps()
                                .equals(WorkPlan.of(
                                                one.layout(),
                                                List.of(one.remedy()),
                                                Map.of(one.remedy(), one.place()),
                                                WorkSchools.USUAL.with(school, way))
                                        .steps()));
                assertTrue(!changes || usual.schools().contains(school), one + " does not tell of " + school);
                if (changes) {
                    seen.add(school);
                }
            }
        }
        assertEquals(EnumSet.allOf(School.class), seen);
    }

    @Test
    void whatIsNeededIsKnownBeforeAnythingIsOpened() {
        Set<Needed> needed = plan(TARN, Remedy.CLEAN_MASTER).needed();
        assertTrue(needed.containsAll(Set.of(
                Needed.SEAL_KIT,
                Needed.BORE_GAUGE,
                Needed.FLARE_NUT_SPANNER,
                Needed.RING_PLIERS,
                Needed.FLUID,
                Needed.SOFT_JAWS)));
        assertFalse(needed.contains(Needed.GEARBOX_JACK));
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
        assertEquals(1, oneEnd.steps().stream().filter(WorkStep::bleedsAnEnd).count());
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
