package overturn.app.workshop;

import java.time.Instant;
import java.util.Optional;

/** What is known of the backups that are made by themselves. */
public interface Backups {

    /** The last that was tried; empty where none is made here, or none has been yet. */
    Optional<LastBackup> last();

    /**
     * A backup.
     *
     * @param good whether it was made and could be read back
     * @param triedAt when it was tried
     * @param lastGoodAt when the last good one was made; empty where there is none
     * @param everyHours how often one is made
     * @param message where it is, or what kept it from being made
     */
    record LastBackup(boolean good, Instant triedAt, Optional<Instant> lastGoodAt, int everyHours, String message) {}
}
