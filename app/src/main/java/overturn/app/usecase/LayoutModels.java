package overturn.app.usecase;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import overturn.app.job.SavedLayouts;
import overturn.inference.LayoutModel;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;

/** The layouts that a job can stand on, and the model of each, built when first needed; that of the first preset at the start. */
@Component
public class LayoutModels {

    private static final int REMEMBERED = 24;

    private final SavedLayouts saved;
    private final Cache<String, LayoutModel> models = Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    LayoutModels(SavedLayouts saved) {
        this.saved = saved;
        warmLater(Presets.files().get(0));
    }

    /** Works the predictions of a layout out before a job asks for them. */
    public void warmLater(LayoutFile file) {
        Thread warming = new Thread(() -> model(file).warmUp(), "warming-up-" + file.id());
        warming.setDaemon(true);
        warming.start();
    }

    /** Presets, then what the workshop has saved. */
    public List<LayoutFile> files() {
        return Stream.concat(Presets.files().stream(), saved.all().stream()).toList();
    }

    /** A preset or a saved layout. */
    public Optional<LayoutFile> file(String layoutId) {
        return Presets.find(layoutId).or(() -> saved.find(layoutId));
    }

    /** The model of a layout. */
    public Optional<LayoutModel> find(String layoutId) {
        return Optional.ofNullable(models.getIfPresent(layoutId)).or(() -> file(layoutId).map(this::model));
    }

    LayoutModel model(LayoutFile file) {
        return models.get(file.id(), id -> LayoutModel.of(file.layout()));
    }

    /** The model of a layout that a job in the log names. */
    public LayoutModel of(String layoutId) {
        return find(layoutId).orElseThrow(() -> new IllegalStateException("Impossible: the log names layout " + layoutId));
    }
}
