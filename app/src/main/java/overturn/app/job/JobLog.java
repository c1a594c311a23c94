package overturn.app.job;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

/** Where logs are kept. */
public interface JobLog {

    /** Whether there is no job at all. */
    boolean isEmpty();

    /** The entries of a job in order; empty if there is no such job. */
    List<LoggedEntry> entries(UUID jobId);

    /** The same as it was written, for taking it along. */
    List<StoredEntry> stored(UUID jobId);

    /** Stored entries as this version understands them. */
    List<LoggedEntry> understood(List<StoredEntry> entries);

    /**
     * Whether the body of an entry is one that this program writes, or wrote in an earlier version: nothing missing,
     * nothing else in it. Kinds and versions that are not known are.
     */
    boolean isAsWritten(StoredEntry entry);

    /** Readings of all jobs that arrived after a moment, in the order of their arrival. */
    List<Arrived> readingsAfter(Instant moment, int most);

    /** An entry and the job it belongs to. */
    record Arrived(UUID jobId, LoggedEntry entry) {}

    /** Throws away what lies beside the chain of a job. */
    void eraseBeside(UUID jobId);

    /** Whether there is such a job. */
    boolean isThere(UUID jobId);

    /** Whether any job holds an entry with this id. */
    boolean holds(UUID entryId);

    /** Makes room for a new job; does nothing if it exists. */
    void open(UUID jobId, Instant at);

    /**
     * Appends one entry behind {@code entry.sequence() - 1}.
     *
     * @throws StaleLogException if another entry took that place, or holds its id
     */
    void append(UUID jobId, LoggedEntry entry);

    /**
     * Appends entries as another workshop wrote them, all or none.
     *
     * @throws StaleLogException if another entry took one of their places, or holds the id of one
     */
    void takeOver(UUID jobId, List<StoredEntry> entries);
}
