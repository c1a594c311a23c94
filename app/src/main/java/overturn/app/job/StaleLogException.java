package overturn.app.job;

/** The log has grown since the writer last saw it. Nothing was written. */
public final class StaleLogException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final int given;

    /** @param given the sequence that the writer took for the last one */
    public StaleLogException(int given) {
        super("the log has grown since entry " + given + "; read the job again and send once more");
        this.given = given;
    }

    public int given() {
        return given;
    }
}
