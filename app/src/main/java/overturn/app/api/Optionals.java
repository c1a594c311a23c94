package overturn.app.api;

import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Fields of requests that may be left out. */
public final class Optionals {

    private Optionals() {}

    /** What a field holds; null where it is empty or was not sent. */
    public static <T> @Nullable T orNull(@Nullable Optional<T> field) {
        return field == null ? null : field.orElse(null);
    }
}
