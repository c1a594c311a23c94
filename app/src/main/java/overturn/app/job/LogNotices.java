package overturn.app.job;

import java.util.UUID;

/** Tells of entries as they are appended, and of strokes as they are called, by whichever server. */
public interface LogNotices {

    /** A listener; it must not wait. */
    interface Listener {

        /** A log has grown to this sequence. */
        void grown(UUID jobId, int sequence);

        /** A stroke is called at the bleed sheet of a job. */
        void called(StrokeCall call);

        /** Notices may have been missed: whoever needs to know looks for himself. */
        void missed();
    }

    /**
     * Has every listener of every server told that a log has grown; soon, and after the entry is safe. A server that
     * ends in between tells nobody, and whoever is told that notices may have been missed looks for himself.
     */
    void grown(UUID jobId, int sequence);

    /** Has every listener of every server told of a call. */
    void call(StrokeCall call);

    /** Has somebody told from now on. */
    void listen(Listener listener);
}
