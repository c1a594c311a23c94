package overturn.verdict;

import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import overturn.evidence.Reading;
import overturn.inference.BeliefHistory;
import overturn.suspect.Suspect;

/**
 * Where one suspect stands and by which readings.
 *
 * @param suspect the suspect
 * @param probability that it is at fault
 * @param weights readings that weigh on it, the weightiest first
 */
public record Standing(Suspect suspect, double probability, List<Weight> weights) {

    /** Below this a suspect counts as cleared; never impossible; chosen. */
    public static final double CLEARED_SHARE = 0.01;
    /** Weights between this and its inverse are noise and not told; chosen. */
    private static final double TELLING_FACTOR = 1.5;

    public Standing {
        weights = List.copyOf(weights);
    }

    /**
     * A reading on a suspect.
     *
     * @param oddsFactor how many times it raised the odds, roughly where it does not carry the verdict; below 1 it
     *     speaks against the suspect
     */
    public record Weight(Reading reading, double oddsFactor) {

        private double size() {
            return Math.abs(Math.log(oddsFactor));
        }
    }

    /** How a suspect stands on these readings, all of them weighed roughly. */
    public static Standing of(BeliefHistory history, Suspect suspect) {
        return of(history, suspect, i -> false);
    }

    /**
     * How a suspect stands on these readings. What carries a verdict on it is weighed to the last digit, as the verdict
     * was, so that no page says of a proof that it hardly tells.
     */
    public static Standing of(BeliefHistory history, Suspect suspect, Verdict verdict) {
        return of(
                history,
                suspect,
                i -> verdict.suspects().contains(suspect)
                        && verdict.carriers().contains(history.readings().get(i)));
    }

    private static Standing of(BeliefHistory history, Suspect suspect, IntPredicate exactly) {
        List<Weight> weights = IntStream.range(0, history.readings().size())
                .mapToObj(i -> new Weight(
                        history.readings().get(i),
                        exactly.test(i)
                                ? history.oddsFactor(i, suspect.id())
                                : history.roughOddsFactor(i, suspect.id())))
                .filter(w -> w.oddsFactor > TELLING_FACTOR || w.oddsFactor < 1 / TELLING_FACTOR)
                .sorted((a, b) -> Double.compare(b.size(), a.size()))
                .toList();
        return new Standing(suspect, history.now().probability(suspect.id()), weights);
    }

    public boolean cleared() {
        return probability < CLEARED_SHARE;
    }

    /** The reading that clears it most, where it is cleared. */
    public Optional<Weight> clearedBy() {
        return weights.stream().filter(w -> cleared() && w.oddsFactor < 1).findFirst();
    }

    /** The reading that keeps it suspected most, where it is not cleared. */
    public Optional<Weight> heldUpBy() {
        return weights.stream().filter(w -> !cleared() && w.oddsFactor > 1).findFirst();
    }
}
