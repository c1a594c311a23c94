package overturn.app.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** Where logs are kept. */
public interface JobLog {

    /** Ids of all jobs, the newest first. */
    List<UUID> jobs();

    /** The entries of a job in order; empty if there is no such job. */
    List<LoggedEntry> entries(UUID jobId);

    /** The job that holds an entry with this id, if any. */
    Optional<UUID> jobOfEntry(UUID entryId);

    /** Makes room for a new job; does nothing if it exists. */
    void open(UUID jobId, Instant at);

    /**
     * Appends one entry behind {@code entry.sequence() - 1}.
     *
     * @throws StaleLogException if another entry took that place
     */
    void append(UUID jobId, LoggedEntry entry);
}
