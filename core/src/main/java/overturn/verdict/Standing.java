package overturn.verdict;

import java.util.List;
import java.util.Optional;
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
     * @param oddsFactor roughly how many times it raised the odds; below 1 it speaks against the suspect
     */
    public record Weight(Reading reading, double oddsFactor) {

        private double size() {
            return Math.abs(Math.log(oddsFactor));
        }
    }

    /** How a suspect stands on these readings. */
    public static Standing of(BeliefHistory history, Suspect suspect) {
        List<Weight> weights = IntStream.range(0, history.readings().size())
                .mapToObj(i -> new Weight(history.readings().get(i), history.roughOddsFactor(i, suspect.id())))
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
