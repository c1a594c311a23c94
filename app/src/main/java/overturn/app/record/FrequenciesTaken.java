package overturn.app.record;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import overturn.circuit.Family;
import overturn.learning.LearnedCounts;

/** Counts that other workshops have learned. */
public interface FrequenciesTaken {

    /** What came from elsewhere: counts by family, no vehicle and no person. */
    record Elsewhere(UUID id, String name, Instant takenAt, Map<Family, LearnedCounts> families) {}

    List<Elsewhere> all();

    /** Adds one; the same id again changes nothing. */
    void add(Elsewhere taken, String personId);
}
