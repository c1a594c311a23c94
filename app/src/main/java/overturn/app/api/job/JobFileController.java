package overturn.app.api.job;

import java.time.Clock;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.FileNames;
import overturn.app.people.Actor;
import overturn.app.usecase.job.JobFiles;
import overturn.app.usecase.job.JobFiles.JobFile;
import overturn.app.usecase.job.TakeJobFile;

/** A job to take along, in an open format. */
@RestController
@RequestMapping("/api")
class JobFileController {

    private final JobFiles files;
    private final TakeJobFile takeJobFile;
    private final JobViews views;
    private final Clock clock;

    JobFileController(JobFiles files, TakeJobFile takeJobFile, JobViews views, Clock clock) {
        this.clock = clock;
        this.views = views;
        this.files = files;
        this.takeJobFile = takeJobFile;
    }

    @GetMapping("/jobs/{id}/file")
    ResponseEntity<JobFileView> file(@PathVariable UUID id) {
        JobFile file = files.of(id);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(FileNames.of(file.vehicle().vehicle().name(), "job", clock, "json"))
                                .build()
                                .toString())
                .body(JobFileView.of(file));
    }

    /**
     * Takes a job that was written elsewhere: its log as it was written. The same file again changes nothing; whatever
     * keeps it from being taken is named, and nothing is changed then.
     */
    @PostMapping(value = "/job-files", consumes = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<JobView> take(Actor actor, @RequestBody String file) {
        return views.written(takeJobFile.take(actor, JobFileReader.read(file), JobView::of), HttpStatus.CREATED);
    }

    @GetMapping(value = "/job-file-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String schema() {
        return JobFileReader.schema();
    }
}
