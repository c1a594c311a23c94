package overturn.app.usecase.job;

import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.JobWithdrawn;
import overturn.app.job.JobState;
import overturn.app.people.Act;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;

/** Gives a job up: nothing more is done for it here. Striking that entry takes it up again. */
@Component
public class WithdrawJob {

    private final LogWriter writer;
    private final Jobs jobs;

    WithdrawJob(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** @throws InvalidInputException if there is no reason, or something is still fitted to the vehicle */
    public Log withdraw(UUID jobId, Stamp stamp, String why) {
        stamp.actor().require(Act.GIVE_UP_JOB);
        String told = why == null ? "" : why.strip();
        new Checks().text("why", told, EntryRules.MOST_WHY).orThrow();
        Log read = jobs.read(jobId);
        return writer.append(read, stamp, seen -> {
            JobState state = read.stateOf(seen);
            new Checks()
                    .that(
                            () -> state.onVehicle().toSetBack().isEmpty(),
                            "job",
                            state.onVehicle().toSetBack(),
                            "a vehicle with nothing fitted: take that off first")
                    .orThrow();
            return new JobWithdrawn(told);
        });
    }
}
