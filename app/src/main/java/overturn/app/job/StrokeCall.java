package overturn.app.job;

import java.util.List;
import java.util.UUID;

/**
 * One call of the strokes at a bleed sheet, for whoever stands at another screen of the same job.
 *
 * @param deviceId the device that calls
 * @param call what is called; {@link #END} when it is over
 * @param stroke which stroke, from 1
 * @param all how many there will be
 */
public record StrokeCall(UUID jobId, UUID deviceId, String call, int stroke, int all) {

    public static final String END = "end";

    /** Whoever hears the calls asks the caller to end after this stroke. */
    private static final String STOP = "stop";

    /** Everything that is called, in its order: nobody lets go before the screw is closed. */
    public static final List<String> CALLS = List.of("press", "open", "hold", "close", "release", END, STOP);

    /** As it is announced. */
    public String text() {
        return jobId + " " + deviceId + " " + call + " " + stroke + " " + all;
    }

    /** Of what was announced. */
    public static StrokeCall of(String text) {
        String[] parts = text.split(" ");
        return new StrokeCall(
                UUID.fromString(parts[0]),
                UUID.fromString(parts[1]),
                parts[2],
                Integer.parseInt(parts[3]),
                Integer.parseInt(parts[4]));
    }
}
