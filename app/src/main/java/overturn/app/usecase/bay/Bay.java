package overturn.app.usecase.bay;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummaries.Page;
import overturn.app.job.JobSummaries.Place;
import overturn.app.job.JobSummaries.Search;
import overturn.app.job.JobSummary;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.course.JobStage;

/** Lists jobs by the lines that are kept beside their logs; it reads no log and assesses nothing. */
@Component
public class Bay {

    private static final String OPEN = "open";
    private static final String CLOSED = "closed";
    private static final String ALL = "all";
    private static final int USUAL_LINES = 50;
    private static final int MOST_LINES = 200;
    private static final int MOST_TEXT = 100;

    private final JobSummaries summaries;

    Bay(JobSummaries summaries) {
        this.summaries = summaries;
    }

    /**
     * Some lines, those that block the shop first, the newest of them first.
     *
     * @param stage open, closed, all or the id of a stage; null: open
     * @param text to be found in vehicle, complaint or layout; null: all
     * @param after the place behind which to go on, as {@link #place} wrote it; null: from the first
     * @param most lines wanted; null: 50
     * @throws InvalidInputException naming every one that cannot be taken
     */
    public Page find(String stage, String text, String after, Integer most) {
        String which = stage == null ? OPEN : stage;
        String sought = text == null ? "" : text.strip();
        Optional<Place> place = after == null || after.isEmpty() ? Optional.empty() : parsed(after);
        new Checks()
                .that(
                        () -> which.equals(OPEN)
                                || which.equals(CLOSED)
                                || which.equals(ALL)
                                || JobStage.ofId(which).isPresent(),
                        "stage",
                        stage,
                        "open, closed, all or one of " + JobStage.ids())
                .that(() -> sought.length() <= MOST_TEXT, "search", sought, "at most " + MOST_TEXT + " characters")
                .that(
                        () -> after == null || after.isEmpty() || place.isPresent(),
                        "after",
                        after,
                        "the “next” of an earlier answer")
                .that(() -> most == null || most >= 1 && most <= MOST_LINES, "most", most, "1 to " + MOST_LINES)
                .orThrow();
        Optional<Boolean> open =
                which.equals(OPEN) ? Optional.of(true) : which.equals(CLOSED) ? Optional.of(false) : Optional.empty();
        return summaries.find(new Search(open, JobStage.ofId(which), sought, place, most == null ? USUAL_LINES : most));
    }

    /** Where a job stood before an upgrade changed it, until the next entry. */
    public Optional<JobSummary.Moved> moved(UUID jobId) {
        return summaries.moved(jobId);
    }

    /** A place in the list as text. */
    public static String place(JobSummary line) {
        return line.urgency() + "_" + line.openedAt() + "_" + line.jobId();
    }

    private static Optional<Place> parsed(String text) {
        String[] parts = text.split("_", 3);
        try {
            return parts.length == 3
                    ? Optional.of(
                            new Place(Integer.parseInt(parts[0]), Instant.parse(parts[1]), UUID.fromString(parts[2])))
                    : Optional.empty();
        } catch (DateTimeException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
