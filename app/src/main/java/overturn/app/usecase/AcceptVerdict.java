package overturn.app.usecase;

import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.JobState;
import overturn.app.usecase.Jobs.Job;
import overturn.verdict.Assessment;
import overturn.verdict.Grade;
import overturn.verdict.Verdict;

/** Accepts the verdict as it stands; on less than proof it asks why and is recorded as assumed. */
@Component
public class AcceptVerdict {

    private static final int MOST_WHY = 300;

    private final LogWriter writer;
    private final Jobs jobs;

    AcceptVerdict(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** @throws InvalidInputException if the verdict is not proven and no reason is given */
    public void accept(UUID jobId, Stamp stamp, String why) {
        Job job = jobs.find(jobId);
        writer.append(jobId, stamp, seen -> {
            JobState state = JobState.of(seen, job.model().procedures());
            Verdict verdict = Assessment.of(job.model(), state.intake(), state.readings(), state.vehicle(), state.setAside(), job.workshop().forPlanning()).verdict();
            return accepted(verdict, why == null ? "" : why.strip());
        });
    }

    private static Entry accepted(Verdict verdict, String why) {
        Checks checks = new Checks();
        if (verdict.grade() != Grade.PROVEN) {
            checks.text("why", why, MOST_WHY);
        } else {
            checks.that(() -> why.length() <= MOST_WHY, "why", why, "at most " + MOST_WHY + " characters");
        }
        checks.orThrow();
        return new VerdictAccepted(verdict.remedy().id(), verdict.grade().name(), verdict.probability(), why);
    }
}
