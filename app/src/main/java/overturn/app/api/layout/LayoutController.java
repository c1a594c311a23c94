package overturn.app.api.layout;

import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.bench.CalculationView;
import overturn.app.api.catalogue.CatalogueView.LayoutView;
import overturn.app.people.Actor;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.layout.LayoutModels;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.layout.SaveLayout;
import overturn.calculation.Calculator;
import overturn.calculation.Calculators;
import overturn.calculation.Result;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;

/** Layouts as files in the open format: read, checked, saved; and the JSON Schema of the format. */
@RestController
@RequestMapping("/api")
class LayoutController {

    private final LayoutSheets sheets;
    private final LayoutModels models;
    private final SaveLayout saveLayout;

    LayoutController(LayoutSheets sheets, LayoutModels models, SaveLayout saveLayout) {
        this.sheets = sheets;
        this.models = models;
        this.saveLayout = saveLayout;
    }

    /**
     * A layout that passed, drawn, with what it would do sound at its usual force.
     *
     * @param forceN at which force
     * @param figures pressure, travel and stroke left from the travel calculator, core units
     */
    public record CheckedLayoutView(
            LayoutView layout, double forceN, List<CalculationView.OutputView> figures, List<String> notices) {}

    @GetMapping(value = "/layouts/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
    String layout(@PathVariable String id) {
        return LayoutFiles.write(sheets.find(id)
                .orElseThrow(() -> new NotFoundException("layout", id))
                .file());
    }

    @GetMapping(value = "/layout-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String schema() {
        return LayoutFiles.schema();
    }

    @PostMapping("/layouts/check")
    CheckedLayoutView check(@RequestBody String file) {
        LayoutFile checked = saveLayout.check(file);
        Calculator calculator = Calculators.find("travel").orElseThrow();
        Result travel = calculator.compute(checked.layout(), java.util.Map.of());
        return new CheckedLayoutView(
                LayoutView.of(sheets.ofUnsaved(checked), false),
                calculator.fields(checked.layout()).stream()
                        .filter(field -> field.id().equals("force"))
                        .findFirst()
                        .orElseThrow()
                        .preset(),
                travel.outputs().stream().map(CalculationView.OutputView::of).toList(),
                travel.notices());
    }

    @PostMapping("/layouts")
    LayoutView save(Actor actor, @RequestBody String file) {
        LayoutFile saved = saveLayout.save(actor, file);
        models.warmLater(saved.id());
        return LayoutView.of(sheets.of(saved.id()), false);
    }

    /** Takes a saved layout out of the list for new jobs; those that stand on it keep it. */
    @PostMapping("/layouts/{id}/withdrawal")
    LayoutView withdraw(Actor actor, @PathVariable String id) {
        saveLayout.withdraw(actor, id);
        return LayoutView.of(sheets.of(id), true);
    }
}
