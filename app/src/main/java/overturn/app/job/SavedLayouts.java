package overturn.app.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import overturn.layoutfile.LayoutFile;

/** Layouts that the workshop has saved; they are added and never changed. */
public interface SavedLayouts {

    /** All of them, the newest first. */
    List<LayoutFile> all();

    Optional<LayoutFile> find(String id);

    /** Adds one whose id is not in use. */
    void add(LayoutFile file, String personId, Instant at);
}
