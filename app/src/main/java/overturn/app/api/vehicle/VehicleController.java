package overturn.app.api.vehicle;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Actor;
import overturn.app.usecase.vehicle.EraseData;
import overturn.app.usecase.vehicle.VehicleRecords;

/** Vehicles: find them, read what is known of one, add to it. A vehicle comes into being with its first job. */
@RestController
@RequestMapping("/api/vehicles")
class VehicleController {

    private final VehicleRecords records;
    private final EraseData eraseData;

    VehicleController(VehicleRecords records, EraseData eraseData) {
        this.eraseData = eraseData;
        this.records = records;
    }

    /** A fact to add: {@code kind} is distance, figure, sheet or remark; figures with their text and unit as typed. */
    record FactRequest(
            UUID entryId,
            String kind,
            Optional<String> what,
            String text,
            Optional<String> unit,
            Optional<String> source) {}

    @GetMapping
    List<VehicleView> search(@RequestParam(required = false) String search) {
        return records.search(search).stream().map(VehicleView::of).toList();
    }

    @GetMapping("/{id}")
    VehicleView vehicle(@PathVariable UUID id) {
        return VehicleView.of(records.find(id));
    }

    @PostMapping("/{id}/facts")
    VehicleView add(Actor actor, @PathVariable UUID id, @RequestBody FactRequest request) {
        return VehicleView.of(records.add(
                id,
                new VehicleRecords.Draft(
                        request.entryId(),
                        actor,
                        request.kind(),
                        textOf(request.what()),
                        request.text(),
                        textOf(request.unit()),
                        textOf(request.source()))));
    }

    /** Why it is erased. */
    record ErasureRequest(String why) {}

    /** Erases which vehicle it was and whose, in all its jobs, and their pictures. */
    @PostMapping("/{id}/erasure")
    VehicleView erase(Actor actor, @PathVariable UUID id, @RequestBody ErasureRequest request) {
        eraseData.erase(actor, id, request.why());
        return VehicleView.of(records.find(id));
    }

    /** Left out, or null. */
    private static @Nullable String textOf(@Nullable Optional<String> given) {
        return given == null ? null : given.orElse(null);
    }
}
