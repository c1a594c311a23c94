package overturn.app.workshop;

import java.time.Instant;
import overturn.app.job.StaleLogException;

/** Where the versions of the workshop's settings are kept. */
public interface WorkshopLog {

    /** The latest; the plain ones where none was told. */
    WorkshopSettings latest();

    /**
     * Appends a version.
     *
     * @throws StaleLogException if somebody told one of this number before
     */
    void append(WorkshopSettings settings, String personId, Instant at);
}
