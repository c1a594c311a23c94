package overturn.app.usecase;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.JobLog;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.job.WorkshopLog;
import overturn.app.job.WorkshopSettings;
import overturn.evidence.Reading;
import overturn.inference.BeliefHistory;
import overturn.inference.LayoutModel;
import overturn.verdict.Assessment;

/** Reads jobs: the log, its fold, and what follows from it. */
@Component
public class Jobs {

    private static final int REMEMBERED = 100;

    private final JobLog log;
    private final LayoutModels models;
    private final WorkshopLog workshop;
    private final Cache<UUID, BeliefHistory> histories = Caffeine.newBuilder().maximumSize(REMEMBERED).build();
    private final Cache<List<Object>, Job> assessed = Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    Jobs(JobLog log, LayoutModels models, WorkshopLog workshop) {
        this.log = log;
        this.models = models;
        this.workshop = workshop;
    }

    /** A job with everything that follows from its log. */
    public record Job(UUID id, JobState state, LayoutModel model, WorkshopSettings workshop, Assessment assessment) {
    }

    /** All jobs, the newest first. */
    @Transactional(readOnly = true)
    public List<Job> all() {
        return log.jobs().stream().map(this::find).toList();
    }

    /** @throws NotFoundException if there is no such job */
    @Transactional(readOnly = true)
    public Job find(UUID id) {
        List<LoggedEntry> entries = log.entries(id);
        if (entries.isEmpty()) {
            throw new NotFoundException("job", id.toString());
        }
        WorkshopSettings settings = workshop.latest();
        return assessed.get(List.of(id, entries.size(), settings.version()), key -> assess(id, entries, settings));
    }

    private Job assess(UUID id, List<LoggedEntry> entries, WorkshopSettings settings) {
        LayoutModel model = models.of(((JobOpened) entries.get(0).entry()).layoutId());
        JobState state = JobState.of(entries, model.procedures());
        model.warmUp();
        return new Job(id, state, model, settings, Assessment.of(history(id, model, state), state.vehicle(), state.setAside(), settings.forPlanning()));
    }

    /** What is known of the readings before is kept; with one more only that one is worked out. Equal to working it all out anew. */
    private BeliefHistory history(UUID id, LayoutModel model, JobState state) {
        BeliefHistory known = histories.getIfPresent(id);
        List<Reading> readings = state.readings();
        boolean longer = known != null && known.model() == model && known.intake().equals(state.intake()) && known.readings().size() <= readings.size()
                && known.readings().equals(readings.subList(0, known.readings().size()));
        BeliefHistory now = longer ? known.with(readings.subList(known.readings().size(), readings.size())) : BeliefHistory.of(model, state.intake(), readings);
        histories.put(id, now);
        return now;
    }
}
