package overturn.app.job;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import overturn.verdict.CatalogueVersion;

/**
 * An entry as it stands in the log.
 *
 * @param id made by the client, so that sending twice appends once
 * @param sequence 1 for the first entry of the job
 * @param takenAt when it was entered on the device, which may be long before the server could be reached
 * @param at when the server took it
 * @param personId who entered it
 * @param spentMinutes how long it took, where somebody said
 * @param catalogueVersion which suspects, tests and rules judged it then
 */
public record LoggedEntry(
        UUID id,
        int sequence,
        Instant takenAt,
        Instant at,
        String personId,
        Optional<Double> spentMinutes,
        String catalogueVersion,
        Entry entry) {

    /** An entry that arrived as it was entered. */
    public static LoggedEntry of(UUID id, int sequence, Instant at, String personId, Entry entry) {
        return new LoggedEntry(id, sequence, at, at, personId, Optional.empty(), CatalogueVersion.CURRENT, entry);
    }
}
