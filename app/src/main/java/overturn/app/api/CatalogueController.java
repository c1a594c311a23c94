package overturn.app.api;

import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.job.Staff;
import overturn.app.usecase.LayoutModels;
import overturn.circuit.Presets;
import overturn.inference.LayoutModel;
import overturn.words.Words;

/** People, layouts, units and words. */
@RestController
@RequestMapping("/api")
class CatalogueController {

    private final Staff staff;
    private final LayoutModels models;

    CatalogueController(Staff staff, LayoutModels models) {
        this.staff = staff;
        this.models = models;
    }

    @GetMapping("/catalogue")
    CatalogueView catalogue() {
        List<LayoutModel> all = Presets.all().stream().map(layout -> models.of(layout.id())).toList();
        return CatalogueView.of(staff.all(), all);
    }

    @GetMapping("/words")
    Map<String, String> words() {
        return Words.all();
    }

    /** Answers as soon as the server can take a reading. */
    @GetMapping("/health")
    Map<String, String> health() {
        return Map.of("status", "up", "people", Integer.toString(staff.all().size()));
    }
}
