package overturn.app.usecase.job;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.JobLog;
import overturn.app.job.Presence;
import overturn.app.job.Presence.Present;
import overturn.app.people.Actor;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;

/** A device says that it looks at a job, and is told who else does. */
@Component
public class BePresent {

    /** A device that was not heard of for this long is gone; it tells every few seconds. */
    private static final Duration GONE_AFTER = Duration.ofSeconds(25);

    private static final int MOST_DOING = 120;

    private final Presence presence;
    private final JobLog log;
    private final Clock clock;

    BePresent(Presence presence, JobLog log, Clock clock) {
        this.presence = presence;
        this.log = log;
        this.clock = clock;
    }

    /**
     * The other devices at this job.
     *
     * @throws NotFoundException if there is no such job
     * @throws InvalidInputException naming every field that is wrong
     */
    public List<Present> tell(UUID jobId, UUID deviceId, Actor actor, @Nullable String doing) {
        String told = doing == null ? "" : doing;
        new Checks()
                .that(() -> deviceId != null, "deviceId", deviceId, "a UUID made by the device")
                .that(() -> told.length() <= MOST_DOING, "doing", doing, "at most " + MOST_DOING + " characters")
                .orThrow();
        if (!log.isThere(jobId)) {
            throw new NotFoundException("job", jobId.toString());
        }
        Instant now = clock.instant();
        Instant gone = now.minus(GONE_AFTER);
        presence.seen(jobId, new Present(deviceId, actor.personId(), told), now, gone);
        return presence.at(jobId, gone).stream()
                .filter(other -> !other.deviceId().equals(deviceId))
                .toList();
    }
}
