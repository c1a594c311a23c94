package overturn.app.api.workshop;

import static overturn.app.api.Optionals.orNull;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Actor;
import overturn.app.usecase.workshop.TellWorkshop;

/** What the workshop has: read and told. */
@RestController
@RequestMapping("/api/workshop")
class WorkshopController {

    private final TellWorkshop workshop;

    WorkshopController(TellWorkshop workshop) {
        this.workshop = workshop;
    }

    /** A remedy's minutes of labour, and its parts as minutes of labour. */
    record PriceRequest(String remedyId, Double labourMinutes, Double partsMinutes) {}

    /**
     * All settings; {@code version} is the last that the sender had seen, {@code lacks} the tools that are not there,
     * {@code schools} the ways that are not the usual ones by the ids of their schools.
     */
    record WorkshopRequest(
            Integer version,
            Optional<String> name,
            List<String> lacks,
            Boolean helper,
            Boolean lift,
            Optional<String> bleedMethod,
            Optional<String> bleedOrder,
            Optional<Map<String, String>> schools,
            Optional<Double> ratePerHour,
            String currency,
            List<PriceRequest> prices) {

        TellWorkshop.Draft draft(Actor actor) {
            return new TellWorkshop.Draft(
                    version,
                    actor,
                    orNull(name),
                    lacks,
                    helper,
                    lift,
                    orNull(bleedMethod),
                    orNull(bleedOrder),
                    orNull(schools),
                    orNull(ratePerHour),
                    currency,
                    prices == null
                            ? List.of()
                            : prices.stream()
                                    .map(p -> p == null
                                            ? null
                                            : new TellWorkshop.PriceDraft(p.remedyId, p.labourMinutes, p.partsMinutes))
                                    .toList());
        }
    }

    @GetMapping
    WorkshopView workshop() {
        return WorkshopView.of(workshop.latest());
    }

    @PutMapping
    WorkshopView tell(Actor actor, @RequestBody WorkshopRequest request) {
        return WorkshopView.of(workshop.tell(request.draft(actor)));
    }
}
