package overturn.app.usecase;

import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import overturn.circuit.Presets;
import overturn.inference.LayoutModel;

/** The models of the layouts in use, each built once and warmed before it is first needed. */
@Component
public class LayoutModels {

    private final ConcurrentHashMap<String, LayoutModel> models = new ConcurrentHashMap<>();

    LayoutModels() {
        Presets.all().forEach(layout -> find(layout.id()).ifPresent(LayoutModel::warmUp));
    }

    /** The model of a preset. */
    public Optional<LayoutModel> find(String layoutId) {
        return Presets.find(layoutId).map(layout -> models.computeIfAbsent(layoutId, id -> LayoutModel.of(layout)));
    }

    /** The model of a preset that a job in the log names. */
    public LayoutModel of(String layoutId) {
        return find(layoutId).orElseThrow(() -> new IllegalStateException("Impossible: the log names layout " + layoutId));
    }
}
