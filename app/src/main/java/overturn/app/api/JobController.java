package overturn.app.api;

import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.Requests.AcceptRequest;
import overturn.app.api.Requests.NoteRequest;
import overturn.app.api.Requests.OpenJobRequest;
import overturn.app.api.Requests.ReadingRequest;
import overturn.app.api.Requests.SetAsideRequest;
import overturn.app.api.Requests.StrikeRequest;
import overturn.app.api.Requests.TakeOffRequest;
import overturn.app.usecase.AcceptVerdict;
import overturn.app.usecase.Jobs;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.OpenJob;
import overturn.app.usecase.RecordReading;
import overturn.app.usecase.SetTestAside;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.StrikeEntry;
import overturn.app.usecase.TakeOffFittings;
import overturn.app.usecase.WriteNote;

/** Jobs: read them, open them, add to their log. Every write answers with the job as it then stands. */
@RestController
@RequestMapping("/api/jobs")
class JobController {

    private final Jobs jobs;
    private final OpenJob openJob;
    private final RecordReading recordReading;
    private final StrikeEntry strikeEntry;
    private final SetTestAside setTestAside;
    private final TakeOffFittings takeOffFittings;
    private final AcceptVerdict acceptVerdict;
    private final WriteNote writeNote;

    JobController(Jobs jobs, OpenJob openJob, RecordReading recordReading, StrikeEntry strikeEntry, SetTestAside setTestAside,
                  TakeOffFittings takeOffFittings, AcceptVerdict acceptVerdict, WriteNote writeNote) {
        this.jobs = jobs;
        this.openJob = openJob;
        this.recordReading = recordReading;
        this.strikeEntry = strikeEntry;
        this.setTestAside = setTestAside;
        this.takeOffFittings = takeOffFittings;
        this.acceptVerdict = acceptVerdict;
        this.writeNote = writeNote;
    }

    @GetMapping
    List<JobSummaryView> list() {
        return jobs.all().stream().map(JobSummaryView::of).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    JobView open(@RequestBody OpenJobRequest request) {
        openJob.open(request.intake());
        return job(request.jobId());
    }

    @GetMapping("/{id}")
    JobView job(@PathVariable UUID id) {
        return JobView.of(jobs.find(id));
    }

    /** Every test of this job's layout that is written down: what exactly its reading needs, and where it would lie now. */
    @GetMapping("/{id}/tests")
    List<TestView> tests(@PathVariable UUID id) {
        Jobs.Job job = jobs.find(id);
        return job.model().procedures().all().stream()
                .map(p -> TestView.of(p, job.model().procedures().forces(), job.assessment().history().now())).toList();
    }

    /** Every other way to divide this job's circuit with at most three plugs or clamps: each is a test by its id. */
    @GetMapping("/{id}/cut-sets")
    List<CutSetView> cutSets(@PathVariable UUID id) {
        return jobs.find(id).model().procedures().cutSets().stream().map(CutSetView::of).toList();
    }

    @GetMapping("/{id}/tests/{procedureId}")
    TestView test(@PathVariable UUID id, @PathVariable String procedureId) {
        Jobs.Job job = jobs.find(id);
        return job.model().procedures().find(procedureId)
                .map(p -> TestView.of(p, job.model().procedures().forces(), job.assessment().history().now()))
                .orElseThrow(() -> new NotFoundException("test", procedureId));
    }

    @PostMapping("/{id}/readings")
    JobView record(@PathVariable UUID id, @RequestBody ReadingRequest request) {
        recordReading.record(id, request.draft());
        return job(id);
    }

    @PostMapping("/{id}/strikes")
    JobView strike(@PathVariable UUID id, @RequestBody StrikeRequest request) {
        strikeEntry.strike(id, new Stamp(request.entryId(), request.sequence(), request.personId()), request.struckId(), request.why());
        return job(id);
    }

    @PostMapping("/{id}/set-aside")
    JobView setAside(@PathVariable UUID id, @RequestBody SetAsideRequest request) {
        setTestAside.setAside(id, new Stamp(request.entryId(), request.sequence(), request.personId()), request.procedureId(),
                request.why());
        return job(id);
    }

    @PostMapping("/{id}/take-off")
    JobView takeOff(@PathVariable UUID id, @RequestBody TakeOffRequest request) {
        takeOffFittings.takeOff(id, new Stamp(request.entryId(), request.sequence(), request.personId()), request.items());
        return job(id);
    }

    @PostMapping("/{id}/verdict")
    JobView accept(@PathVariable UUID id, @RequestBody AcceptRequest request) {
        acceptVerdict.accept(id, new Stamp(request.entryId(), request.sequence(), request.personId()), request.why());
        return job(id);
    }

    @PostMapping("/{id}/notes")
    JobView note(@PathVariable UUID id, @RequestBody NoteRequest request) {
        writeNote.write(id, new Stamp(request.entryId(), request.sequence(), request.personId()), request.text(),
                request.calculatorId() == null ? "" : request.calculatorId(), request.typed());
        return job(id);
    }
}
