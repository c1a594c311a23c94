package overturn.learning;

import java.util.Map;

/**
 * A closed job as far as frequencies are learned from it.
 *
 * @param shares of each suspect in its cause, by {@link CauseShares}
 * @param ageYears how long ago it was closed
 */
public record ClosedJob(Map<String, Double> shares, double ageYears) {

    public ClosedJob {
        shares = Map.copyOf(shares);
        if (!(ageYears >= 0)) {
            throw new IllegalArgumentException("A closed job " + ageYears + " years old: must be 0 or more");
        }
    }
}
