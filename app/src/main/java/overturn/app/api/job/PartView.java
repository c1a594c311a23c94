package overturn.app.api.job;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import overturn.app.usecase.job.Jobs.Job;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.inference.Belief;
import overturn.planning.Proposal;
import overturn.procedure.Procedure;
import overturn.procedure.StepActs;
import overturn.suspect.Suspect;

/**
 * One part of the circuit as this job knows it.
 *
 * @param probability that the fault sits there
 * @param suspects what may be wrong with it, the likeliest first
 * @param readingIds entries of the log whose test looks at it
 * @param tests tests that look at it, in the order of the plan, then those done or not to be done
 */
public record PartView(
        String componentId,
        double probability,
        List<SuspectHere> suspects,
        List<UUID> readingIds,
        List<TestHere> tests) {

    /** A suspect that can sit there. */
    public record SuspectHere(String suspectId, double probability) {}

    /** A test that looks there; {@code open} where the plan still offers it. */
    public record TestHere(String procedureId, double minutes, boolean open) {}

    static PartView of(Job job, String componentId) {
        Layout layout = job.model().layout();
        Belief belief = job.assessment().history().now();
        List<Suspect> here = job.model().suspects().stream()
                .filter(s -> s.places().contains(componentId))
                .toList();
        Set<String> ids = here.stream().map(Suspect::id).collect(Collectors.toSet());
        Map<String, Procedure> looking = job.model().procedures().all().stream()
                .filter(p -> !ProcedureCatalogue.atIntake(p.id()))
                .filter(p -> p.observes().stream().anyMatch(ids::contains) || worksAt(p, componentId, layout))
                .collect(Collectors.toMap(Procedure::id, Function.identity()));
        List<String> planned = job.assessment().proposals().stream()
                .map(Proposal::procedure)
                .map(Procedure::id)
                .filter(looking::containsKey)
                .toList();
        return new PartView(
                componentId,
                job.suspectedParts().getOrDefault(componentId, 0.0),
                here.stream()
                        .map(s -> new SuspectHere(s.id(), belief.probability(s.id())))
                        .sorted(Comparator.comparingDouble(SuspectHere::probability)
                                .reversed())
                        .toList(),
                job.assessment().history().readings().stream()
                        .filter(r -> looking.containsKey(r.procedureId()))
                        .map(r -> UUID.fromString(r.id()))
                        .toList(),
                Stream.concat(
                                planned.stream(),
                                looking.keySet().stream()
                                        .filter(id -> !planned.contains(id))
                                        .sorted())
                        .flatMap(id -> Optional.ofNullable(looking.get(id)).stream()
                                .map(test -> new TestHere(id, test.minutes(), planned.contains(id))))
                        .toList());
    }

    /** The input is at hand in nearly every test; only what is done to it counts as looking at it. */
    private static boolean worksAt(Procedure procedure, String componentId, Layout layout) {
        return !layout.input().id().equals(componentId)
                && procedure.steps().stream()
                        .anyMatch(step ->
                                StepActs.of(procedure, step, layout).places().contains(componentId));
    }
}
