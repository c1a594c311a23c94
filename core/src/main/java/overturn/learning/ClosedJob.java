package overturn.learning;

import java.util.Map;
import overturn.circuit.Family;

/**
 * A closed job as far as frequencies are learned from it.
 *
 * @param behaviour what was felt, by its stable id; empty where nobody complained
 * @param shares of each suspect in its cause, by {@link CauseShares}
 * @param ageYears how long ago it was closed
 */
public record ClosedJob(Family family, String behaviour, Map<String, Double> shares, double ageYears) {

    public ClosedJob {
        shares = Map.copyOf(shares);
        if (!(ageYears >= 0)) {
            throw new IllegalArgumentException("A closed job " + ageYears + " years old: must be 0 or more");
        }
    }
}
