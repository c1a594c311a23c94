package overturn.inference;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import overturn.suspect.Suspect;

/**
 * What was seen at single parts: it says at which of its places a leak sits, not whether there is one, which readings
 * say.
 *
 * @param states by component
 * @param suspects of which it tells
 */
public record PlacesSeen(Map<String, State> states, Set<String> suspects) {

    public static final PlacesSeen NONE = new PlacesSeen(Map.of(), Set.of());

    /**
     * How a part looked, and how much more likely the leak sits there than at one that was not looked at; estimates.
     */
    public enum State {
        DRY(0.2),
        DAMP(5),
        WET(25);

        private final double weight;

        State(double weight) {
            this.weight = weight;
        }
    }

    public PlacesSeen {
        states = Map.copyOf(states);
        suspects = Set.copyOf(suspects);
    }

    /** Part of its weight that a suspect has at each of its places; sums to one. */
    Map<String, Double> shares(Suspect suspect) {
        boolean tells = suspects.contains(suspect.id());
        Map<String, Double> shares = new LinkedHashMap<>();
        double sum = 0;
        for (String place : suspect.places()) {
            double weight = tells && states.containsKey(place) ? states.get(place).weight : 1;
            shares.put(place, weight);
            sum += weight;
        }
        double all = sum;
        shares.replaceAll((place, weight) -> weight / all);
        return shares;
    }
}
