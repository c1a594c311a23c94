package overturn.app.api.job;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.usecase.job.JobFiles;

/** A job to take along, in an open format. */
@RestController
@RequestMapping("/api")
class JobFileController {

    private static final String SCHEMA = "/overturn/job-file.schema.json";

    private final JobFiles files;

    JobFileController(JobFiles files) {
        this.files = files;
    }

    @GetMapping("/jobs/{id}/file")
    ResponseEntity<JobFileView> file(@PathVariable UUID id) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("job-" + id + ".json")
                                .build()
                                .toString())
                .body(JobFileView.of(files.of(id)));
    }

    @GetMapping(value = "/job-file-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String schema() {
        try (InputStream in = JobFileController.class.getResourceAsStream(SCHEMA)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
