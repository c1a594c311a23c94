package overturn.app.job;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.course.Decided;
import overturn.course.JobStage;
import overturn.course.JobStatus;
import overturn.course.MayMove;
import overturn.course.NextAct;
import overturn.suspect.Remedy;
import overturn.verdict.Grade;

/**
 * A job as a line of the bay, kept beside its log so that no list has to read logs. All of it can be made anew from the
 * log.
 *
 * @param sequence of the last entry it knows
 * @param recheckOn the day on which it is to be looked at again; empty where it is not
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
        Optional<LocalDate> recheckOn,
        Optional<Lead> lead) {

    private static final int OPEN_ON_THE_LIFT = 4;
    private static final int FITTED = 3;
    private static final int DECIDED = 2;
    private static final int TRACED = 1;
    private static final int WAITS_ELSEWHERE = 0;

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
     * @param stands what every page says of the job; empty in lines of earlier versions
     */
    public record Lead(
            int sequence,
            int settingsVersion,
            String suspectId,
            String remedyId,
            double probability,
            Grade grade,
            String catalogueVersion,
            Optional<NextTest> next,
            Optional<Stands> stands) {}

    /**
     * What every page says of a job.
     *
     * @param decided ids of the remedies that were accepted
     * @param turnedOut whether that was proven; empty while nothing is accepted
     */
    public record Stands(
            List<String> decided, Optional<Decided.TurnedOut> turnedOut, NextAct next, MayMove.Answer mayMove) {

        public Stands {
            decided = List.copyOf(decided);
        }

        public static Stands of(JobStatus status) {
            return new Stands(
                    status.decided().map(Decided::remedies).orElse(List.of()).stream()
                            .map(Remedy::id)
                            .toList(),
                    status.decided().map(Decided::turnedOut),
                    status.next(),
                    status.mayMove().answer());
        }
    }

    /** Where a job stood by an earlier catalogue, where an upgrade has changed that since the last entry. */
    public record Moved(String remedyId, Grade grade, double probability, String catalogueVersion) {}

    /** The test that a job waits for. */
    public record NextTest(String procedureId, double minutes) {}

    /**
     * How much it blocks the shop, the more the higher: a vehicle under repair or being proved (anew) holds a bay; one
     * with plugs or clamps in cannot be moved; one whose verdict is accepted waits for hands; the others can stand
     * outside.
     */
    public int urgency() {
        return switch (stage) {
            case UNDER_REPAIR, PROVING_ON_CHOCKS, PROVING_IN_THE_YARD, PROVING_ON_THE_ROAD, RELEASE_TAKEN_BACK ->
                OPEN_ON_THE_LIFT;
            case WAITING, RELEASED_CONDITIONALLY, RELEASED, GIVEN_UP -> stillFitted > 0 ? FITTED : WAITS_ELSEWHERE;
            case ACCEPTED, COMEBACK -> stillFitted > 0 ? FITTED : DECIDED;
            case TRACING -> stillFitted > 0 ? FITTED : TRACED;
        };
    }

    private static Optional<LocalDate> recheckOn(JobState state) {
        return state.repair()
                .flatMap(RepairState::released)
                .map(logged -> ((JobReleased) logged.entry()).recheckOn())
                .filter(day -> !day.isEmpty())
                .map(LocalDate::parse);
    }

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
                state.onVehicle().toSetBack().size(),
                recheckOn(state),
                Optional.empty());
    }
}
