package overturn.repair;

import java.util.Map;

/**
 * Two figures of one step that have to go together: the second less the first.
 *
 * @param first id of the figure that is taken off
 * @param second id of the figure it is taken off from
 * @param least least difference, core units
 * @param most most difference, core units
 */
public record Together(String first, String second, double least, double most) {

    /** Whether two measured figures do not go together. */
    public boolean apart(Map<String, Double> measured) {
        if (!measured.containsKey(first) || !measured.containsKey(second)) {
            return false;
        }
        double difference = measured.get(second) - measured.get(first);
        return difference < least || difference > most;
    }
}
