package overturn.bleeding;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import overturn.bleeding.BleedEvent.Bubbles;
import overturn.bleeding.BleedEvent.Rest;
import overturn.bleeding.BleedEvent.Strokes;

/**
 * How much air is believed to be left in one end and its line: particles drawn wide, weighed by the bubbles seen. Part
 * of the air goes with the fluid that is moved, part clings and comes loose with rest.
 */
final class AirLeft {

    /** Imagined ends by which the air left is judged; chosen. */
    private static final int PARTICLES = 300;
    /** Air beforehand, mL: half of all ends opened have less; estimate. */
    private static final double MEDIAN_ML = 1.2;

    /** Factor of one standard deviation in the air before the first stroke; estimate. */
    private static final double SPREAD = 2.6;
    /** Fluid that carries most of the loose air out, mL, and its spread; estimates. */
    private static final double CARRYING_ML = 9;

    /** Factor of one standard deviation in how much a stroke carries; estimate. */
    private static final double CARRYING_SPREAD = 1.8;
    /** Most of the air that clings until a rest, as a share; estimate. */
    private static final double MOST_CLINGING = 0.3;
    /** Share of what clings that a rest sets free; estimate. */
    private static final double FREED_BY_REST = 0.7;
    /** Air in one stroke that half of all eyes call few instead of none, and many instead of few, mL; estimates. */
    private static final double SEEN_ML = 0.012;

    /** Air that comes with the strokes at which half of all call the bubbles many, mL; estimate. */
    private static final double MANY_ML = 0.12;
    /** Chance that bubbles are called wrongly; estimate. */
    private static final double WRONGLY_SEEN = 0.03;

    private final double[] looseMl = new double[PARTICLES];
    private final double[] clingingMl = new double[PARTICLES];
    private final double[] carryingMl = new double[PARTICLES];
    private final double[] logWeight = new double[PARTICLES];

    private AirLeft(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < PARTICLES; i++) {
            double air = MEDIAN_ML * Math.exp(Math.log(SPREAD) * random.nextGaussian());
            double clings = MOST_CLINGING * random.nextDouble();
            looseMl[i] = air * (1 - clings);
            clingingMl[i] = air * clings;
            carryingMl[i] = CARRYING_ML * Math.exp(Math.log(CARRYING_SPREAD) * random.nextGaussian());
        }
    }

    /**
     * After all that happened at one end, with the fluid of a stroke by method; the same events give the same belief.
     */
    static AirLeft of(String end, List<BleedEvent> events, ToDoubleFunction<Schools.Method> strokeMl) {
        AirLeft air = new AirLeft(end.hashCode());
        for (BleedEvent event : events) {
            if (event instanceof Strokes strokes && strokes.endId().equals(end)) {
                air.pumped(strokes, strokeMl.applyAsDouble(strokes.method()));
            } else if (event instanceof Rest) {
                air.rested();
            }
        }
        return air;
    }

    private void pumped(Strokes strokes, double strokeMl) {
        for (int i = 0; i < PARTICLES; i++) {
            double kept = Math.exp(-strokeMl / carryingMl[i]);
            double before = looseMl[i] * Math.pow(kept, strokes.count() - 1.0);
            double first = looseMl[i] * (1 - kept);
            looseMl[i] = before * kept;
            double shown = strokes.bubbles() == Bubbles.NONE ? first : before - looseMl[i];
            logWeight[i] += Math.log(likelihood(strokes.bubbles(), shown));
        }
    }

    private void rested() {
        for (int i = 0; i < PARTICLES; i++) {
            double freed = FREED_BY_REST * clingingMl[i];
            clingingMl[i] -= freed;
            looseMl[i] += freed;
        }
    }

    private static double likelihood(Bubbles seen, double airMl) {
        double some = airMl * airMl / (airMl * airMl + SEEN_ML * SEEN_ML);
        double many = airMl * airMl / (airMl * airMl + MANY_ML * MANY_ML);
        double share = switch (seen) {
            case NONE -> 1 - some;
            case FEW -> some * (1 - many);
            case MANY -> some * many;
        };
        return WRONGLY_SEEN + (1 - 3 * WRONGLY_SEEN) * share;
    }

    /** Mean of what is left, mL, loose and clinging. */
    double meanMl() {
        double[] weights = weights();
        return IntStream.range(0, PARTICLES)
                .mapToDouble(i -> weights[i] * (looseMl[i] + clingingMl[i]))
                .sum();
    }

    private double[] weights() {
        double most = Arrays.stream(logWeight).max().orElse(0);
        double[] weights = Arrays.stream(logWeight).map(w -> Math.exp(w - most)).toArray();
        double sum = Arrays.stream(weights).sum();
        return Arrays.stream(weights).map(w -> w / sum).toArray();
    }
}
