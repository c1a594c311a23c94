package overturn.app.usecase.job;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.job.JobLog;
import overturn.app.job.JobLog.Arrived;
import overturn.app.job.JobState;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary;

/** What is told to scripts and calendars, of all jobs at once. */
@Component
public class Feeds {

    private static final int MOST_RECHECKS = 500;
    /** Readings told at once; the next are asked for after the last of these. */
    public static final int MOST_READINGS = 500;

    private final JobLog log;
    private final JobSummaries summaries;

    Feeds(JobLog log, JobSummaries summaries) {
        this.log = log;
        this.summaries = summaries;
    }

    /** Vehicles that are to be looked at again, the soonest first. */
    @Transactional(readOnly = true)
    public List<JobSummary> rechecks() {
        return summaries.toBeRechecked(MOST_RECHECKS);
    }

    /** A reading of any job, and whether it was struck since. */
    public record Told(Arrived reading, boolean struck) {}

    /** Readings that arrived after a moment, in the order of their arrival. */
    @Transactional(readOnly = true)
    public List<Told> readings(Instant after) {
        Map<UUID, Set<UUID>> struck = new HashMap<>();
        return log.readingsAfter(after, MOST_READINGS).stream()
                .map(reading -> new Told(
                        reading,
                        struck.computeIfAbsent(reading.jobId(), id -> JobState.struck(log.entries(id)))
                                .contains(reading.entry().id())))
                .toList();
    }
}
