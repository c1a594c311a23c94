package overturn.app.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.JobWithdrawn;
import overturn.app.job.Entry.SetApart;

/**
 * The part of a log that can be worked with, so that a job is never out of reach because of one entry. What cannot be
 * worked with is set apart with everything behind it; once that entry is struck, what stands behind it counts again.
 */
public final class ReadableLog {

    /** Struck entries that may be out of order themselves. */
    private static final int MOST_STRUCK = 50;

    private ReadableLog() {}

    /**
     * The log, from the first entry on that cannot be worked with set apart; the same where all of it can be.
     *
     * @param log begins with an opening that can be worked with
     * @param works whether such a log can be worked with
     */
    public static List<LoggedEntry> of(List<LoggedEntry> log, Predicate<List<LoggedEntry>> works) {
        List<LoggedEntry> now = log;
        Set<UUID> struck = JobState.struck(log);
        for (int attempt = 0; attempt <= MOST_STRUCK && !works.test(now); attempt++) {
            int bad = firstBad(now, works);
            if (!struck.contains(now.get(bad).id())) {
                return apartFrom(now, bad);
            }
            now = withApart(now, bad);
        }
        return now;
    }

    /** Index of the first entry with which the log cannot be worked with: halved until it is found. */
    private static int firstBad(List<LoggedEntry> log, Predicate<List<LoggedEntry>> works) {
        int good = 1;
        int bad = log.size();
        while (bad - good > 1) {
            int middle = (good + bad) / 2;
            if (works.test(apartFrom(log, middle))) {
                good = middle;
            } else {
                bad = middle;
            }
        }
        return bad - 1;
    }

    /** Strikes and the end of a job count wherever they stand: they are the way out. */
    private static List<LoggedEntry> apartFrom(List<LoggedEntry> log, int index) {
        List<LoggedEntry> all = new ArrayList<>(log.subList(0, index));
        log.subList(index, log.size())
                .forEach(logged -> all.add(
                        logged.entry() instanceof EntryStruck || logged.entry() instanceof JobWithdrawn
                                ? logged
                                : apart(logged)));
        return all;
    }

    private static List<LoggedEntry> withApart(List<LoggedEntry> log, int index) {
        List<LoggedEntry> all = new ArrayList<>(log);
        all.set(index, apart(log.get(index)));
        return all;
    }

    private static LoggedEntry apart(LoggedEntry logged) {
        return new LoggedEntry(
                logged.id(),
                logged.sequence(),
                logged.takenAt(),
                logged.at(),
                logged.personId(),
                logged.spentMinutes(),
                logged.catalogueVersion(),
                new SetApart(logged.entry().kind()));
    }
}
