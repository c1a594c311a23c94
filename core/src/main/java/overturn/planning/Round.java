package overturn.planning;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import overturn.procedure.VehicleNeeds;

/**
 * Tests that share a state of the vehicle, done together so that the way there is gone once.
 *
 * @param needs the state
 * @param wayMinutes minutes there and back, once
 * @param proposals its tests, the best first
 */
public record Round(VehicleNeeds needs, double wayMinutes, List<Proposal> proposals) {

    public Round {
        proposals = List.copyOf(proposals);
    }

    /** What the tests of a plan that are worth doing come to; rounds in the order of their best test. */
    public static List<Round> of(List<Proposal> proposals) {
        Map<VehicleNeeds, List<Proposal>> byState = new LinkedHashMap<>();
        proposals.stream()
                .filter(Proposal::worthDoing)
                .forEach(p -> byState.computeIfAbsent(p.procedure().needs(), n -> new ArrayList<>())
                        .add(p));
        return byState.entrySet().stream()
                .map(e -> new Round(
                        e.getKey(),
                        e.getValue().stream()
                                .mapToDouble(p -> Math.max(0, p.stateMinutes()))
                                .max()
                                .orElse(0),
                        e.getValue()))
                .toList();
    }

    /** All minutes of the round. */
    public double minutes() {
        return wayMinutes
                + proposals.stream().mapToDouble(Proposal::testMinutes).sum();
    }
}
