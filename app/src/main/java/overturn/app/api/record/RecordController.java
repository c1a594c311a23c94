package overturn.app.api.record;

import java.util.List;
import java.util.UUID;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.record.RecordViews.BeforeView;
import overturn.app.api.record.RecordViews.InsightsView;
import overturn.app.api.record.RecordViews.RecordPageView;
import overturn.app.api.record.RecordViews.SavedFilterView;
import overturn.app.people.Actor;
import overturn.app.record.SavedFilters.SavedFilter;
import overturn.app.usecase.record.SearchRecord;
import overturn.app.usecase.workshop.TellWorkshop;

/** Closed jobs: looked for, kept under a name, summed up. */
@RestController
@RequestMapping("/api/record")
class RecordController {

    private final SearchRecord record;
    private final TellWorkshop workshop;

    RecordController(SearchRecord record, TellWorkshop workshop) {
        this.record = record;
        this.workshop = workshop;
    }

    /** A search that is kept under a name. */
    record FilterRequest(String name, String query) {}

    /**
     * Closed jobs and those that came back, the latest closed first. {@code search} is looked for in everything that
     * was said and written (words, “quoted phrases”, or, -not); {@code from} and {@code to} are days; {@code after} the
     * {@code next} of the answer before.
     */
    @GetMapping
    RecordPageView record(@ParameterObject SearchRecord.Asked asked) {
        return RecordPageView.of(record.find(asked));
    }

    /**
     * What was done before on a vehicle, and on others of its circuit; {@code vehicle} is how it is called where its id
     * is not known.
     */
    @GetMapping("/before")
    BeforeView before(
            @RequestParam(required = false) UUID vehicleId,
            @RequestParam(required = false) String vehicle,
            @RequestParam(required = false) String layoutId) {
        return BeforeView.of(record.before(vehicleId, vehicle, layoutId));
    }

    /** Sums of the jobs closed in the last {@code months}; of all where it is left out. */
    @GetMapping("/insights")
    InsightsView insights(@RequestParam(required = false) Integer months) {
        return InsightsView.of(record.insights(months), workshop.latest());
    }

    @GetMapping("/filters")
    List<SavedFilterView> filters(Actor actor) {
        return views(record.filters(actor));
    }

    @PutMapping("/filters")
    List<SavedFilterView> keep(Actor actor, @RequestBody FilterRequest request) {
        return views(record.keep(actor, request.name, request.query));
    }

    @DeleteMapping("/filters")
    List<SavedFilterView> drop(Actor actor, @RequestParam String name) {
        return views(record.drop(actor, name));
    }

    private static List<SavedFilterView> views(List<SavedFilter> kept) {
        return kept.stream().map(f -> new SavedFilterView(f.name(), f.query())).toList();
    }
}
