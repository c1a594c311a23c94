package overturn.app.api;

import java.util.Optional;

/** Fields of requests that may be left out. */
public final class Optionals {

    private Optionals() {}

    /** What a field holds; null where it is empty or was not sent. */
    public static <T> T orNull(Optional<T> field) {
        return field == null ? null : field.orElse(null);
    }
}
