package overturn.app.usecase.job;

/** A job that this version cannot open; its log is untouched. */
public final class UnreadableJobException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private UnreadableJobException(String message) {
        super(message);
    }

    /** It stands on a saved layout that cannot be read. */
    public static UnreadableJobException ofLayout(String layoutId) {
        return new UnreadableJobException("The circuit “" + layoutId
                + "” that this job stands on cannot be read by this version; the job's entries are all "
                + "kept. Save the circuit anew under another name, within what is allowed now, and open a job on it");
    }

    /** Its first entry is of a later version. */
    static UnreadableJobException ofOpening() {
        return new UnreadableJobException(
                "This job was opened by a later version; its entries are all kept. Start that version to go on with it");
    }
}
