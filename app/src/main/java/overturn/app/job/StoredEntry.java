package overturn.app.job;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/**
 * An entry as it was written, understood or not.
 *
 * @param body a JSON document
 */
public record StoredEntry(
        UUID id,
        int sequence,
        Instant takenAt,
        Instant enteredAt,
        String personId,
        Optional<Double> spentMinutes,
        String catalogueVersion,
        String kind,
        int bodyVersion,
        String body) {}
