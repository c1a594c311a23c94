package overturn.planning;

import java.util.List;
import overturn.inference.Belief;
import overturn.procedure.Procedure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/**
 * Tests that look at a suspected part itself: fluid at a seal's own place, air out of a screw, a lip in the hand. What
 * a formula leaves out moves derived figures and can make a fault in no list look likely; a part seen sound or broken
 * it leaves alone. So a direct look goes before a figure that would tell as much, and a job may not end at <em>none of
 * these</em> while a cheap one is open.
 */
final class DirectLooks {

    /** A suspect is still live with this share of all that is suspected by name; so at most twenty are; chosen. */
    private static final double LIVE_SHARE = 0.05;
    /** A look that costs no more than this, the way there included, is cheap; chosen. */
    private static final double CHEAP_MINUTES = 20;
    /** Probability from which on a suspect is worth a look of its own before figures tell more; chosen. */
    private static final double SUSPECTED = 0.25;
    /** What a direct look is worth against a figure that would tell as much; estimate, measured by the benchmark. */
    private static final double WORTH = 1.5;

    private DirectLooks() {}

    /** How many times what a test tells counts, as a direct look at what is already suspected. */
    static double worth(Belief belief, Procedure procedure) {
        boolean direct = faults(belief).stream()
                .takeWhile(s -> belief.probability(s.id()) >= SUSPECTED)
                .anyMatch(s -> procedure.observes().contains(s.id()));
        return direct ? WORTH : 1;
    }

    /** Whether a test that was not done yet has to come before the verdict that nothing in the list is wrong. */
    static boolean due(Belief belief, Procedure procedure, double minutes) {
        return belief.leadingRemedy() == Remedy.LOOK_ELSEWHERE
                && minutes <= CHEAP_MINUTES
                && !at(belief, procedure).isEmpty();
    }

    /** The remedies of the live suspects that a test looks at directly. */
    static List<Remedy> at(Belief belief, Procedure procedure) {
        List<Suspect> faults = faults(belief);
        double byName =
                faults.stream().mapToDouble(s -> belief.probability(s.id())).sum();
        return faults.stream()
                .filter(s -> procedure.observes().contains(s.id()))
                .filter(s -> belief.probability(s.id()) >= LIVE_SHARE * byName)
                .map(Suspect::remedy)
                .distinct()
                .toList();
    }

    /** What can be at fault, the likeliest first. */
    private static List<Suspect> faults(Belief belief) {
        return belief.ranking().stream()
                .filter(s -> s.remedy() != Remedy.HAND_BACK)
                .toList();
    }
}
