package overturn.likelihood;

import java.util.List;
import overturn.likelihood.SummedLeeway.Term;

/**
 * Readings by the rig set-up that they were taken with, and in the order in which they were taken.
 *
 * @param all the set-ups, in the order of their first readings
 * @param inOrder every reading of them
 */
public record RigSetups(List<SetupLikelihood> all, List<ReadingLikelihood> inOrder) {

    /** Set-ups that were used one after the other. */
    public static RigSetups of(List<SetupLikelihood> all) {
        return new RigSetups(
                all, all.stream().flatMap(s -> s.readings().stream()).toList());
    }

    /** Each reading with what it counts among repeats on its rig. */
    List<Term> terms() {
        return inOrder.stream()
                .map(r -> new Term(r, all.stream().mapToDouble(s -> s.share(r)).sum()))
                .toList();
    }

    /** Log probability that no rig lied. */
    double logAllHonest() {
        return all.stream().mapToDouble(SetupLikelihood::logHonest).sum();
    }
}
