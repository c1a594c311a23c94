package overturn.app.usecase.job;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.JobLog;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.workshop.WorkshopLog;
import overturn.app.workshop.WorkshopSettings;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.PlacesSeen;
import overturn.verdict.Assessment;

/** Reads jobs: the log, its fold, and what follows from it. */
@Component
public class Jobs {

    private final JobLog log;
    private final LayoutSheets sheets;
    private final WorkshopLog workshop;
    private final Assessor assessor;

    Jobs(JobLog log, LayoutSheets sheets, WorkshopLog workshop, Assessor assessor) {
        this.log = log;
        this.sheets = sheets;
        this.workshop = workshop;
        this.assessor = assessor;
    }

    /**
     * A job with everything that follows from its log.
     *
     * @param model of the circuit as it is now
     * @param before what was believed on the circuit as it came, where a repair has put another size in
     */
    public record Job(
            UUID id,
            JobState state,
            LayoutModel model,
            Optional<BeliefHistory> before,
            WorkshopSettings workshop,
            Assessment assessment) {

        /** Suspicion per component now, with what was seen at single parts. */
        public Map<String, Double> suspectedParts() {
            return assessment.history().now().components(seen());
        }

        /** What was last seen at single parts. */
        public PlacesSeen seen() {
            return state.seen(model.procedures());
        }
    }

    /** A log that was read, and the layout it stands on. */
    public record Log(UUID jobId, List<LoggedEntry> entries, LayoutSheets.Sheet sheet) {

        public JobState state() {
            return JobState.of(entries, sheet.procedures());
        }
    }

    /** @throws NotFoundException if there is no such job */
    public Job find(UUID id) {
        return of(read(id));
    }

    /** Works out where a job stands and has its line in the bay say so. */
    public void summarise(UUID id) {
        assessor.summarise(find(id));
    }

    /** The job as a log that was just written says. */
    Job of(Log read) {
        return assessor.assessed(read.jobId(), read.state(), workshop.latest());
    }

    /**
     * A log and its layout, nothing worked out.
     *
     * @throws NotFoundException if there is no such job
     * @throws UnreadableJobException if this version cannot open it
     */
    public Log read(UUID id) {
        List<LoggedEntry> entries = log.entries(id);
        if (entries.isEmpty()) {
            throw new NotFoundException("job", id.toString());
        }
        if (!(entries.get(0).entry() instanceof JobOpened opened)) {
            throw UnreadableJobException.ofOpening();
        }
        return new Log(id, entries, sheets.of(opened.layoutId()));
    }
}
