package overturn.likelihood;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import overturn.forecast.Hypothesis;
import overturn.forecast.Particles;
import overturn.forecast.Rows;
import overturn.numeric.LogSpace;

/**
 * Readings of one rig set-up that those of another repeat. A fault in no list may read anything, but the same in both:
 * so where two rigs differ one of them lied, and where they agree on what nothing explains, it is so.
 */
final class Repeats {

    private final SetupLikelihood one;
    private final SetupLikelihood other;
    private final List<Pair> pairs;
    private final Rows rows;

    /** Two readings of the same test, and how much they count among repeats on their rigs. */
    private record Pair(ReadingLikelihood here, ReadingLikelihood there, double share) {}

    private Repeats(SetupLikelihood one, SetupLikelihood other, List<Pair> pairs) {
        this.one = one;
        this.other = other;
        this.pairs = pairs;
        this.rows = new Rows(0, this::worked);
    }

    /** Every two set-ups that share a test. */
    static List<Repeats> among(List<SetupLikelihood> setups) {
        return IntStream.range(0, setups.size())
                .boxed()
                .flatMap(i -> setups.subList(i + 1, setups.size()).stream()
                        .flatMap(later -> setups.get(i).repeatedBy(later).stream()))
                .toList();
    }

    /** Empty where the two share no test. */
    static Optional<Repeats> of(SetupLikelihood one, SetupLikelihood other) {
        List<Pair> pairs = pairs(one, other);
        return pairs.isEmpty() ? Optional.empty() : Optional.of(new Repeats(one, other, pairs));
    }

    private static List<Pair> pairs(SetupLikelihood one, SetupLikelihood other) {
        return one.readings().stream()
                .flatMap(r -> other.readings().stream()
                        .filter(r::repeats)
                        .map(o -> new Pair(r, o, one.share(r) * other.share(o))))
                .toList();
    }

    /**
     * What a fault in no list makes of both set-ups together, per particle in logs, beyond what it makes of each; each
     * lying or not.
     */
    double[] together(Hypothesis unlisted, int time) {
        return rows.of(unlisted.showing(s -> one.moved(s) || other.moved(s), one.sound()), time);
    }

    private double[] worked(Hypothesis unlisted, int time) {
        double[] both = new double[Particles.PARTICLES];
        for (Pair pair : pairs) {
            double[] row = pair.here.together(pair.there, unlisted, time);
            for (int i = 0; i < both.length; i++) {
                both[i] += pair.share * row[i];
            }
        }
        double[] here = one.honest(unlisted, time);
        double[] there = other.honest(unlisted, time);
        for (int i = 0; i < both.length; i++) {
            double someLied =
                    LogSpace.add(one.logLied() + LogSpace.add(there[i], other.logLied()), here[i] + other.logLied());
            both[i] = LogSpace.add(here[i] + there[i] + both[i], someLied)
                    - LogSpace.add(here[i], one.logLied())
                    - LogSpace.add(there[i], other.logLied());
        }
        return both;
    }
}
