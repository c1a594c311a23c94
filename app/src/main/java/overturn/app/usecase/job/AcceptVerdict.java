package overturn.app.usecase.job;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.LoggedEntry;
import overturn.app.usecase.Checks;
import overturn.app.usecase.EntryIdTakenException;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.job.Jobs.Log;
import overturn.evidence.Reading;
import overturn.suspect.Remedy;
import overturn.verdict.Grade;
import overturn.verdict.Verdict;

/**
 * Accepts the verdict that was on the screen, if it still stands; on less than proof it asks why and is recorded as
 * assumed.
 */
@Component
public class AcceptVerdict {

    private static final int MOST_WHY = 300;

    private final LogWriter writer;
    private final Jobs jobs;

    AcceptVerdict(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /**
     * What was on the screen when it was accepted.
     *
     * @param remedyIds the remedy, or both of a pair, as shown
     * @param grade as shown
     */
    public record Shown(List<String> remedyIds, String grade) {}

    /**
     * Accepts it.
     *
     * @throws VerdictChangedException if another verdict stands now
     * @throws InvalidInputException if the verdict is not proven and no reason is given
     */
    public Job accept(UUID jobId, Stamp stamp, Shown shown, String why) {
        new Checks()
                .that(
                        () -> shown.remedyIds() != null && !shown.remedyIds().isEmpty(),
                        "remedyIds",
                        shown.remedyIds(),
                        "the remedies that were shown")
                .that(() -> shown.grade() != null, "grade", shown.grade(), "the grade that was shown")
                .orThrow();
        Log read = jobs.read(jobId);
        String reason = why == null ? "" : why.strip();
        if (read.entries().stream().anyMatch(e -> e.id().equals(stamp.entryId()))) {
            return jobs.of(writer.append(read, stamp, seen -> again(read, stamp, shown, reason)));
        }
        Verdict verdict = jobs.of(read).assessment().verdict();
        return jobs.of(writer.append(read, stamp, seen -> {
            if (seen.size() < read.entries().size()) {
                throw new VerdictChangedException(shown, verdict, true);
            }
            return accepted(verdict, shown, reason);
        }));
    }

    /** Sent twice: it is the entry in the log if it says the same. */
    private static Entry again(Log read, Stamp stamp, Shown shown, String why) {
        return read.entries().stream()
                .filter(e -> e.id().equals(stamp.entryId()))
                .map(LoggedEntry::entry)
                .filter(VerdictAccepted.class::isInstance)
                .map(VerdictAccepted.class::cast)
                .filter(v -> v.remedyIds().equals(shown.remedyIds())
                        && v.grade().equals(shown.grade())
                        && v.why().equals(why))
                .findFirst()
                .orElseThrow(() -> new EntryIdTakenException(stamp.entryId()));
    }

    private static Entry accepted(Verdict verdict, Shown shown, String why) {
        List<String> remedyIds = remedyIds(verdict);
        if (!remedyIds.equals(shown.remedyIds()) || !verdict.grade().name().equals(shown.grade())) {
            throw new VerdictChangedException(shown, verdict, false);
        }
        Checks checks = new Checks();
        if (verdict.grade() != Grade.PROVEN) {
            checks.text("why", why, MOST_WHY);
        } else {
            checks.that(() -> why.length() <= MOST_WHY, "why", why, "at most " + MOST_WHY + " characters");
        }
        checks.orThrow();
        return new VerdictAccepted(
                remedyIds,
                verdict.grade().name(),
                verdict.probability(),
                verdict.carriers().stream()
                        .map(Reading::id)
                        .map(UUID::fromString)
                        .toList(),
                verdict.missing().stream().map(Enum::name).toList(),
                why);
    }

    /** The remedies of a verdict in the order in which they are shown. */
    public static List<String> remedyIds(Verdict verdict) {
        return verdict.remedies().stream().map(Remedy::id).toList();
    }
}
