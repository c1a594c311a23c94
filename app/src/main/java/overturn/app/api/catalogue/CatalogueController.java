package overturn.app.api.catalogue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.catalogue.CatalogueView.LayoutView;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.workshop.Staff;
import overturn.words.Words;

/** People, layouts, units and words. */
@RestController
@RequestMapping("/api")
class CatalogueController {

    private final Staff staff;
    private final LayoutSheets sheets;
    private final Map<LayoutSheets.Listed, Optional<LayoutView>> views = new ConcurrentHashMap<>();

    CatalogueController(Staff staff, LayoutSheets sheets) {
        this.staff = staff;
        this.sheets = sheets;
    }

    @GetMapping("/catalogue")
    CatalogueView catalogue() {
        List<LayoutSheets.Listed> listed = sheets.list();
        views.keySet().retainAll(listed);
        return CatalogueView.of(
                staff.all(),
                listed.stream()
                        .flatMap(l -> views.computeIfAbsent(l, this::view).stream())
                        .toList());
    }

    /** A layout never changes, so that what is shown of it is worked out once; one that cannot be read is left out. */
    private Optional<LayoutView> view(LayoutSheets.Listed listed) {
        return sheets.find(listed.id()).map(sheet -> LayoutView.of(sheet, listed.withdrawn()));
    }

    @GetMapping("/words")
    Map<String, String> words() {
        return Words.all();
    }
}
