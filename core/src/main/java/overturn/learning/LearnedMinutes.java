package overturn.learning;

import java.util.Collection;
import java.util.Map;
import java.util.TreeMap;

/**
 * How long tests take in this workshop, as a factor on their estimates: the geometric mean of what they took, the
 * estimate counting as so many times that the test was done.
 *
 * @param factors by id of the test; what is not named takes as long as it is estimated
 * @param done how often each was timed
 */
public record LearnedMinutes(Map<String, Double> factors, Map<String, Integer> done) {

    /** Nothing learned. */
    public static final LearnedMinutes NONE = new LearnedMinutes(Map.of(), Map.of());

    /** The estimate counts as a test that was timed so often; chosen. */
    private static final double ESTIMATE_COUNTS = 5;

    /** Longer or shorter by more than this somebody was called away, or entered it later; chosen. */
    public static final double MOST_FACTOR = 4;

    public LearnedMinutes {
        factors = Map.copyOf(factors);
        done = Map.copyOf(done);
    }

    /**
     * A test as it was timed in closed jobs.
     *
     * @param times how often
     * @param weight the same, older times counting less
     * @param meanLogFactor mean of the natural logarithm of what it took over its estimate, weighed so
     */
    public record Timed(String procedureId, int times, double weight, double meanLogFactor) {}

    public static LearnedMinutes of(Collection<Timed> all) {
        Map<String, Double> factors = new TreeMap<>();
        Map<String, Integer> done = new TreeMap<>();
        for (Timed timed : all) {
            factors.put(
                    timed.procedureId(),
                    Math.exp(timed.weight() * timed.meanLogFactor() / (timed.weight() + ESTIMATE_COUNTS)));
            done.put(timed.procedureId(), timed.times());
        }
        return new LearnedMinutes(factors, done);
    }
}
