package overturn.evidence;

import java.util.Objects;
import overturn.measurement.ReadingValue;
import overturn.measurement.RigTrust;

/**
 * One reading that stands (struck ones are never passed in).
 *
 * @param id          id of the log entry
 * @param procedureId the test
 * @param value       what was read
 * @param rigSetup    the rig set-up; readings of one set-up stand or fall together
 * @param trust       how far that set-up is trusted
 */
public record Reading(String id, String procedureId, ReadingValue value, String rigSetup, RigTrust trust) {

    public Reading {
        Objects.requireNonNull(id, "id");
        Objects.requireNonNull(procedureId, "procedureId");
        Objects.requireNonNull(value, "value");
        Objects.requireNonNull(rigSetup, "rigSetup");
        Objects.requireNonNull(trust, "trust");
    }
}
