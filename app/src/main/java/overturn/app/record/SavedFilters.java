package overturn.app.record;

import java.time.Instant;
import java.util.List;

/** Searches of the record that somebody keeps under a name. */
public interface SavedFilters {

    /** A search; {@code query} is how the page writes it in its address. */
    record SavedFilter(String name, String query) {}

    List<SavedFilter> of(String personId);

    /** Keeps one; of the same name the later counts. */
    void keep(String personId, SavedFilter filter, Instant at);

    void drop(String personId, String name);
}
