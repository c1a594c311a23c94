package overturn.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import overturn.circuit.Layout;
import overturn.procedure.Needed;
import overturn.suspect.Remedy;

/**
 * What is done for a cure on one layout, in an order that follows from what each step needs and makes. Two remedies are
 * one plan: what both need is done once.
 *
 * @param steps in the order of the work, each act at each place once
 * @param schools those that decide how some of it is done
 */
public record WorkPlan(List<WorkStep> steps, Set<School> schools) {

    /** Nothing to do. */
    public static final WorkPlan NOTHING = new WorkPlan(List.of(), Set.of());

    public WorkPlan {
        steps = List.copyOf(steps);
        schools = Set.copyOf(schools);
    }

    /** The plan of a cure, in the usual ways. */
    public static WorkPlan of(Layout layout, List<Remedy> remedies, Map<Remedy, String> places) {
        return of(layout, remedies, places, WorkSchools.USUAL);
    }

    /**
     * The plan of a cure.
     *
     * @param places for each remedy the component at which it is done, where there is a choice; left out, the first
     * @param schools the ways of the workshop or the job
     */
    public static WorkPlan of(Layout layout, List<Remedy> remedies, Map<Remedy, String> places, WorkSchools schools) {
        Map<String, StepDraft> all = new LinkedHashMap<>();
        Set<School> asked = EnumSet.noneOf(School.class);
        for (Remedy remedy : remedies) {
            String place = places.getOrDefault(remedy, places(layout, remedy).get(0));
            Recipes.Written written = Recipes.written(layout, remedy, place, schools);
            asked.addAll(written.schools());
            for (StepDraft step : written.steps()) {
                StepDraft there = all.putIfAbsent(step.key(), step);
                if (there != null) {
                    there.add(step);
                }
            }
        }
        Laws.applyTo(layout, all.values());
        Set<Condition> made =
                all.values().stream().flatMap(step -> step.makes().stream()).collect(Collectors.toSet());
        return new WorkPlan(
                WorkOrder.orBySection(
                        all.values().stream().map(step -> step.step(made)).toList()),
                asked);
    }

    /** Components at which a remedy can be done on a layout; never empty. */
    public static List<String> places(Layout layout, Remedy remedy) {
        return Places.of(layout, remedy);
    }

    /**
     * Whether a remedy is done at all its places in one plan, so that it is not asked at which. What is bled after a
     * repair is bled everywhere; what is only bled is done where it is bled.
     */
    public static boolean isForAll(Layout layout, Remedy remedy) {
        return of(layout, List.of(remedy), Map.of()).steps.stream()
                .filter(step -> step.section().changesTheVehicle()
                        || step.section() == Section.BLEED && remedy.isStrokesAtEnds())
                .map(WorkStep::place)
                .collect(Collectors.toSet())
                .containsAll(places(layout, remedy));
    }

    public double minutes() {
        return steps.stream().mapToDouble(WorkStep::minutes).sum();
    }

    public Optional<WorkStep> find(String key) {
        return steps.stream().filter(step -> step.key().equals(key)).findFirst();
    }

    /** Whether the circuit is bled in it. */
    public boolean bleeds() {
        return steps.stream().anyMatch(step -> step.section() == Section.BLEED);
    }

    /** The steps that come before the last end is bled; all where none is. */
    public List<WorkStep> beforeBled() {
        int last = steps.size();
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).bleedsAnEnd()) {
                last = i;
            }
        }
        return steps.subList(0, last);
    }

    /** The same with what is done to the ends while they are bled in this order. */
    public WorkPlan withEnds(List<String> order) {
        List<Integer> at = new ArrayList<>();
        List<WorkStep> ofEnds = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).section() == Section.BLEED
                    && order.contains(steps.get(i).place())) {
                at.add(i);
                ofEnds.add(steps.get(i));
            }
        }
        ofEnds.sort(Comparator.comparingInt(step -> order.indexOf(step.place())));
        List<WorkStep> sorted = new ArrayList<>(steps);
        for (int i = 0; i < at.size(); i++) {
            sorted.set(at.get(i), ofEnds.get(i));
        }
        return new WorkPlan(sorted, schools);
    }

    /** Whether everything that changes the vehicle is among these, so that a reading is about what is left. */
    public boolean isRepairedBy(Set<String> done) {
        return steps.stream()
                .filter(step -> !step.optional() && step.section().changesTheVehicle())
                .map(WorkStep::key)
                .allMatch(done::contains);
    }

    /** What has to be at hand before it is begun. */
    public Set<Needed> needed() {
        Set<Needed> all = EnumSet.noneOf(Needed.class);
        steps.stream().filter(step -> !step.optional()).forEach(step -> all.addAll(step.needed()));
        return all;
    }
}
