package overturn.app.usecase.layout;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import overturn.app.layout.SavedLayouts;
import overturn.app.usecase.job.UnreadableJobException;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/**
 * The layouts that a job can stand on, with the suspects and tests of each: what a log needs to be read, and soon made.
 */
@Component
public class LayoutSheets {

    private static final double SHARE_OF_HEAP = 0.06;
    /** Heap of one test with its steps, bytes; estimate. */
    private static final int TEST_BYTES = 3000;

    private final SavedLayouts saved;
    private final Cache<String, Sheet> sheets = Caffeine.newBuilder()
            .maximumWeight((long) (SHARE_OF_HEAP * Runtime.getRuntime().maxMemory()))
            .weigher((String id, Sheet sheet) -> sheet.bytes())
            .build();

    LayoutSheets(SavedLayouts saved) {
        this.saved = saved;
    }

    /** A layout with what can be at fault on it and what can be tested. */
    public record Sheet(LayoutFile file, Layout layout, List<Suspect> suspects, ProcedureCatalogue procedures) {

        public static Sheet of(LayoutFile file) {
            Layout layout = file.layout();
            return new Sheet(file, layout, SuspectCatalogue.of(layout), ProcedureCatalogue.of(layout));
        }

        private int bytes() {
            return TEST_BYTES
                    * (suspects.size()
                            + procedures.all().size()
                            + procedures.cutSets().size());
        }
    }

    /** A layout in the list; one that is withdrawn is offered to no new job. */
    public record Listed(String id, boolean withdrawn) {}

    /** Presets, then what the workshop has saved. */
    public List<Listed> list() {
        return Stream.concat(
                        Presets.files().stream().map(file -> new Listed(file.id(), false)),
                        saved.list().stream().map(listed -> new Listed(listed.id(), listed.withdrawn())))
                .toList();
    }

    /** Those that a new job can stand on. */
    public List<String> offered() {
        return list().stream()
                .filter(listed -> !listed.withdrawn())
                .map(Listed::id)
                .toList();
    }

    /** A preset or a saved layout; empty too where a saved one cannot be read by this version. */
    public Optional<Sheet> find(String layoutId) {
        Sheet known = sheets.getIfPresent(layoutId);
        if (known == null) {
            known = Presets.find(layoutId)
                    .or(() -> saved.find(layoutId))
                    .map(Sheet::of)
                    .orElse(null);
            if (known != null) {
                sheets.put(layoutId, known);
            }
        }
        return Optional.ofNullable(known);
    }

    /**
     * The layout that a job in the log names.
     *
     * @throws UnreadableJobException if this version cannot read it
     */
    public Sheet of(String layoutId) {
        return find(layoutId).orElseThrow(() -> UnreadableJobException.ofLayout(layoutId));
    }

    /** Works a layout out from a file that is not saved. */
    public Sheet ofUnsaved(LayoutFile file) {
        return Sheet.of(file);
    }
}
