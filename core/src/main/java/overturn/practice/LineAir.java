package overturn.practice;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.random.RandomGenerator;
import overturn.circuit.Chamber;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.suspect.Fault;

/**
 * Air in the lines of a vehicle, bubble by bubble: each sits some way before the screw and goes with the fluid that is
 * moved, but for those that cling until they are shaken or rested loose. The bleed sheet knows nothing of it; it has a
 * law of its own and sees only what comes out of the hose.
 */
public record LineAir(List<Bubble> bubbles) {

    public static final LineAir NONE = new LineAir(List.of());

    /** Fluid between a bubble and the screw at most, mL: the bore of an end and the pipe before it; estimate. */
    private static final double MOST_WAY_ML = 25;
    /** Smallest bubble, mL; estimate. */
    private static final double SMALLEST_ML = 0.02;
    /** How much larger the largest is, mL; estimate. */
    private static final double LARGER_ML = 0.1;
    /** Share of the bubbles that cling; estimate. */
    private static final double CLINGING = 0.1;
    /** Chance that one stroke shakes a clinging bubble loose; estimate. */
    private static final double SHAKEN_LOOSE = 0.03;
    /** Chance that a rest of ten minutes sets a clinging bubble free; estimate. */
    private static final double RESTED_LOOSE = 0.6;
    /** Less at one part is not felt by any test, mL; estimate. */
    private static final double NOT_FELT_ML = 0.01;

    /**
     * One bubble.
     *
     * @param part where it is
     * @param wayMl fluid that has to be moved past the screw until it is out, mL
     */
    public record Bubble(String part, Chamber chamber, double ml, double wayMl, boolean clings) {}

    public LineAir {
        bubbles = List.copyOf(bubbles);
    }

    /** More air in a part, mL. */
    public LineAir with(String part, Chamber chamber, double ml, RandomGenerator random) {
        List<Bubble> more = new ArrayList<>(bubbles);
        double left = ml;
        while (left > 0) {
            double one = Math.min(left, SMALLEST_ML + LARGER_ML * random.nextDouble());
            left -= one;
            more.add(new Bubble(part, chamber, one, MOST_WAY_ML * random.nextDouble(), random.nextDouble() < CLINGING));
        }
        return new LineAir(more);
    }

    /** Air after fluid was moved out of an end, and the air that came with it, mL. */
    public record Moved(LineAir left, double outMl) {}

    /** So much fluid goes out at the screw of an end, mL; a bubble on its way there is in that branch from then on. */
    public Moved moved(String endId, double ml, Layout layout, RandomGenerator random) {
        Chamber chamber = layout.chamberOf(endId);
        Set<String> way = wayTo(endId, layout);
        List<Bubble> left = new ArrayList<>();
        double out = 0;
        for (Bubble bubble : bubbles) {
            boolean moves = bubble.chamber() == chamber && way.contains(bubble.part());
            boolean clings = bubble.clings() && !(moves && random.nextDouble() < SHAKEN_LOOSE);
            if (!moves || clings) {
                left.add(bubble);
            } else if (bubble.wayMl() <= ml) {
                out += bubble.ml();
            } else {
                left.add(new Bubble(endId, chamber, bubble.ml(), bubble.wayMl() - ml, false));
            }
        }
        return new Moved(new LineAir(left), out);
    }

    /** Parts whose fluid goes to an end, itself among them. */
    private static Set<String> wayTo(String endId, Layout layout) {
        Set<String> way = new HashSet<>(Set.of(endId));
        for (Joint joint : layout.joints()) {
            if (layout.beyond(joint.id()).contains(endId)) {
                way.add(joint.from());
            }
        }
        return way;
    }

    /** The same without the air of some parts. */
    LineAir without(Predicate<String> parts) {
        return new LineAir(bubbles.stream().filter(b -> !parts.test(b.part())).toList());
    }

    /** After ten minutes alone. */
    public LineAir rested(RandomGenerator random) {
        return new LineAir(bubbles.stream()
                .map(b -> b.clings() && random.nextDouble() < RESTED_LOOSE
                        ? new Bubble(b.part(), b.chamber(), b.ml(), b.wayMl(), false)
                        : b)
                .toList());
    }

    /** All of it, mL. */
    public double ml() {
        return bubbles.stream().mapToDouble(Bubble::ml).sum();
    }

    /** As faults of the vehicle. */
    public List<Fault> faults() {
        Map<String, Chamber> chambers = new LinkedHashMap<>();
        Map<String, Double> ml = new HashMap<>();
        for (Bubble bubble : bubbles) {
            chambers.put(bubble.part(), bubble.chamber());
            ml.merge(bubble.part(), bubble.ml(), Double::sum);
        }
        List<Fault> faults = new ArrayList<>();
        chambers.forEach((part, chamber) -> {
            double there = ml.getOrDefault(part, 0.0);
            if (there > NOT_FELT_ML) {
                faults.add(new Fault.TrappedAir(part, chamber, there));
            }
        });
        return faults;
    }
}
