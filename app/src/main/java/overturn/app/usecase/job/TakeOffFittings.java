package overturn.app.usecase.job;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;

/** Notes that what is on, off or moved is set back: all of it, or some. */
@Component
public class TakeOffFittings {

    private final LogWriter writer;
    private final Jobs jobs;

    TakeOffFittings(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** @throws InvalidInputException if anything is named that is not on, off or moved, or nothing is */
    public Log takeOff(UUID jobId, Stamp stamp, List<String> items) {
        Log read = jobs.read(jobId);
        return writer.append(read, stamp, seen -> {
            Set<String> fitted = read.stateOf(seen).onVehicle().toSetBack();
            List<String> given = items == null
                    ? List.of()
                    : items.stream().map(String::valueOf).sorted().toList();
            new Checks()
                    .that(
                            () -> !given.isEmpty()
                                    && Set.copyOf(given).size() == given.size()
                                    && fitted.containsAll(given),
                            "items",
                            given,
                            fitted.isEmpty()
                                    ? "nothing: nothing is fitted"
                                    : "any of " + fitted.stream().sorted().toList())
                    .orThrow();
            return new FittingsTakenOff(given);
        });
    }
}
