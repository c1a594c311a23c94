package overturn.app.usecase.job;

import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.JobLog;
import overturn.app.job.LogNotices;
import overturn.app.job.StrokeCall;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;

/** Strokes called on one device are seen on the others of the same job; nothing of it is kept. */
@Component
public class CallStrokes {

    private final JobLog log;
    private final LogNotices notices;

    CallStrokes(JobLog log, LogNotices notices) {
        this.log = log;
        this.notices = notices;
    }

    /**
     * Calls to all devices.
     *
     * @throws NotFoundException if there is no such job
     * @throws InvalidInputException naming every field that is wrong
     */
    public void call(UUID jobId, UUID deviceId, String call, Integer stroke, Integer all) {
        new Checks()
                .that(() -> deviceId != null, "deviceId", deviceId, "a UUID made by the device")
                .that(() -> call != null && StrokeCall.CALLS.contains(call), "call", call, "one of " + StrokeCall.CALLS)
                .that(
                        () -> stroke != null && stroke >= 1 && stroke <= EntryRules.MOST_STROKES,
                        "stroke",
                        stroke,
                        "1 to " + EntryRules.MOST_STROKES)
                .that(
                        () -> all != null && all >= 1 && all <= EntryRules.MOST_STROKES,
                        "all",
                        all,
                        "1 to " + EntryRules.MOST_STROKES)
                .orThrow();
        if (!log.isThere(jobId)) {
            throw new NotFoundException("job", jobId.toString());
        }
        notices.call(new StrokeCall(jobId, deviceId, call, stroke, all));
    }
}
