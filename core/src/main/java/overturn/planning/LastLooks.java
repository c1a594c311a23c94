package overturn.planning;

import java.util.List;
import overturn.inference.Belief;
import overturn.procedure.Procedure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/**
 * The direct looks that are still due before a job may end at <em>none of these</em>: what a formula leaves out can
 * make a fault in no list look likely, a part seen sound or broken cannot.
 */
final class LastLooks {

    /** A suspect is still live with this share of all that is suspected by name; so at most twenty are; chosen. */
    private static final double LIVE_SHARE = 0.05;
    /** A look that costs no more than this, the way there included, is cheap; chosen. */
    private static final double CHEAP_MINUTES = 20;

    private LastLooks() {}

    /** Whether a test that was not done yet has to come before the verdict that nothing in the list is wrong. */
    static boolean due(Belief belief, Procedure procedure, double minutes) {
        return belief.leadingRemedy() == Remedy.LOOK_ELSEWHERE
                && minutes <= CHEAP_MINUTES
                && !at(belief, procedure).isEmpty();
    }

    /** The remedies of the live suspects that a test looks at directly. */
    static List<Remedy> at(Belief belief, Procedure procedure) {
        List<Suspect> faults = belief.ranking().stream()
                .filter(s -> s.remedy() != Remedy.HAND_BACK)
                .toList();
        double byName =
                faults.stream().mapToDouble(s -> belief.probability(s.id())).sum();
        return faults.stream()
                .filter(s -> procedure.observes().contains(s.id()))
                .filter(s -> belief.probability(s.id()) >= LIVE_SHARE * byName)
                .map(Suspect::remedy)
                .distinct()
                .toList();
    }
}
