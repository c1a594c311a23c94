package overturn.app.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.course.JobStage;

/** Where the lines of the bay are kept. They follow the logs and can be made anew from them at any time. */
public interface JobSummaries {

    /** Keeps what the log tells, in the transaction that appends to it; what is known of where the job stands stays. */
    void keep(JobSummary summary);

    /** Keeps where a job stands, unless something newer is known. */
    void keep(UUID jobId, JobSummary.Lead lead);

    /** Where a job stood before an upgrade changed it; empty where none did, and from the next entry on. */
    Optional<JobSummary.Moved> moved(UUID jobId);

    /** Some lines, those that block the shop first, the newest of them first. */
    Page find(Search search);

    /** Jobs that are to be looked at again, the soonest first. */
    List<JobSummary> toBeRechecked(int most);

    /** Jobs that have no line yet, the newest first. */
    List<UUID> missing();

    /**
     * Open jobs of which it is not known where they stand by their whole log and these settings, the longest behind
     * first.
     */
    List<UUID> behind(int settingsVersion, int most);

    /** Throws all lines away. */
    void clear();

    /**
     * What is looked for.
     *
     * @param open whether open or closed jobs are wanted; empty for both
     * @param stage the only stage wanted; empty for all
     * @param text to be found in vehicle, complaint or layout, whatever its case, one or two characters at the
     *     beginning of a word; empty for all
     * @param after the last line seen before
     * @param most lines wanted
     */
    record Search(Optional<Boolean> open, Optional<JobStage> stage, String text, Optional<Place> after, int most) {}

    /** The place of a line in the list. */
    record Place(int urgency, Instant openedAt, UUID jobId) {}

    /**
     * Some lines.
     *
     * @param found how many there are in all, counted up to {@link #MOST_COUNTED}
     * @param more whether there are more behind these
     */
    record Page(List<JobSummary> lines, int found, boolean more) {

        /** So many are counted; beyond it only that there are more. */
        public static final int MOST_COUNTED = 1000;

        public Page {
            lines = List.copyOf(lines);
        }
    }

    /** Jobs of one vehicle, the newest first. */
    default List<JobSummary> ofVehicle(UUID vehicleId) {
        return ofVehicles(List.of(vehicleId));
    }

    /** The jobs of several vehicles, the newest first. */
    List<JobSummary> ofVehicles(List<UUID> vehicleIds);
}
