package overturn.app.job;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/**
 * A job as a line of the bay, kept beside its log so that no list has to read logs. All of it can be made anew from the
 * log.
 *
 * @param sequence of the last entry it knows
 * @param lead where it stands, once that has been worked out; it may be of an earlier sequence
 */
public record JobSummary(
        UUID jobId,
        int sequence,
        JobStage stage,
        UUID vehicleId,
        String vehicle,
        String layoutId,
        String complaint,
        String openedById,
        Instant openedAt,
        int readings,
        String hunchId,
        int stillFitted,
        Optional<Lead> lead) {

    /**
     * What follows from the log.
     *
     * @param sequence of the last entry that was assessed
     * @param settingsVersion of the workshop's settings it was assessed with
     * @param suspectId the leading suspect
     * @param remedyId the leading remedy
     * @param grade of the verdict
     * @param catalogueVersion which suspects, tests and rules found it
     * @param next the test to do next
     */
    public record Lead(
            int sequence,
            int settingsVersion,
            String suspectId,
            String remedyId,
            double probability,
            String grade,
            String catalogueVersion,
            Optional<NextTest> next) {}

    /** Where a job stood by an earlier catalogue, where an upgrade has changed that since the last entry. */
    public record Moved(String remedyId, String grade, double probability, String catalogueVersion) {}

    /** The test that a job waits for. */
    public record NextTest(String procedureId, double minutes) {}

    /** What the log alone tells; where it stands has still to be worked out. */
    public static JobSummary of(UUID jobId, JobState state) {
        LoggedEntry first = state.log().get(0);
        return new JobSummary(
                jobId,
                state.sequence(),
                state.stage(),
                state.opened().vehicleId(),
                state.opened().vehicle(),
                state.opened().layoutId(),
                state.opened().complaint(),
                first.personId(),
                first.at(),
                state.readings().size(),
                state.opened().hunchId(),
                state.stillFitted().size(),
                Optional.empty());
    }
}
