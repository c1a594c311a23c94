package overturn.learning;

import java.util.Collection;
import java.util.Map;
import java.util.TreeMap;

/**
 * How often each suspect was the cause in closed jobs of one family, as a Dirichlet count: a job counts one when it is
 * closed, and less as it ages.
 *
 * @param jobs how many jobs they come from
 * @param counts by id of the suspect, faded
 */
public record LearnedCounts(int jobs, Map<String, Double> counts) {

    /** Nothing learned. */
    public static final LearnedCounts NONE = new LearnedCounts(0, Map.of());

    /** After so many years a job counts half; vehicles and suppliers change. Chosen. */
    public static final double HALF_LIFE_YEARS = 4;

    /** A cure counts once it has held for so long, days; a comeback rarely takes longer. Chosen. */
    public static final int HELD_DAYS = 30;

    public LearnedCounts {
        counts = Map.copyOf(counts);
        counts.forEach((suspect, count) -> {
            if (!(count >= 0)) {
                throw new IllegalArgumentException("Jobs of " + suspect + ": " + count + " must be 0 or more");
            }
        });
    }

    public static LearnedCounts of(Collection<ClosedJob> jobs) {
        Map<String, Double> counts = new TreeMap<>();
        for (ClosedJob job : jobs) {
            double weight = Math.pow(0.5, job.ageYears() / HALF_LIFE_YEARS);
            job.shares().forEach((suspect, share) -> counts.merge(suspect, weight * share, Double::sum));
        }
        return new LearnedCounts(jobs.size(), counts);
    }

    /** Together with what another workshop has learned, of which each job counts by {@code weight}, 0 to 1. */
    public LearnedCounts and(LearnedCounts elsewhere, double weight) {
        if (!(weight >= 0 && weight <= 1)) {
            throw new IllegalArgumentException("Weight " + weight + " must be 0 to 1");
        }
        Map<String, Double> sum = new TreeMap<>(counts);
        elsewhere.counts.forEach((suspect, count) -> sum.merge(suspect, weight * count, Double::sum));
        return new LearnedCounts(jobs + elsewhere.jobs, sum);
    }
}
