package overturn.app.api.job;

import static overturn.app.api.Optionals.orNull;

import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.job.RepairRequests.BleedingRequest;
import overturn.app.api.job.RepairRequests.CheckRequest;
import overturn.app.api.job.RepairRequests.FluidRequest;
import overturn.app.api.job.RepairRequests.LevelRequest;
import overturn.app.api.job.RepairRequests.PartRequest;
import overturn.app.api.job.RepairRequests.ReleaseRequest;
import overturn.app.api.job.RepairRequests.RestRequest;
import overturn.app.api.job.RepairRequests.SecondCheckRequest;
import overturn.app.api.job.RepairRequests.StrokesRequest;
import overturn.app.api.job.RepairRequests.WayRequest;
import overturn.app.api.job.RepairRequests.WorkStepRequest;
import overturn.app.people.Actor;
import overturn.app.usecase.job.ProveVehicle;
import overturn.app.usecase.job.RecordRepair;

/** The half of a job after the verdict: work plan, bleed sheet, gates and release. */
@RestController
@RequestMapping("/api/jobs/{id}")
class RepairController {

    private final RecordRepair repair;
    private final ProveVehicle prove;
    private final JobViews views;

    RepairController(RecordRepair repair, JobViews views, ProveVehicle prove) {
        this.prove = prove;
        this.views = views;
        this.repair = repair;
    }

    @PostMapping("/work-steps")
    ResponseEntity<JobView> step(Actor actor, @PathVariable UUID id, @RequestBody WorkStepRequest request) {
        return views.written(repair.stepsDone(
                id,
                request.stamp(actor),
                request.key(),
                request.typed(),
                orNull(request.why()),
                orNull(request.also())));
    }

    @PostMapping("/strokes")
    ResponseEntity<JobView> strokes(Actor actor, @PathVariable UUID id, @RequestBody StrokesRequest request) {
        return views.written(repair.strokes(
                id, request.stamp(actor), request.endId(), request.count(), request.bubbles(), request.colour()));
    }

    @PostMapping("/levels")
    ResponseEntity<JobView> level(Actor actor, @PathVariable UUID id, @RequestBody LevelRequest request) {
        return views.written(repair.level(id, request.stamp(actor), request.text(), orNull(request.unit())));
    }

    @PostMapping("/parts")
    ResponseEntity<JobView> part(Actor actor, @PathVariable UUID id, @RequestBody PartRequest request) {
        return views.written(repair.partMoved(
                id,
                request.stamp(actor),
                request.part(),
                request.state(),
                orNull(request.note()),
                Boolean.TRUE.equals(orNull(request.again()))));
    }

    @PostMapping("/ways")
    ResponseEntity<JobView> way(Actor actor, @PathVariable UUID id, @RequestBody WayRequest request) {
        return views.written(repair.way(id, request.stamp(actor), request.school(), request.way()));
    }

    /** From which can the circuit is filled; one of another kind than it takes is refused. */
    @PostMapping("/fluid")
    ResponseEntity<JobView> fluid(Actor actor, @PathVariable UUID id, @RequestBody FluidRequest request) {
        return views.written(repair.fluid(id, request.stamp(actor), request.fluid(), request.grade()));
    }

    @PostMapping("/bleeding")
    ResponseEntity<JobView> bleeding(Actor actor, @PathVariable UUID id, @RequestBody BleedingRequest request) {
        return views.written(repair.bleeding(
                id,
                request.stamp(actor),
                orNull(request.bleedMethod()),
                orNull(request.bleedOrder()),
                orNull(request.makersOrder()),
                orNull(request.source())));
    }

    @PostMapping("/rests")
    ResponseEntity<JobView> rest(Actor actor, @PathVariable UUID id, @RequestBody RestRequest request) {
        return views.written(repair.rested(id, request.stamp(actor)));
    }

    @PostMapping("/checks")
    ResponseEntity<JobView> check(Actor actor, @PathVariable UUID id, @RequestBody CheckRequest request) {
        return views.written(prove.checked(
                id,
                request.stamp(actor),
                new ProveVehicle.Checked(
                        request.checkId(),
                        orNull(request.also()),
                        orNull(request.outcome()),
                        orNull(request.seen()),
                        orNull(request.readingId()),
                        Boolean.TRUE.equals(orNull(request.early())),
                        orNull(request.drivenKm()))));
    }

    /** Whoever sends it looked at the checks as they stand, besides the one who will release. */
    @PostMapping("/second-checks")
    ResponseEntity<JobView> second(Actor actor, @PathVariable UUID id, @RequestBody SecondCheckRequest request) {
        return views.written(prove.secondChecked(id, request.stamp(actor)));
    }

    /** Refused with what is in the way while a gate is shut. */
    @PostMapping("/release")
    ResponseEntity<JobView> release(Actor actor, @PathVariable UUID id, @RequestBody ReleaseRequest request) {
        return views.written(prove.release(
                id, request.stamp(actor), Boolean.TRUE.equals(request.conditional()), orNull(request.secondId())));
    }
}
