package overturn.course;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import overturn.proving.Gate;
import overturn.proving.Proving;

/**
 * Where a job is between intake and release. The ids are part of the stored summary and of the API and never change.
 */
public enum JobStage {
    /** Tests are being done, no verdict is accepted. */
    TRACING("tracing", true),
    /** A verdict is accepted and waits for the repair. */
    ACCEPTED("accepted", true),
    /** Waits for a part, a person or a date. */
    WAITING("waiting", true),
    UNDER_REPAIR("under-repair", true),
    PROVING_ON_CHOCKS("proving-on-chocks", true),
    PROVING_IN_THE_YARD("proving-in-the-yard", true),
    PROVING_ON_THE_ROAD("proving-on-the-road", true),
    /** May leave, and must come back to be looked at again. */
    RELEASED_CONDITIONALLY("released-conditionally", true),
    RELEASED("released", false),
    /** Something was opened, fitted, moved, struck or failed after its release: it has to be proved anew. */
    RELEASE_TAKEN_BACK("release-taken-back", true),
    /** Came back with the same complaint: the job that goes on with it is open, and nothing is done in this one. */
    COMEBACK("comeback", false),
    /** Withdrawn by somebody who said why. */
    GIVEN_UP("given-up", false);

    private final String id;
    private final boolean open;

    JobStage(String id, boolean open) {
        this.id = id;
        this.open = open;
    }

    public String id() {
        return id;
    }

    /**
     * The stage that follows from what was done.
     *
     * @param progress since a verdict was accepted; empty while none is
     * @param waitsForPart whether a part was ordered and has not come
     */
    public static JobStage of(boolean givenUp, Optional<Progress> progress, boolean waitsForPart) {
        if (givenUp) {
            return GIVEN_UP;
        }
        JobStage stage = progress.map(JobStage::of).orElse(TRACING);
        return waitsForPart && (stage == ACCEPTED || stage == UNDER_REPAIR) ? WAITING : stage;
    }

    private static JobStage of(Progress progress) {
        if (progress.cameBackAs().isPresent()) {
            return COMEBACK;
        }
        if (progress.released().isPresent()) {
            return progress.released().get() == Progress.Release.CONDITIONAL ? RELEASED_CONDITIONALLY : RELEASED;
        }
        if (progress.takenBack()) {
            return RELEASE_TAKEN_BACK;
        }
        Proving proving = progress.proving();
        if (!proving.at(Gate.CHOCKS).blockers().isEmpty()) {
            return progress.begun() ? UNDER_REPAIR : ACCEPTED;
        }
        if (proving.at(Gate.CHOCKS).state() != Proving.State.PASSED) {
            return PROVING_ON_CHOCKS;
        }
        return proving.at(Gate.YARD).state() == Proving.State.PASSED ? PROVING_ON_THE_ROAD : PROVING_IN_THE_YARD;
    }

    /** Whether something is still to be done. */
    public boolean open() {
        return open;
    }

    public static Optional<JobStage> ofId(String id) {
        return Arrays.stream(values()).filter(stage -> stage.id.equals(id)).findFirst();
    }

    /** The ids of all stages. */
    public static List<String> ids() {
        return Arrays.stream(values()).map(JobStage::id).toList();
    }
}
