package overturn.app.usecase;

import java.util.UUID;

/**
 * What every write carries.
 *
 * @param entryId  made by the client; the same id twice appends once
 * @param sequence of the last entry that the client had seen
 * @param personId who enters it
 */
public record Stamp(UUID entryId, Integer sequence, String personId) {
}
