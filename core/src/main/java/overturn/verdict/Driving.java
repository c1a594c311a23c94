package overturn.verdict;

import java.util.Comparator;
import java.util.List;
import overturn.circuit.Layout;
import overturn.inference.Belief;
import overturn.suspect.Hazard;
import overturn.suspect.Suspect;

/**
 * Whether the vehicle may be driven meanwhile: never softer than the worst suspect that is still live.
 *
 * @param answer how far
 * @param because the live suspects that ask for it, the likeliest first; empty where it may go, or where only a fault
 *     in no list stands against it
 */
public record Driving(Hazard answer, List<Suspect> because) {

    /** A suspect is live for this from here on: one in fifty is too often to let it on the road; chosen. */
    private static final double LIVE_SHARE = 0.02;
    /** A fault in no list is feared from here on; chosen. */
    private static final double UNLISTED_SHARE = 0.1;

    /** Suspects named at most; chosen for the eye. */
    private static final int MOST_NAMED = 3;

    public Driving {
        because = List.copyOf(because);
    }

    /** What follows from a belief. */
    public static Driving of(Belief belief, Layout layout) {
        List<Suspect> live = belief.ranking().stream()
                .filter(s -> belief.probability(s.id()) >= LIVE_SHARE)
                .toList();
        Hazard unlisted = belief.noneOfThese() >= UNLISTED_SHARE ? Hazard.TO_THE_WORKSHOP : Hazard.UNTIL_RECHECK;
        Hazard worst = live.stream()
                .map(s -> Hazard.of(s, layout))
                .max(Comparator.naturalOrder())
                .filter(h -> h.compareTo(unlisted) > 0)
                .orElse(unlisted);
        return new Driving(
                worst,
                worst == Hazard.UNTIL_RECHECK
                        ? List.of()
                        : live.stream()
                                .filter(s -> Hazard.of(s, layout) == worst)
                                .limit(MOST_NAMED)
                                .toList());
    }
}
