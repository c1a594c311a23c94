package overturn.planning;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import overturn.catalogue.CutSetProcedure;
import overturn.catalogue.ProcedureCatalogue;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.procedure.Procedure;
import overturn.procedure.StateChanges;
import overturn.procedure.VehicleNeeds;
import overturn.suspect.Suspect;

/**
 * Of all ways to divide the circuit, the few that split best for their minutes what a hold can show at all.
 * LikelihoodCache by the circuit alone, so that only those few have to be simulated; the planner then weighs them like
 * any other test.
 */
final class CutSetChoice {

    /** Ways to divide the circuit that are offered at once; chosen for the eye. */
    private static final int OFFERED = 2;
    /** Information of the split from which on it is worth simulating, nats; estimate. */
    private static final double LEAST_NATS = 0.15;

    private CutSetChoice() {}

    static List<Procedure> of(BeliefHistory history, Workshop workshop, Set<String> setAside) {
        Map<String, Double> felt = feltAt(history);
        double whole = felt.values().stream().mapToDouble(Double::doubleValue).sum();
        return history.model().procedures().cutSets().stream()
                .filter(test -> workshop.canDo(test.procedure())
                        && !setAside.contains(test.procedure().id())
                        && nats(test, whole, felt) >= LEAST_NATS)
                .sorted(Comparator.comparingDouble(
                        (CutSetProcedure test) -> -nats(test, whole, felt) / minutes(test.procedure(), workshop)))
                .limit(OFFERED)
                .map(CutSetProcedure::procedure)
                .toList();
    }

    /** Information that the hold goes on failing. */
    private static double nats(CutSetProcedure test, double whole, Map<String, Double> felt) {
        return binaryEntropy(whole
                - test.division().takenOut().stream()
                        .mapToDouble(id -> felt.getOrDefault(id, 0.0))
                        .sum());
    }

    /** The test and the way there and back. */
    private static double minutes(Procedure procedure, Workshop workshop) {
        return workshop.minutes(procedure)
                + StateChanges.minutes(VehicleNeeds.SEAT, procedure.needs())
                + StateChanges.minutes(procedure.needs(), VehicleNeeds.SEAT);
    }

    private static double binaryEntropy(double chance) {
        double inside = Math.min(1 - 1e-9, Math.max(1e-9, chance));
        return -inside * Math.log(inside) - (1 - inside) * Math.log(1 - inside);
    }

    /** Suspicion per component, of suspects that a hold on the whole circuit tells from nothing wrong. */
    private static Map<String, Double> feltAt(BeliefHistory history) {
        LayoutModel model = history.model();
        Belief belief = history.now();
        Procedure hold = model.procedures().find(ProcedureCatalogue.HOLD).orElseThrow();
        Map<String, Double> felt = new HashMap<>();
        for (int s = 0; s < model.suspects().size(); s++) {
            Suspect suspect = model.suspects().get(s);
            if (!suspect.places().isEmpty() && model.tells(hold, s)) {
                for (String place : suspect.places()) {
                    felt.merge(place, belief.probability(s) / suspect.places().size(), Double::sum);
                }
            }
        }
        return felt;
    }
}
