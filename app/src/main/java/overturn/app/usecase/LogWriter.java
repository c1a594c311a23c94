package overturn.app.usecase;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.job.Entry;
import overturn.app.job.JobLog;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StaleLogException;
import overturn.app.job.Staff;

/** Appends one entry to a log: once per id, only behind what the writer has seen. */
@Component
public class LogWriter {

    private final JobLog log;
    private final Staff staff;
    private final Clock clock;

    LogWriter(JobLog log, Staff staff, Clock clock) {
        this.log = log;
        this.staff = staff;
        this.clock = clock;
    }

    /**
     * Appends what {@code entry} makes of the log as the writer saw it. Sending the same entry again changes nothing.
     *
     * @throws InvalidInputException  if the stamp is incomplete or the person unknown
     * @throws NotFoundException      if there is no such job
     * @throws EntryIdTakenException  if the id is in use for something else
     * @throws StaleLogException      if the log has grown meanwhile
     */
    @Transactional
    public void append(UUID jobId, Stamp stamp, Function<List<LoggedEntry>, Entry> entry) {
        check(stamp);
        List<LoggedEntry> entries = log.entries(jobId);
        if (entries.isEmpty()) {
            throw new NotFoundException("job", jobId.toString());
        }
        int ownPlace = entries.stream().filter(e -> e.id().equals(stamp.entryId())).mapToInt(LoggedEntry::sequence).findFirst()
                .orElse(Integer.MAX_VALUE);
        List<LoggedEntry> seen = entries.stream().filter(e -> e.sequence() <= stamp.sequence() && e.sequence() < ownPlace).toList();
        if (seen.isEmpty()) {
            throw new StaleLogException(stamp.sequence());
        }
        Entry made = entry.apply(seen);
        if (log.jobOfEntry(stamp.entryId()).isPresent()) {
            requireSame(stamp.entryId(), entries, made);
            return;
        }
        if (seen.size() != entries.size() || seen.get(seen.size() - 1).sequence() != stamp.sequence()) {
            throw new StaleLogException(stamp.sequence());
        }
        log.append(jobId, logged(stamp, stamp.sequence() + 1, made));
    }

    /** Opens a job with its first two entries. Sending the same again changes nothing. */
    @Transactional
    public void open(UUID jobId, Stamp stamp, Entry.JobOpened opened, UUID readingId, Entry.ReadingTaken characterised) {
        check(stamp);
        List<LoggedEntry> entries = log.entries(jobId);
        if (!entries.isEmpty()) {
            requireSame(stamp.entryId(), entries, opened);
            requireSame(readingId, entries, characterised);
            return;
        }
        if (log.jobOfEntry(stamp.entryId()).isPresent() || log.jobOfEntry(readingId).isPresent()) {
            throw new EntryIdTakenException(stamp.entryId());
        }
        log.open(jobId, clock.instant());
        log.append(jobId, logged(stamp, 1, opened));
        log.append(jobId, logged(new Stamp(readingId, 1, stamp.personId()), 2, characterised));
    }

    private void check(Stamp stamp) {
        List<String> ids = staff.all().stream().map(Staff.Person::id).toList();
        new Checks()
                .that(() -> stamp.entryId() != null, "entryId", stamp.entryId(), "a UUID made by the client")
                .that(() -> stamp.sequence() != null && stamp.sequence() >= 0, "sequence", stamp.sequence(),
                        "the sequence of the last entry seen, 0 or more")
                .that(() -> ids.contains(stamp.personId()), "personId", stamp.personId(), "one of " + ids)
                .orThrow();
    }

    private LoggedEntry logged(Stamp stamp, int sequence, Entry entry) {
        return new LoggedEntry(stamp.entryId(), sequence, clock.instant().truncatedTo(ChronoUnit.MICROS), stamp.personId(), entry);
    }

    private static void requireSame(UUID id, List<LoggedEntry> entries, Entry made) {
        boolean same = entries.stream().anyMatch(e -> e.id().equals(id) && e.entry().equals(made));
        if (!same) {
            throw new EntryIdTakenException(id);
        }
    }
}
