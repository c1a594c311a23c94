package overturn.app.job;

import java.util.UUID;

/** Tells of entries as they are appended, by whichever server. */
public interface LogNotices {

    /** A listener; it must not wait. */
    interface Listener {

        /** A log has grown to this sequence. */
        void grown(UUID jobId, int sequence);

        /** Notices may have been missed: whoever needs to know looks for himself. */
        void missed();
    }

    /** Has somebody told from now on. */
    void listen(Listener listener);
}
