package overturn.app.usecase.job;

import overturn.verdict.Verdict;

/** The verdict that was accepted is not the one that stands now. Nothing was written. */
public final class VerdictChangedException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** @param grown whether it is the log that has grown, so that the verdict may even read the same */
    VerdictChangedException(AcceptVerdict.Shown shown, Verdict now, boolean grown) {
        super(
                grown
                        ? "Something has been entered since the verdict was shown; look at what stands now and decide once more"
                        : "Shown was " + shown.remedyIds() + ", " + shown.grade() + "; now it is "
                                + AcceptVerdict.remedyIds(now) + ", " + now.grade()
                                + ". Look at what stands now and decide once more");
    }
}
