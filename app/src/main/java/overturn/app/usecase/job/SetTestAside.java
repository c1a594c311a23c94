package overturn.app.usecase.job;

import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.catalogue.ProcedureCatalogue;

/** Notes that a test cannot be done here; the plan goes round it. */
@Component
public class SetTestAside {

    private final LogWriter writer;
    private final Jobs jobs;

    SetTestAside(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** @throws InvalidInputException if there is no such test or no reason */
    public Log setAside(UUID jobId, Stamp stamp, String procedureId, String why) {
        Log read = jobs.read(jobId);
        ProcedureCatalogue procedures = read.sheet().procedures();
        new Checks()
                .that(
                        () -> procedureId != null
                                && procedures.find(procedureId).isPresent(),
                        "procedureId",
                        procedureId,
                        RecordReading.knownTests(procedures))
                .text("why", why, EntryRules.MOST_WHY)
                .orThrow();
        return writer.append(read, stamp, seen -> new TestSetAside(procedureId, why));
    }
}
