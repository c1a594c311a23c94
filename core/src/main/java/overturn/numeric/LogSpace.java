package overturn.numeric;

/** Sums of probabilities held as natural logarithms, so that products of many small likelihoods do not underflow. */
public final class LogSpace {

    private LogSpace() {
    }

    /** {@code log(exp(a) + exp(b))} without overflow; either may be negative infinity. */
    public static double add(double a, double b) {
        double high = Math.max(a, b);
        if (high == Double.NEGATIVE_INFINITY) {
            return high;
        }
        return high + Math.log1p(Math.exp(Math.min(a, b) - high));
    }

    /** {@code log(Σ exp(terms))}; negative infinity for no terms. */
    public static double sum(double[] terms) {
        double high = Double.NEGATIVE_INFINITY;
        for (double term : terms) {
            high = Math.max(high, term);
        }
        if (high == Double.NEGATIVE_INFINITY) {
            return high;
        }
        double total = 0;
        for (double term : terms) {
            total += Math.exp(term - high);
        }
        return high + Math.log(total);
    }

    /** The probabilities that these log weights stand for, normalised to sum to one. */
    public static double[] normalised(double[] logWeights) {
        double total = sum(logWeights);
        if (!Double.isFinite(total)) {
            throw new IllegalStateException("Impossible: no hypothesis has any weight left");
        }
        double[] result = new double[logWeights.length];
        for (int i = 0; i < result.length; i++) {
            result[i] = Math.exp(logWeights[i] - total);
        }
        return result;
    }

    /** Entropy in nats of a normalised distribution. */
    public static double entropy(double[] probabilities) {
        double nats = 0;
        for (double p : probabilities) {
            if (p > 0) {
                nats -= p * Math.log(p);
            }
        }
        return nats;
    }
}
