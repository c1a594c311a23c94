package overturn.app.api.job;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import overturn.app.job.JobSummary;
import overturn.app.usecase.job.Jobs;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.practice.Practise;

/**
 * Answers with a job. Whoever writes and prefers not to wait (RFC 7240, {@code Prefer: respond-async}) is told at once
 * that the entry is in the log (202), and where the job is to be had once it is assessed.
 */
@Component
class JobViews {

    private static final Logger LOG = LoggerFactory.getLogger(JobViews.class);
    private static final String PREFER = "Prefer";
    private static final String AT_ONCE = "respond-async";

    private final Jobs jobs;
    private final Practise practise;
    private final HttpServletRequest request;

    /** @param request the one that is being answered */
    JobViews(Jobs jobs, Practise practise, HttpServletRequest request) {
        this.practise = practise;
        this.jobs = jobs;
        this.request = request;
    }

    /** A log that was just written to. */
    ResponseEntity<JobView> written(Log log) {
        return written(log, HttpStatus.OK);
    }

    ResponseEntity<JobView> written(Log log, HttpStatus status) {
        List<String> preferred = Collections.list(request.getHeaders(PREFER));
        if (preferred.stream().anyMatch(value -> value.contains(AT_ONCE))) {
            jobs.assessSoon(log);
            return ResponseEntity.accepted()
                    .location(URI.create("/api/jobs/" + log.jobId()))
                    .header("Preference-Applied", AT_ONCE)
                    .build();
        }
        return ResponseEntity.status(status).body(of(jobs.of(log), Optional.empty()));
    }

    /** A job as far as it can be told. */
    JobView of(Job job, Optional<JobSummary.Moved> moved) {
        Optional<JobView.PracticeView> practice =
                practise.marked(job.id(), job.state().sequence()).map(JobView.PracticeView::of);
        try {
            return JobView.of(job, moved, practice);
        } catch (RuntimeException e) {
            LOG.error("Job {} cannot be told whole", job.id(), e);
            return JobView.of(jobs.asFarAsToldBy(job.id(), JobView::of), moved, practice);
        }
    }
}
