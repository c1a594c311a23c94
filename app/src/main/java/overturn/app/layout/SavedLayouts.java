package overturn.app.layout;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import overturn.layoutfile.LayoutFile;

/** Layouts that the workshop has saved; they are added, withdrawn and never changed. */
public interface SavedLayouts {

    /** A saved layout in the list. */
    record Listed(String id, boolean withdrawn) {}

    /** All of them, the newest first. */
    List<Listed> list();

    /** One of them, withdrawn or not; empty too where it is there and cannot be read as a layout any more. */
    Optional<LayoutFile> find(String id);

    /** Whether an id is in use, readable or not. */
    boolean holds(String id);

    /** Adds one whose id is not in use. */
    void add(LayoutFile file, String personId, Instant at);

    /**
     * Takes one out of the list for new jobs; those that stand on it keep it. Does nothing if it is withdrawn already.
     */
    void withdraw(String id, String personId, Instant at);
}
