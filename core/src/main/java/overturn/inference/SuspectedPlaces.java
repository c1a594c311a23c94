package overturn.inference;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import overturn.circuit.Segment;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.Particles;
import overturn.suspect.Fault;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/**
 * At which of its places each suspect sits: every imagined vehicle has its fault at one part, and those that fit what
 * was read say at which. So a wheel that drags tells which hose has the flap.
 */
public final class SuspectedPlaces {

    /** Suspicion below which all places of a suspect count alike; chosen for speed. */
    private static final double WORTH_TELLING = 0.005;

    /** Share from which on one part is named; chosen. */
    private static final double TOLD_FROM = 0.6;

    private final LayoutModel model;
    private final double[] suspicion;
    private final List<Map<String, Double>> places;
    private final double[] together;

    /**
     * @param suspicion probability of each suspect
     * @param places share of each of its places, by id, for each suspect
     * @param together of each suspect, how likely its fault is at several parts at once, as shoes of both drums
     */
    private SuspectedPlaces(
            LayoutModel model, double[] suspicion, List<Map<String, Double>> places, double[] together) {
        this.model = model;
        this.suspicion = suspicion;
        this.places = places;
        this.together = together;
    }

    static SuspectedPlaces of(Belief belief) {
        LayoutModel model = belief.model();
        double[][] weights = new double[model.suspects().size()][];
        for (int h = 0; h < belief.hypotheses().size(); h++) {
            Hypothesis left = belief.left(belief.hypotheses().get(h));
            if (!left.isNoneOfThese()) {
                add(belief, h, left.first(), weights);
                if (left.isPair()) {
                    add(belief, h, left.second(), weights);
                }
            }
        }
        return new SuspectedPlaces(
                model,
                IntStream.range(0, weights.length)
                        .mapToDouble(belief::probability)
                        .toArray(),
                IntStream.range(0, weights.length)
                        .mapToObj(s -> places(model, s, weights[s]))
                        .toList(),
                IntStream.range(0, weights.length)
                        .mapToDouble(s -> together(model, s, weights[s]))
                        .toArray());
    }

    private static void add(Belief belief, int hypothesis, int suspect, double[][] weights) {
        boolean tells = belief.model().suspects().get(suspect).places().size() > 1
                && belief.probability(suspect) >= WORTH_TELLING;
        if (tells) {
            if (weights[suspect] == null) {
                weights[suspect] = new double[Particles.PARTICLES];
            }
            for (int i = 0; i < Particles.PARTICLES; i++) {
                weights[suspect][i] += belief.weight(hypothesis, i);
            }
        }
    }

    private static Map<String, Double> places(LayoutModel model, int suspect, double @Nullable [] weights) {
        List<String> all = model.suspects().get(suspect).places();
        Map<String, Double> shares = new LinkedHashMap<>();
        all.forEach(place -> shares.put(place, weights == null ? 1.0 : 0.0));
        for (int i = 0; weights != null && i < weights.length; i++) {
            Set<String> own = own(model, suspect, i);
            double each = weights[i] / (own.isEmpty() ? all.size() : own.size());
            (own.isEmpty() ? all : own).forEach(place -> shares.merge(place, each, Double::sum));
        }
        double sum = shares.values().stream().mapToDouble(Double::doubleValue).sum();
        shares.replaceAll((place, share) -> sum > 0 ? share / sum : 1.0 / all.size());
        return shares;
    }

    /** The parts at which the fault of one imagined vehicle is. */
    private static Set<String> own(LayoutModel model, int suspect, int particle) {
        Set<String> own = new HashSet<>();
        for (Fault fault : model.particles().faults(suspect, particle)) {
            own.addAll(fault.componentIds());
        }
        own.retainAll(model.suspects().get(suspect).places());
        return own;
    }

    private static double together(LayoutModel model, int suspect, double @Nullable [] weights) {
        double several = 0;
        double sum = 0;
        for (int i = 0; weights != null && i < weights.length; i++) {
            several += own(model, suspect, i).size() > 1 ? weights[i] : 0;
            sum += weights[i];
        }
        return sum > 0 ? several / sum : 0;
    }

    /** Suspicion per component of the layout, by id. */
    public Map<String, Double> components() {
        return components(PlacesSeen.NONE);
    }

    /** The same with what was seen at places: a suspect of which it tells sits the more likely where it was wet. */
    public Map<String, Double> components(PlacesSeen seen) {
        return components(seen, suspect -> true);
    }

    /** The same of some suspects alone, for example of those that one remedy mends. */
    public Map<String, Double> components(PlacesSeen seen, Predicate<Suspect> counted) {
        Map<String, Double> sums = new LinkedHashMap<>();
        for (int s = 0; s < suspicion.length; s++) {
            Suspect suspect = model.suspects().get(s);
            if (counted.test(suspect)) {
                double share = suspicion[s];
                seen.shares(suspect, places.get(s))
                        .forEach((place, part) -> sums.merge(place, share * part, Double::sum));
            }
        }
        return sums;
    }

    /**
     * Which of some parts one remedy is for, the most suspected first; alike where nothing is suspected there.
     *
     * @return share of each part, by id; they sum to one
     */
    public Map<String, Double> of(Remedy remedy, List<String> parts, PlacesSeen seen) {
        Map<String, Double> all = components(seen, suspect -> suspect.remedy() == remedy);
        double sum =
                parts.stream().mapToDouble(part -> all.getOrDefault(part, 0.0)).sum();
        Map<String, Double> shares = new LinkedHashMap<>();
        parts.stream()
                .sorted(Comparator.comparingDouble(part -> -all.getOrDefault(part, 0.0)))
                .forEach(part -> shares.put(part, sum > 0 ? all.getOrDefault(part, 0.0) / sum : 1.0 / parts.size()));
        return shares;
    }

    /**
     * The part that the readings tell, of those that {@link #of} returned; empty where they leave it open, and whoever
     * repairs has to say which it is.
     */
    public static Optional<String> told(Map<String, Double> shares) {
        return shares.entrySet().stream()
                .filter(e -> e.getValue() >= TOLD_FROM)
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** Whether what one remedy mends is at several parts at once, so that none of them is asked for. */
    public boolean isTogether(Remedy remedy) {
        double several = 0;
        double sum = 0;
        for (int s = 0; s < suspicion.length; s++) {
            if (model.suspects().get(s).remedy() == remedy) {
                several += suspicion[s] * together[s];
                sum += suspicion[s];
            }
        }
        return several >= TOLD_FROM * sum && several > 0;
    }

    /** Suspicion per segment of the circuit, from foot to wheel. */
    public Map<Segment, Double> segments() {
        Map<Segment, Double> sums = new EnumMap<>(Segment.class);
        model.layout().components().forEach(c -> sums.merge(Segment.of(c), 0.0, Double::sum));
        components().forEach((id, share) -> sums.merge(Segment.of(model.layout().component(id)), share, Double::sum));
        return sums;
    }
}
