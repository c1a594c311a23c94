package overturn.app.usecase.job;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.people.Act;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;

/** Strikes an entry with a reason; it stays in the log and counts no more. */
@Component
public class StrikeEntry {

    private final LogWriter writer;
    private final Jobs jobs;

    StrikeEntry(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** @throws InvalidInputException if the entry is not in this job, cannot be struck or is struck already */
    public Log strike(UUID jobId, Stamp stamp, UUID struckId, String why) {
        new Checks()
                .text("why", why, EntryRules.MOST_WHY)
                .that(() -> struckId != null, "struckId", null, "the id of an entry of this job")
                .orThrow();
        return writer.append(jobs.read(jobId), stamp, seen -> {
            boolean own = seen.stream()
                    .filter(e -> e.id().equals(struckId))
                    .allMatch(e -> e.personId().equals(stamp.personId()));
            if (!own) {
                stamp.actor().require(Act.STRIKE_ANOTHERS);
            }
            check(seen, stamp, struckId);
            return new EntryStruck(struckId, why);
        });
    }

    private static void check(List<LoggedEntry> seen, Stamp stamp, UUID struckId) {
        Checks checks = new Checks();
        check(seen.stream().filter(e -> !e.id().equals(stamp.entryId())).toList(), struckId, "struckId", checks);
        checks.orThrow();
    }

    /** Whether an entry of a log can be struck as it stands. */
    static void check(List<LoggedEntry> seen, UUID struckId, String field, Checks checks) {
        Entry target = seen.stream()
                .filter(e -> e.id().equals(struckId))
                .map(LoggedEntry::entry)
                .findFirst()
                .orElse(null);
        checks.that(
                        () -> target != null && !(target instanceof JobOpened || target instanceof FittingsTakenOff),
                        field,
                        struckId,
                        "the id of a reading, a set-aside test, a verdict or a strike of this job")
                .that(() -> !JobState.struck(seen).contains(struckId), field, struckId, "an entry that still stands");
    }
}
