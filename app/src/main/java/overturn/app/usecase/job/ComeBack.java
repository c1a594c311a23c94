package overturn.app.usecase.job;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.CameBack;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;

/** A released vehicle that came back: its new job and the one before point at one another. */
@Component
class ComeBack {

    private final LogWriter writer;
    private final Jobs jobs;

    ComeBack(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** Whether a job was released, and has not come back as another than this. */
    boolean released(UUID before, UUID as) {
        try {
            JobState state = jobs.read(before).state();
            return state.repair()
                    .filter(r -> r.released().isPresent())
                    .filter(r ->
                            r.cameBackAs().isEmpty() || r.cameBackAs().get().equals(as))
                    .isPresent();
        } catch (NotFoundException e) {
            return false;
        }
    }

    /** Writes it into both logs; sending the same again changes nothing. */
    Log link(Log opened, UUID before, Stamp stamp) {
        append(jobs.read(before), stamp, new CameBack(opened.jobId(), true), before);
        return append(opened, stamp, new CameBack(before, false), opened.jobId());
    }

    private Log append(Log read, Stamp stamp, CameBack entry, UUID job) {
        UUID id = UUID.nameUUIDFromBytes((stamp.entryId() + " came back " + job).getBytes(StandardCharsets.UTF_8));
        List<LoggedEntry> entries = read.entries();
        int last = entries.get(entries.size() - 1).sequence();
        Stamp own = new Stamp(id, last, stamp.actor(), stamp.takenSecondsAgo(), null);
        return writer.append(read, own, Behind.REBASED, seen -> entry);
    }
}
