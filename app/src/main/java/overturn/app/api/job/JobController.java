package overturn.app.api.job;

import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.job.Requests.AcceptRequest;
import overturn.app.api.job.Requests.NoteRequest;
import overturn.app.api.job.Requests.OpenJobRequest;
import overturn.app.api.job.Requests.ReadingRequest;
import overturn.app.api.job.Requests.SetAsideRequest;
import overturn.app.api.job.Requests.StrikeRequest;
import overturn.app.api.job.Requests.TakeOffRequest;
import overturn.app.api.job.Requests.WalkRequest;
import overturn.app.api.job.Requests.WithdrawRequest;
import overturn.app.people.Actor;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.bay.Bay;
import overturn.app.usecase.job.AcceptVerdict;
import overturn.app.usecase.job.Jobs;
import overturn.app.usecase.job.OpenJob;
import overturn.app.usecase.job.RecordReading;
import overturn.app.usecase.job.SetTestAside;
import overturn.app.usecase.job.StrikeEntry;
import overturn.app.usecase.job.TakeOffFittings;
import overturn.app.usecase.job.TakeWalk;
import overturn.app.usecase.job.WithdrawJob;
import overturn.app.usecase.job.WriteNote;

/** Jobs: read them, open them, add to their log. Every write answers with the job as it then stands. */
@RestController
@RequestMapping("/api/jobs")
class JobController {

    private final Jobs jobs;
    private final Bay bay;
    private final OpenJob openJob;
    private final RecordReading recordReading;
    private final TakeWalk takeWalk;
    private final StrikeEntry strikeEntry;
    private final SetTestAside setTestAside;
    private final TakeOffFittings takeOffFittings;
    private final AcceptVerdict acceptVerdict;
    private final WriteNote writeNote;
    private final WithdrawJob withdrawJob;
    private final JobViews views;

    JobController(
            Jobs jobs,
            Bay bay,
            OpenJob openJob,
            RecordReading recordReading,
            TakeWalk takeWalk,
            StrikeEntry strikeEntry,
            SetTestAside setTestAside,
            TakeOffFittings takeOffFittings,
            AcceptVerdict acceptVerdict,
            WriteNote writeNote,
            WithdrawJob withdrawJob,
            JobViews views) {
        this.views = views;
        this.jobs = jobs;
        this.bay = bay;
        this.openJob = openJob;
        this.recordReading = recordReading;
        this.takeWalk = takeWalk;
        this.strikeEntry = strikeEntry;
        this.setTestAside = setTestAside;
        this.takeOffFittings = takeOffFittings;
        this.acceptVerdict = acceptVerdict;
        this.writeNote = writeNote;
        this.withdrawJob = withdrawJob;
    }

    /**
     * Lines of the bay: {@code stage} is open, closed, all or a stage; {@code after} the {@code next} of the answer
     * before.
     */
    @GetMapping
    JobListView list(
            @RequestParam(required = false) String stage,
            @RequestParam(required = false) String search,
            @RequestParam(required = false) String after,
            @RequestParam(required = false) Integer most) {
        return JobListView.of(bay.find(stage, search, after, most));
    }

    @PostMapping
    ResponseEntity<JobView> open(Actor actor, @RequestBody OpenJobRequest request) {
        return views.written(openJob.open(request.intake(actor)), HttpStatus.CREATED);
    }

    @GetMapping("/{id}")
    JobView job(@PathVariable UUID id) {
        return views.of(jobs.find(id), bay.moved(id));
    }

    /**
     * Every test of this job's layout that is written down: what exactly its reading needs, and where it would lie now.
     */
    @GetMapping("/{id}/tests")
    List<TestView> tests(@PathVariable UUID id) {
        Jobs.Job job = jobs.find(id);
        return job.model().procedures().all().stream()
                .map(p -> TestView.of(p, job))
                .toList();
    }

    /** Every other way to divide this job's circuit with at most three plugs or clamps: each is a test by its id. */
    @GetMapping("/{id}/cut-sets")
    List<CutSetView> cutSets(@PathVariable UUID id) {
        return jobs.find(id).model().procedures().cutSets().stream()
                .map(CutSetView::of)
                .toList();
    }

    @GetMapping("/{id}/tests/{procedureId}")
    TestView test(@PathVariable UUID id, @PathVariable String procedureId) {
        Jobs.Job job = jobs.find(id);
        return job.model()
                .procedures()
                .find(procedureId)
                .map(p -> TestView.of(p, job))
                .orElseThrow(() -> new NotFoundException("test", procedureId));
    }

    /** One part of the circuit: what may be wrong with it, what was read of it, what can look at it. */
    @GetMapping("/{id}/parts/{componentId}")
    PartView part(@PathVariable UUID id, @PathVariable String componentId) {
        Jobs.Job job = jobs.find(id);
        if (job.model().layout().components().stream().noneMatch(c -> c.id().equals(componentId))) {
            throw new NotFoundException("part", componentId);
        }
        return PartView.of(job, componentId);
    }

    @PostMapping("/{id}/readings")
    ResponseEntity<JobView> record(Actor actor, @PathVariable UUID id, @RequestBody ReadingRequest request) {
        return views.written(recordReading.record(id, request.draft(actor)));
    }

    /** The first walk round the vehicle, told at once; each look and each kind of wet spot is a reading of its own. */
    @PostMapping("/{id}/walks")
    ResponseEntity<JobView> walk(Actor actor, @PathVariable UUID id, @RequestBody WalkRequest request) {
        return views.written(takeWalk.take(
                id, request.stamp(actor), request.seen(), request.at(), Boolean.TRUE.equals(request.restDry())));
    }

    @PostMapping("/{id}/strikes")
    ResponseEntity<JobView> strike(Actor actor, @PathVariable UUID id, @RequestBody StrikeRequest request) {
        return views.written(strikeEntry.strike(id, request.stamp(actor), request.struckId(), request.why()));
    }

    @PostMapping("/{id}/set-aside")
    ResponseEntity<JobView> setAside(Actor actor, @PathVariable UUID id, @RequestBody SetAsideRequest request) {
        return views.written(setTestAside.setAside(id, request.stamp(actor), request.procedureId(), request.why()));
    }

    @PostMapping("/{id}/take-off")
    ResponseEntity<JobView> takeOff(Actor actor, @PathVariable UUID id, @RequestBody TakeOffRequest request) {
        return views.written(takeOffFittings.takeOff(id, request.stamp(actor), request.items()));
    }

    /** Accepts the verdict that was shown; where another stands now, nothing is written. */
    @PostMapping("/{id}/verdict")
    ResponseEntity<JobView> accept(Actor actor, @PathVariable UUID id, @RequestBody AcceptRequest request) {
        return views.written(acceptVerdict.accept(
                id,
                request.stamp(actor),
                new AcceptVerdict.Shown(
                        request.remedyIds(),
                        request.grade(),
                        request.places() == null ? List.of() : request.places().orElse(List.of())),
                request.why()));
    }

    @PostMapping("/{id}/notes")
    ResponseEntity<JobView> note(Actor actor, @PathVariable UUID id, @RequestBody NoteRequest request) {
        return views.written(
                writeNote.write(id, request.stamp(actor), request.text(), request.calculator(), request.typed()));
    }

    /** Gives the job up; striking that entry takes it up again. */
    @PostMapping("/{id}/withdrawal")
    ResponseEntity<JobView> withdraw(Actor actor, @PathVariable UUID id, @RequestBody WithdrawRequest request) {
        return views.written(withdrawJob.withdraw(id, request.stamp(actor), request.why()));
    }
}
