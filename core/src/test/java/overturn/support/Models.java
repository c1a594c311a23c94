package overturn.support;

import java.util.concurrent.ConcurrentHashMap;
import overturn.forecast.LayoutModel;
import overturn.layoutfile.Presets;

/**
 * The models of the presets, one for all tests of a process: a model never changes, and what it has once simulated
 * serves all of them.
 */
public final class Models {

    private static final ConcurrentHashMap<String, LayoutModel> KNOWN = new ConcurrentHashMap<>();

    private Models() {}

    /** The model of a preset. */
    public static LayoutModel of(String layoutId) {
        return KNOWN.computeIfAbsent(layoutId, id -> LayoutModel.of(Presets.layout(id)));
    }

    /** The model of the largest preset. */
    public static LayoutModel tarn() {
        return of("tarn-box-van");
    }
}
