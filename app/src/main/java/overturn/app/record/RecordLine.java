package overturn.app.record;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import overturn.circuit.Family;
import overturn.course.Decided.TurnedOut;
import overturn.course.JobStage;
import overturn.verdict.Grade;

/**
 * A job that is closed or came back, as the record tells it. All of it can be made anew from the log.
 *
 * @param sequence of the last entry it knows
 * @param make as it was told at intake; empty where nobody told it
 * @param behaviour what was felt, by its stable id; empty where nobody complained
 * @param hunchHeld whether what was done cures what somebody would have bet on; empty where there was no bet or no cure
 * @param people who wrote in its log
 * @param closedAt when it was released or given up
 * @param remedies ids of what was done last, empty where it was given up
 * @param triedBefore ids of what was done before that and did not cure alone
 * @param causeId the likeliest suspect of what was done; empty where nothing in the list is
 * @param cameBackAt when it came back with the same complaint
 * @param shares of each suspect in its cause
 * @param steps the tests that were done
 * @param spentMinutes tests by their estimates, and what was tried before
 * @param byLikelihoodMinutes what would have been spent in vain by replacing the likeliest first; empty where nothing
 *     was cured
 * @param told everything that can be looked for
 */
public record RecordLine(
        UUID jobId,
        int sequence,
        UUID vehicleId,
        String vehicle,
        String layoutId,
        Family family,
        String make,
        String complaint,
        String behaviour,
        String hunchId,
        Optional<Boolean> hunchHeld,
        String openedById,
        List<String> people,
        Instant openedAt,
        Instant closedAt,
        JobStage stage,
        List<String> remedies,
        List<String> triedBefore,
        String causeId,
        Optional<Grade> grade,
        Optional<TurnedOut> turnedOut,
        Optional<Instant> cameBackAt,
        Optional<UUID> comesBackFrom,
        Map<String, Double> shares,
        List<StepTaken> steps,
        double spentMinutes,
        Optional<Double> byLikelihoodMinutes,
        String told) {

    public RecordLine {
        people = List.copyOf(people);
        remedies = List.copyOf(remedies);
        triedBefore = List.copyOf(triedBefore);
        shares = Map.copyOf(shares);
        steps = List.copyOf(steps);
    }

    /**
     * A test that was done.
     *
     * @param estimatedMinutes what the planner took it for
     * @param tookMinutes since the same person's entry before it; empty where that says nothing
     */
    public record StepTaken(String procedureId, double estimatedMinutes, Optional<Double> tookMinutes) {}
}
