package overturn.app.job;

/** The log has grown since the writer last saw it. Nothing was written. */
public final class StaleLogException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String field;
    private final int given;

    /** @param given the sequence that the writer took for the last one */
    public StaleLogException(int given) {
        this("sequence", given, "the log has grown since entry " + given + "; read the job again and send once more");
    }

    private StaleLogException(String field, int given, String message) {
        super(message);
        this.field = field;
        this.given = given;
    }

    /** The same of the workshop's settings. */
    public static StaleLogException ofSettings(int version) {
        return new StaleLogException(
                "version",
                version,
                "the settings have changed since version " + version + "; read them again and send once more");
    }

    /** What the writer was behind with. */
    public String field() {
        return field;
    }

    public int given() {
        return given;
    }
}
