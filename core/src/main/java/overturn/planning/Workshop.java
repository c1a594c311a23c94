package overturn.planning;

import java.util.Set;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.StateChanges;

/**
 * What the workshop has: tests that it cannot do are not proposed, and what things cost here decides what is worth
 * doing.
 *
 * @param lacks tools it does not have
 * @param helper whether a second person is at hand
 * @param lift whether there is a lift; else jack and stands, which take longer
 * @param prices what things cost
 */
public record Workshop(Set<RigKind> lacks, boolean helper, boolean lift, Prices prices) {

    /** Every tool, a helper, a lift, plain prices. */
    public static final Workshop WELL_EQUIPPED = new Workshop(Set.of(), true, true, Prices.DEFAULT);

    /** @throws IllegalArgumentException if something is lacking that is no tool */
    public Workshop {
        lacks = Set.copyOf(lacks);
        lacks.stream().filter(rig -> !rig.tool()).findFirst().ifPresent(rig -> {
            throw new IllegalArgumentException(rig.id() + " is no tool that can be lacking");
        });
    }

    /** Whether a test can be done here. */
    public boolean canDo(Procedure procedure) {
        return (!lacks.contains(procedure.rigKind()) || procedure.rigKind().dispensable())
                && (helper || !procedure.needsHelper());
    }

    /** Minutes to raise or lower a vehicle. */
    double raisingMinutes() {
        return lift ? StateChanges.LIFT : StateChanges.STANDS;
    }
}
