package overturn.app.api;

import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.job.Staff;
import overturn.app.usecase.LayoutModels;
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
        return CatalogueView.of(staff.all(), models.files().stream().map(LayoutController::view).toList());
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
