package overturn.evidence;

import java.util.Objects;
import overturn.measurement.ReadingValue;
import overturn.measurement.RigTrust;
import overturn.suspect.Repaired;

/**
 * One reading that stands (struck ones are never passed in).
 *
 * @param id id of the log entry
 * @param procedureId the test
 * @param value what was read
 * @param rigSetup the rig set-up; readings of one set-up stand or fall together
 * @param trust how far that set-up is trusted
 * @param after the repairs done before it was read
 */
public record Reading(
        String id, String procedureId, ReadingValue value, String rigSetup, RigTrust trust, Repaired after) {

    public Reading {
        Objects.requireNonNull(id, "id");
        Objects.requireNonNull(procedureId, "procedureId");
        Objects.requireNonNull(value, "value");
        Objects.requireNonNull(rigSetup, "rigSetup");
        Objects.requireNonNull(trust, "trust");
        Objects.requireNonNull(after, "after");
    }

    /** A reading before any repair. */
    public Reading(String id, String procedureId, ReadingValue value, String rigSetup, RigTrust trust) {
        this(id, procedureId, value, rigSetup, trust, Repaired.NONE);
    }

    /** Whether both read the same thing: the same test on the vehicle in the same state of repair. */
    public boolean repeats(Reading other) {
        return procedureId.equals(other.procedureId) && after.equals(other.after);
    }
}
