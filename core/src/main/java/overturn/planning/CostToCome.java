package overturn.planning;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import overturn.suspect.Cure;

/**
 * The cost still to come of a belief over cures, in minutes: what acting now is expected to waste, and a price on
 * remaining doubt. Knows neither circuit nor particles, so that it can be held against the exact optimum of small
 * problems.
 */
public final class CostToCome {

    /** Cures that are weighed at once; chosen for speed. */
    private static final int MOST_ACTIONS = 8;
    /** Share of a cure that is left out; chosen. */
    private static final double NEGLIGIBLE = 1e-7;
    /** Share at which doubt about a second fault counts beside doubt about the first; estimate. */
    private static final double SECOND_FAULT_DOUBT = 0.3;

    private final Prices prices;
    private final double[][] waste;
    private final int[] groups;

    private CostToCome(Prices prices, double[][] waste, int[] groups) {
        this.prices = prices;
        this.waste = waste;
        this.groups = groups;
    }

    /** @param shares present probability of each cure; the likeliest few are what may be done */
    public static CostToCome of(Prices prices, List<Cure> cures, double[] shares) {
        int[] actions = IntStream.range(0, shares.length)
                .boxed()
                .sorted((a, b) -> Double.compare(shares[b], shares[a]))
                .limit(MOST_ACTIONS)
                .mapToInt(a -> a)
                .toArray();
        double[][] waste = new double[actions.length][shares.length];
        for (int a = 0; a < actions.length; a++) {
            for (int c = 0; c < shares.length; c++) {
                waste[a][c] = prices.waste(cures.get(actions[a]), cures.get(c));
            }
        }
        return new CostToCome(prices, waste, groups(cures, shares));
    }

    /**
     * A cure of two remedies begins with one of them, the likelier alone; whether the other is needed too is seen when
     * that one is proved.
     */
    private static int[] groups(List<Cure> cures, double[] shares) {
        return IntStream.range(0, shares.length)
                .map(c -> IntStream.range(0, shares.length)
                        .filter(first -> cures.get(first).remedies().size() == 1
                                && cures.get(c).includes(cures.get(first)))
                        .boxed()
                        .max(Comparator.comparingDouble((Integer first) -> shares[first])
                                .thenComparing(Comparator.reverseOrder()))
                        .orElse(c))
                .toArray();
    }

    /** Doubt about what to do first, nats times the sum of the shares. */
    private double doubtOfFirst(double[] shares) {
        double[] grouped = new double[shares.length];
        for (int c = 0; c < shares.length; c++) {
            grouped[groups[c]] += shares[c];
        }
        return SECOND_FAULT_DOUBT * doubt(shares) + (1 - SECOND_FAULT_DOUBT) * doubt(grouped);
    }

    /** Expected waste of the best action, minutes times the sum of the shares. */
    public double waste(double[] shares) {
        double least = Double.POSITIVE_INFINITY;
        for (double[] of : waste) {
            double sum = 0;
            for (int c = 0; c < shares.length; c++) {
                sum += shares[c] * of[c];
            }
            least = Math.min(least, sum);
        }
        return least;
    }

    /** Entropy, nats times the sum of the shares. */
    public static double doubt(double[] shares) {
        double total = 0;
        double nats = 0;
        for (double share : shares) {
            if (share > NEGLIGIBLE) {
                nats -= share * Math.log(share);
                total += share;
            }
        }
        return total > 0 ? nats + total * Math.log(total) : 0;
    }

    /** Cost still to come, minutes times the sum of the shares. */
    public double of(double[] shares) {
        return waste(shares) + prices.doubtMinutesPerNat() * doubtOfFirst(shares);
    }

    /** What a test is expected to bring, from the joint chances of its outcomes and the cures. */
    public Gain gain(double[] now, double[][] outcomes) {
        double wasteAfter = 0;
        double doubtAfter = 0;
        double leadingAfter = 0;
        for (double[] outcome : outcomes) {
            double most = 0;
            for (double share : outcome) {
                most = Math.max(most, share);
            }
            leadingAfter += most;
            wasteAfter += waste(outcome);
            doubtAfter += doubtOfFirst(outcome);
        }
        return new Gain(
                Math.max(0, waste(now) - wasteAfter),
                Math.max(0, doubtOfFirst(now) - doubtAfter),
                leadingAfter,
                prices.doubtMinutesPerNat());
    }

    /**
     * Expected gain of a test.
     *
     * @param wasteMinutes fall of the expected waste
     * @param informationNats fall of the doubt
     * @param leadingAfter expected probability of the then leading cure
     * @param doubtMinutesPerNat price on doubt
     */
    public record Gain(double wasteMinutes, double informationNats, double leadingAfter, double doubtMinutesPerNat) {

        /** The same expected only in this share. */
        public Gain times(double share) {
            return new Gain(share * wasteMinutes, share * informationNats, leadingAfter, doubtMinutesPerNat);
        }

        /** Fall of the cost to come, minutes. */
        public double minutes() {
            return wasteMinutes + doubtMinutesPerNat * informationNats;
        }
    }
}
