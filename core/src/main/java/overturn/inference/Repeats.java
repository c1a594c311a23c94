package overturn.inference;

import java.util.ArrayList;
import java.util.List;
import overturn.numeric.LogSpace;

/**
 * Readings of one rig set-up that those of another repeat. A fault in no list may read anything, but the same in both: so where two rigs differ
 * one of them lied, and where they agree on what nothing explains, it is so.
 */
final class Repeats {

    private final SetupLikelihood one;
    private final SetupLikelihood other;
    private final List<Pair> pairs;

    /** Two readings of the same test, and how much they count among repeats on their rigs. */
    private record Pair(ReadingLikelihood here, ReadingLikelihood there, double share) {
    }

    private Repeats(SetupLikelihood one, SetupLikelihood other, List<Pair> pairs) {
        this.one = one;
        this.other = other;
        this.pairs = pairs;
    }

    /** Every two set-ups that share a test. */
    static List<Repeats> among(List<SetupLikelihood> setups) {
        List<Repeats> all = new ArrayList<>();
        for (int i = 0; i < setups.size(); i++) {
            for (int j = i + 1; j < setups.size(); j++) {
                List<Pair> pairs = pairs(setups.get(i), setups.get(j));
                if (!pairs.isEmpty()) {
                    all.add(new Repeats(setups.get(i), setups.get(j), pairs));
                }
            }
        }
        return all;
    }

    private static List<Pair> pairs(SetupLikelihood one, SetupLikelihood other) {
        return one.readings().stream().flatMap(r -> other.readings().stream().filter(r::repeats).map(o -> new Pair(r, o, one.share(r) * other.share(o)))).toList();
    }

    /** What a fault in no list makes of both set-ups together, per particle in logs, beyond what it makes of each; each lying or not. */
    double[] together(Hypothesis unlisted, int time) {
        double[] both = new double[Crowd.PARTICLES];
        for (Pair pair : pairs) {
            double[] row = pair.here.together(pair.there, unlisted, time);
            for (int i = 0; i < both.length; i++) {
                both[i] += pair.share * row[i];
            }
        }
        double[] here = one.honest(unlisted, time);
        double[] there = other.honest(unlisted, time);
        for (int i = 0; i < both.length; i++) {
            double someLied = LogSpace.add(one.logLied() + LogSpace.add(there[i], other.logLied()), here[i] + other.logLied());
            both[i] = LogSpace.add(here[i] + there[i] + both[i], someLied) - LogSpace.add(here[i], one.logLied()) - LogSpace.add(there[i], other.logLied());
        }
        return both;
    }
}
