package overturn.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import overturn.circuit.Layout;
import overturn.suspect.Remedy;

/**
 * What is done for a cure on one layout, in the order of the work. Two remedies are one plan: what both need is done
 * once.
 *
 * @param steps by section, each act at each place once
 */
public record WorkPlan(List<WorkStep> steps) {

    public WorkPlan {
        steps = List.copyOf(steps);
    }

    /**
     * The plan of a cure.
     *
     * @param places for each remedy the component at which it is done, where there is a choice; left out, the first
     */
    public static WorkPlan of(Layout layout, List<Remedy> remedies, Map<Remedy, String> places) {
        Map<String, WorkStep> all = new LinkedHashMap<>();
        for (Remedy remedy : remedies) {
            String place = places.getOrDefault(remedy, places(layout, remedy).get(0));
            Recipes.stepsOf(layout, remedy, place).forEach(step -> all.putIfAbsent(step.key(), step));
        }
        List<WorkStep> steps = new ArrayList<>(all.values());
        steps.sort(Comparator.comparing(WorkStep::section));
        return new WorkPlan(steps);
    }

    /** Components at which a remedy can be done on a layout; never empty. */
    public static List<String> places(Layout layout, Remedy remedy) {
        return Places.of(layout, remedy);
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
}
