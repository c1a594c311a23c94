package overturn.app.usecase.job;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionOperations;
import overturn.app.job.Entry;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.JobLog;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary;
import overturn.app.job.LogNotices;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StaleLogException;
import overturn.app.practice.Exercises;
import overturn.app.usecase.Checks;
import overturn.app.usecase.EntryIdTakenException;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.vehicle.Vehicle;
import overturn.app.vehicle.Vehicles;
import overturn.app.workshop.Staff;
import overturn.verdict.CatalogueVersion;

/**
 * Appends one entry to a log: once per id, only behind what the writer has seen, the line of the bay in the same
 * transaction.
 */
@Component
public class LogWriter {

    private static final long MOST_SECONDS_AGO = Duration.ofDays(10 * 366).toSeconds();

    private static final int MOST_ATTEMPTS = 20;
    /** One entry takes at most a day. */
    static final int MOST_MINUTES = 1440;
    /** Entries and readings of one job: some ten times what the longest take. */
    static final int MOST_ENTRIES = 1000;

    static final int MOST_READINGS = 200;

    private final JobLog log;
    private final JobSummaries summaries;
    private final Vehicles vehicles;
    private final Exercises exercises;
    private final Staff staff;
    private final LogNotices notices;
    private final Clock clock;
    private final TransactionOperations transactions;

    LogWriter(
            JobLog log,
            JobSummaries summaries,
            Vehicles vehicles,
            Exercises exercises,
            Staff staff,
            LogNotices notices,
            Clock clock,
            TransactionOperations transactions) {
        this.notices = notices;
        this.log = log;
        this.summaries = summaries;
        this.vehicles = vehicles;
        this.exercises = exercises;
        this.staff = staff;
        this.clock = clock;
        this.transactions = transactions;
    }

    /** What a writer does not mind who has not seen the last entries. */
    enum Behind {
        /** Nothing: what it decides is about exactly the log that it saw. */
        REFUSED,
        /** Anything: what it tells is true whatever was entered meanwhile, so that it goes behind that. */
        REBASED
    }

    /** Appends an entry that is about exactly the log that the writer saw. */
    Log append(Log read, Stamp stamp, Function<List<LoggedEntry>, Entry> entry) {
        return append(read, stamp, Behind.REFUSED, entry);
    }

    /**
     * Appends what {@code entry} makes of the log as the writer saw it, or, rebased, of the log as it stands, and
     * returns the log as it then stands. Sending the same entry again changes nothing. The log is not read again:
     * whoever comes in between is told by the database, which gives each place and each id once.
     *
     * @param read the log as it was read for this write
     * @throws InvalidInputException if the stamp is incomplete or the person unknown
     * @throws EntryIdTakenException if the id is in use for something else
     * @throws StaleLogException if the log has grown meanwhile and the entry is not rebased, or is shorter than the
     *     writer says
     */
    Log append(Log read, Stamp stamp, Behind behind, Function<List<LoggedEntry>, Entry> entry) {
        check(stamp);
        for (int attempt = 1; ; attempt++) {
            try {
                return appendOnce(read, stamp, behind, entry);
            } catch (StaleLogException e) {
                int last = read.entries().get(read.entries().size() - 1).sequence();
                if (behind == Behind.REFUSED || stamp.sequence() > last || attempt == MOST_ATTEMPTS) {
                    throw e;
                }
                read = new Log(read.jobId(), log.entries(read.jobId()), read.sheet());
            }
        }
    }

    private Log appendOnce(Log read, Stamp stamp, Behind behind, Function<List<LoggedEntry>, Entry> entry) {
        Optional<LoggedEntry> there = find(read.entries(), stamp.entryId());
        int ownPlace = there.map(LoggedEntry::sequence).orElse(Integer.MAX_VALUE);
        int last = read.entries().get(read.entries().size() - 1).sequence();
        int sawUpTo = behind == Behind.REBASED && stamp.sequence() <= last ? last : stamp.sequence();
        List<LoggedEntry> seen = read.entries().stream()
                .filter(e -> e.sequence() <= sawUpTo && e.sequence() < ownPlace)
                .toList();
        if (seen.isEmpty()) {
            throw new StaleLogException(stamp.sequence());
        }
        Entry made = entry.apply(seen);
        if (there.isPresent()) {
            requireSame(stamp.entryId(), read.entries(), made);
            return read;
        }
        Checks checks = new Checks()
                .that(() -> seen.size() < MOST_ENTRIES, "job", seen.size() + " entries", "at most " + MOST_ENTRIES);
        if (made instanceof ReadingTaken) {
            long readings =
                    seen.stream().filter(e -> e.entry() instanceof ReadingTaken).count();
            checks.that(() -> readings < MOST_READINGS, "job", readings + " readings", "at most " + MOST_READINGS);
        }
        EntryRules.check(made, read.sheet(), "", checks);
        checks.orThrow();
        if (seen.size() != read.entries().size() || seen.get(seen.size() - 1).sequence() != sawUpTo) {
            throw new StaleLogException(stamp.sequence());
        }
        return appended(read, logged(stamp, sawUpTo + 1, made));
    }

    private Log appended(Log read, LoggedEntry entry) {
        List<LoggedEntry> entries = new ArrayList<>(read.entries());
        entries.add(entry);
        Log now = new Log(read.jobId(), List.copyOf(entries), read.sheet());
        JobSummary line = JobSummary.of(read.jobId(), now.state());
        try {
            transactions.executeWithoutResult(status -> {
                log.append(read.jobId(), entry);
                summaries.keep(line);
            });
            notices.grown(read.jobId(), entry.sequence());
            return now;
        } catch (StaleLogException e) {
            return standing(read, entry).orElseThrow(() -> e);
        }
    }

