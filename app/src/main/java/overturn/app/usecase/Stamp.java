package overturn.app.usecase;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import overturn.app.people.Actor;

/**
 * What every write carries.
 *
 * @param entryId made by the client; the same id twice appends once
 * @param sequence of the last entry that the client had seen
 * @param actor who enters it
 * @param takenSecondsAgo how long ago it was entered on the device, s; told as a duration, since the clocks of devices
 *     differ; null: just now
 * @param spentMinutes how long it took, from the start of a test to its entry; null where nobody said
 */
public record Stamp(
        UUID entryId,
        Integer sequence,
        Actor actor,
        @Nullable Long takenSecondsAgo,
        @Nullable Double spentMinutes) {

    /** Who enters it. */
    public String personId() {
        return actor.personId();
    }

    /** The same with the minutes it took. */
    public Stamp spent(@Nullable Double minutes) {
        return new Stamp(entryId, sequence, actor, takenSecondsAgo, minutes);
    }

    /** The same for another entry that comes along with it: its id follows, so that sent twice it is there once. */
    public Stamp along(String name) {
        UUID id = UUID.nameUUIDFromBytes((entryId + " " + name).getBytes(StandardCharsets.UTF_8));
        return new Stamp(id, sequence, actor, takenSecondsAgo, null);
    }

    /** One that is entered and sent at once. */
    public static Stamp now(UUID entryId, Integer sequence, Actor actor) {
        return new Stamp(entryId, sequence, actor, null, null);
    }
}
