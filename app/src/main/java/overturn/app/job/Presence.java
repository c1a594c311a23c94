package overturn.app.job;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

/** Which devices look at a job just now. */
public interface Presence {

    /**
     * A device that looks at a job.
     *
     * @param doing the test that is open on it; empty where it is none
     */
    record Present(UUID deviceId, String personId, String doing) {}

    /** Notes that a device is there, and forgets those that were not seen since. */
    void seen(UUID jobId, Present present, Instant at, Instant goneBefore);

    /** All devices that are there. */
    List<Present> at(UUID jobId, Instant goneBefore);
}
