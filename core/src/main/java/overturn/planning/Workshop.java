package overturn.planning;

import java.util.Map;
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
 * @param timeFactors how long tests take here against their estimates, by id; 1 for what is not named
 */
public record Workshop(
        Set<RigKind> lacks, boolean helper, boolean lift, Prices prices, Map<String, Double> timeFactors) {

    /** Every tool, a helper, a lift, plain prices. */
    public static final Workshop WELL_EQUIPPED = new Workshop(Set.of(), true, true, Prices.DEFAULT);

    /** One in which every test takes as long as it is estimated. */
    public Workshop(Set<RigKind> lacks, boolean helper, boolean lift, Prices prices) {
        this(lacks, helper, lift, prices, Map.of());
    }

    /** @throws IllegalArgumentException if something is lacking that is no tool */
    public Workshop {
        lacks = Set.copyOf(lacks);
        timeFactors = Map.copyOf(timeFactors);
        lacks.stream().filter(rig -> !rig.tool()).findFirst().ifPresent(rig -> {
            throw new IllegalArgumentException(rig.id() + " is no tool that can be lacking");
        });
    }

    /** Whether a test can be done here. */
    public boolean canDo(Procedure procedure) {
        return (!lacks.contains(procedure.rigKind()) || procedure.rigKind().dispensable())
                && (helper || !procedure.needsHelper());
    }

    /** The same where tests take this long against their estimates. */
    public Workshop taking(Map<String, Double> factors) {
        return new Workshop(lacks, helper, lift, prices, factors);
    }

    /** Minutes that a test takes here, its way there and back not counted. */
    public double minutes(Procedure procedure) {
        return procedure.minutes() * timeFactors.getOrDefault(procedure.id(), 1.0);
    }

    /** Minutes to raise or lower a vehicle. */
    double raisingMinutes() {
        return lift ? StateChanges.LIFT : StateChanges.STANDS;
    }
}
