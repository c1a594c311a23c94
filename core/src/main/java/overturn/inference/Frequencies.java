package overturn.inference;

import java.util.List;
import java.util.Map;
import overturn.suspect.Suspect;

/**
 * How frequent each suspect is before anything is known of a vehicle: the frequencies that ship, and closed jobs as
 * Dirichlet counts beside them.
 */
public final class Frequencies {

    /** The frequencies that ship count as this many closed jobs; chosen. */
    public static final double SHIPPED_JOBS = 60;

    private Frequencies() {}

    /**
     * @param closedJobs how often each was the cause, by id; those that this circuit does not have are left out
     * @return a share for each suspect, in their order; they sum to one
     */
    public static double[] of(List<Suspect> suspects, Map<String, Double> closedJobs) {
        double[] shares = suspects.stream().mapToDouble(Suspect::frequency).toArray();
        normalise(shares);
        for (int s = 0; s < shares.length; s++) {
            shares[s] = SHIPPED_JOBS * shares[s]
                    + closedJobs.getOrDefault(suspects.get(s).id(), 0.0);
        }
        normalise(shares);
        return shares;
    }

    static void normalise(double[] shares) {
        double total = 0;
        for (double share : shares) {
            total += share;
        }
        for (int i = 0; i < shares.length; i++) {
            shares[i] /= total;
        }
    }
}
