package overturn.app.usecase;

/** A job stands on a saved layout that this version cannot read; its log is untouched. */
public final class UnreadableLayoutException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public UnreadableLayoutException(String layoutId) {
        super("The circuit “" + layoutId + "” that this job stands on cannot be read by this version; the job's entries are all kept. Save the circuit anew "
                + "under another name, within what is allowed now, and open a job on it");
    }
}
