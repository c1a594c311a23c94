package overturn.app.vehicle;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Locale;
import java.util.UUID;

/**
 * A vehicle that jobs hang on.
 *
 * @param name how the workshop calls it, for example its plate
 * @param layoutId its circuit
 */
public record Vehicle(UUID id, Instant knownSince, String name, String layoutId) {

    /**
     * The id of the vehicle that is called so where nobody says which is meant: the same name, however it is spaced at
     * its ends and whatever the size of its letters, is the same vehicle.
     */
    public static UUID idOf(String name) {
        return UUID.nameUUIDFromBytes(name.strip().toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8));
    }
}
