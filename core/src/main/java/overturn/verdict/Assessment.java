package overturn.verdict;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.planning.Proposal;
import overturn.planning.Round;
import overturn.planning.TestPlanner;
import overturn.planning.Workshop;
import overturn.procedure.VehicleNeeds;

/**
 * Everything that follows from the readings of a job: beliefs, the ranked tests, the verdict. A pure function of its
 * inputs.
 *
 * @param history beliefs before and after each reading
 * @param proposals tests that can be done, the best first
 * @param verdict where it stands
 */
public record Assessment(BeliefHistory history, List<Proposal> proposals, Verdict verdict) {

    public Assessment {
        proposals = List.copyOf(proposals);
    }

    /**
     * Assesses a job.
     *
     * @param intake facts told at intake
     * @param readings standing readings in order
     * @param state how the vehicle stands
     * @param setAside tests that cannot be done on this vehicle
     * @param workshop what the workshop has, and its prices
     */
    public static Assessment of(
            LayoutModel model,
            Intake intake,
            List<Reading> readings,
            VehicleNeeds state,
            Set<String> setAside,
            Workshop workshop) {
        return of(BeliefHistory.of(model, intake, readings), state, setAside, workshop);
    }

    /** Assesses a job whose beliefs are known. */
    public static Assessment of(BeliefHistory history, VehicleNeeds state, Set<String> setAside, Workshop workshop) {
        LayoutModel model = history.model();
        return new Assessment(
                history,
                TestPlanner.of(model, workshop).rank(history, state, setAside),
                VerdictRule.of(model, workshop).explained(history));
    }

    /** What is worth doing, grouped by how the vehicle has to stand. */
    public List<Round> rounds() {
        return verdict.grade() == Grade.PROVEN ? List.of() : Round.of(proposals);
    }

    /** The cheapest way to settle readings that do not fit together: a repeat with another rig. */
    public Optional<Proposal> cheapestRepeat() {
        return proposals.stream()
                .filter(p -> p.kind() == Proposal.Kind.CONFLICT)
                .min(Comparator.comparingDouble(Proposal::minutes));
    }

    /** The test to do next; empty when the verdict is proven or nothing is left to do. */
    public Optional<Proposal> next() {
        return verdict.grade() == Grade.PROVEN
                ? Optional.empty()
                : proposals.stream().findFirst();
    }

    /**
     * The test to do before anything is decided; empty where the verdict is at least probable and no test is worth its
     * minutes. What is open is tested on, since a guess is not acted on.
     */
    public Optional<Proposal> beforeDeciding() {
        return next().filter(test -> verdict.grade() == Grade.OPEN || test.worthDoing());
    }

    /** Whether another test is worth its minutes, or the verdict may be acted on as it stands. */
    public boolean anotherTestPays() {
        return next().filter(Proposal::worthDoing).isPresent();
    }
}
