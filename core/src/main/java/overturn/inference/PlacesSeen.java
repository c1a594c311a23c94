package overturn.inference;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
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

    /**
     * At which of its places a suspect sits; sums to one.
     *
     * @param read what the readings say of it, summing to one
     */
    Map<String, Double> shares(Suspect suspect, Map<String, Double> read) {
        boolean tells = suspects.contains(suspect.id());
        Map<String, Double> shares = new LinkedHashMap<>();
        read.forEach((place, share) ->
                shares.put(place, share * (tells && states.containsKey(place) ? states.get(place).weight : 1)));
        double sum = shares.values().stream().mapToDouble(Double::doubleValue).sum();
        return sum == 0
                ? read
                : shares.entrySet().stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getKey, e -> e.getValue() / sum, (one, other) -> one, LinkedHashMap::new));
    }
}
