package overturn.app.usecase;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.JobState;

/** Notes that everything fitted is off again and the circuit is shut. */
@Component
public class TakeOffFittings {

    private final LogWriter writer;
    private final Jobs jobs;

    TakeOffFittings(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** @throws InvalidInputException unless exactly what is still fitted is named */
    public void takeOff(UUID jobId, Stamp stamp, List<String> items) {
        var model = jobs.find(jobId).model();
        writer.append(jobId, stamp, seen -> {
            Set<String> fitted = JobState.of(seen, model.procedures()).stillFitted();
            List<String> given = items == null ? List.of() : items.stream().sorted().toList();
            new Checks().that(() -> !fitted.isEmpty() && given.size() == fitted.size() && fitted.containsAll(given), "items", given,
                    fitted.isEmpty() ? "nothing: nothing is fitted" : "all of " + fitted.stream().sorted().toList()).orThrow();
            return new FittingsTakenOff(given);
        });
    }
}