    /** Somebody took the place or the id: the same entry, sent twice at once, stands; anything else is refused. */
    private Optional<Log> standing(Log read, LoggedEntry entry) {
        List<LoggedEntry> entries = log.entries(read.jobId());
        if (find(entries, entry.id()).isPresent()) {
            requireSame(entry.id(), entries, entry.entry());
            return Optional.of(new Log(read.jobId(), entries, read.sheet()));
        }
        if (log.holds(entry.id())) {
            throw new EntryIdTakenException(entry.id());
        }
        return Optional.empty();
    }

    /**
     * Opens a job with what was felt and returns its log. Sending the same again changes nothing.
     *
     * @param readingId id of the first of what was felt; those of the others follow from it
     */
    Log open(
            UUID jobId,
            LayoutSheets.Sheet sheet,
            Stamp stamp,
            Entry.JobOpened opened,
            UUID readingId,
            List<Entry.ReadingTaken> felt) {
        check(stamp);
        List<LoggedEntry> entries = log.entries(jobId);
        if (!entries.isEmpty()) {
            return reopened(jobId, sheet, stamp, opened, readingId, felt, entries);
        }
        if (log.holds(stamp.entryId()) || log.holds(readingId)) {
            throw new EntryIdTakenException(stamp.entryId());
        }
        LoggedEntry first = logged(stamp, 1, opened);
        List<LoggedEntry> begun = new ArrayList<>(List.of(first));
        for (int i = 0; i < felt.size(); i++) {
            Stamp own = new Stamp(feltId(readingId, i), 1 + i, stamp.actor(), stamp.takenSecondsAgo(), null);
            begun.add(logged(own, 2 + i, felt.get(i)));
        }
        Log now = new Log(jobId, List.copyOf(begun), sheet);
        try {
            transactions.executeWithoutResult(status -> {
                if (exercises.find(jobId).isEmpty()) {
                    vehicles.add(new Vehicle(
                            opened.vehicleId(), first.at(), opened.vehicle().strip(), opened.layoutId()));
                }
                log.open(jobId, first.at());
                begun.forEach(entry -> log.append(jobId, entry));
                summaries.keep(JobSummary.of(jobId, now.state()));
            });
            notices.grown(jobId, begun.size());
            return now;
        } catch (StaleLogException e) {
            return reopened(jobId, sheet, stamp, opened, readingId, felt, log.entries(jobId));
        }
    }

    private static UUID feltId(UUID readingId, int which) {
        return which == 0
                ? readingId
                : UUID.nameUUIDFromBytes((readingId + " " + which).getBytes(StandardCharsets.UTF_8));
    }

    private static Log reopened(
            UUID jobId,
            LayoutSheets.Sheet sheet,
            Stamp stamp,
            Entry.JobOpened opened,
            UUID readingId,
            List<Entry.ReadingTaken> felt,
            List<LoggedEntry> entries) {
        requireSame(stamp.entryId(), entries, opened);
        for (int i = 0; i < felt.size(); i++) {
            requireSame(feltId(readingId, i), entries, felt.get(i));
        }
        return new Log(jobId, entries, sheet);
    }

    private void check(Stamp stamp) {
        List<String> ids = staff.signing();
        new Checks()
                .that(() -> stamp.entryId() != null, "entryId", stamp.entryId(), "a UUID made by the client")
                .that(
                        () -> stamp.sequence() != null && stamp.sequence() >= 0,
                        "sequence",
                        stamp.sequence(),
                        "the sequence of the last entry seen, 0 or more")
                .that(() -> ids.contains(stamp.personId()), "personId", stamp.personId(), "one of " + ids)
                .that(
                        () -> stamp.takenSecondsAgo() == null
                                || stamp.takenSecondsAgo() >= 0 && stamp.takenSecondsAgo() <= MOST_SECONDS_AGO,
                        "takenSecondsAgo",
                        stamp.takenSecondsAgo(),
                        "0 to " + MOST_SECONDS_AGO + " s, or left out")
                .that(
                        () -> stamp.spentMinutes() == null
                                || stamp.spentMinutes() >= 0 && stamp.spentMinutes() <= MOST_MINUTES,
                        "spentMinutes",
                        stamp.spentMinutes(),
                        "0 to " + MOST_MINUTES + " min, or left out")
                .orThrow();
    }

    /** When an entry that arrives now was made, by the server's clock. */
    Instant takenAt(Stamp stamp) {
        return takenAt(stamp, clock.instant().truncatedTo(ChronoUnit.MICROS));
    }

    private static Instant takenAt(Stamp stamp, Instant at) {
        return at.minusSeconds(stamp.takenSecondsAgo() == null ? 0 : stamp.takenSecondsAgo());
    }

    private LoggedEntry logged(Stamp stamp, int sequence, Entry entry) {
        Instant at = clock.instant().truncatedTo(ChronoUnit.MICROS);
        return new LoggedEntry(
                stamp.entryId(),
                sequence,
                takenAt(stamp, at),
                at,
                stamp.personId(),
                Optional.ofNullable(stamp.spentMinutes()),
                CatalogueVersion.CURRENT,
                entry);
    }

    private static Optional<LoggedEntry> find(List<LoggedEntry> entries, UUID id) {
        return entries.stream().filter(e -> e.id().equals(id)).findFirst();
    }

    private static void requireSame(UUID id, List<LoggedEntry> entries, Entry made) {
        if (!find(entries, id).map(LoggedEntry::entry).filter(made::equals).isPresent()) {
            throw new EntryIdTakenException(id);
        }
    }
}
